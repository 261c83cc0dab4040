import { parseArgs } from "node:util";
import { readGroupFile, readSessionAt } from "./files";
import { auditInput, withWorkingFixes } from "~/core/audit/audit";
import { faultLine } from "~/core/faults";
import { DRILLS } from "~/library";
import { profileById, SPORT_PROFILES } from "~/library/sport-profiles";

const USAGE = "usage: ./mapset audit FILE [--demand PROFILE] [--group FILE]; - reads standard input";

/** Prints what the audit finds in a session as JSON, most serious first; with a group's file, also for its people and kit. Returns the exit code. */
export async function auditFile(args: readonly string[]): Promise<number> {
  const refuse = (text: string, code: number) => {
    process.stderr.write(`${text}\n`);
    return code;
  };
  let asked;
  try {
    asked = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { demand: { type: "string" }, group: { type: "string" } },
    });
  } catch {
    return refuse(USAGE, 2);
  }
  const {
    positionals: [file, ...more],
    values: { demand: name, group: groupFile },
  } = asked;
  if (file === undefined || more.length > 0) return refuse(USAGE, 2);
  const demand = name === undefined ? undefined : profileById(name);
  if (name !== undefined && !demand)
    return refuse(`There is no sport profile “${name}”. There are: ${SPORT_PROFILES.map((d) => d.id).join(", ")}.`, 2);
  const read = await readSessionAt(file);
  if (!read.ok) return refuse(read.faults.map(faultLine).join("\n"), 1);
  const group = groupFile === undefined ? undefined : await readGroupFile(groupFile);
  if (group && !group.ok) return refuse(group.faults.map(faultLine).join("\n"), 1);
  const input = auditInput(read.value.session, read.value.drills, { demand, group: group?.value, offered: DRILLS });
  const found = withWorkingFixes(input).map(({ fix, message, ...finding }) => ({
    ...finding,
    // The name in the file format stays until its next version.
    says: message,
    ...(fix && { fix: fix.words }),
  }));
  process.stdout.write(`${JSON.stringify(found)}\n`);
  return 0;
}
