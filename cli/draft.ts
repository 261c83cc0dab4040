import { readJsonFile } from "./files";
import { draft } from "~/core/draft/draft";
import { readRequest } from "~/core/draft/request";
import { faultLine } from "~/core/faults";
import { DRILLS, drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";
import { sequencingById } from "~/library/sequencings";
import { openSolver } from "~/solver/highs";

const USAGE = "usage: ./mapset draft REQUEST; - reads standard input";

/** Prints up to three drafts for a request as JSON, the best first, or which limit to relax where nothing fits. Returns the exit code. */
export async function draftFile(args: readonly string[]): Promise<number> {
  const refuse = (text: string, code: number) => {
    process.stderr.write(`${text}\n`);
    return code;
  };
  const [file, ...more] = args;
  if (file === undefined || more.length > 0 || (file.startsWith("-") && file !== "-")) return refuse(USAGE, 2);
  const json = await readJsonFile(file);
  if (!json.ok) return refuse(json.faults.map(faultLine).join("\n"), 1);
  const request = readRequest(json.value, { demands: profileById, schools: sequencingById, drills: drillById });
  if (!request.ok) return refuse(request.faults.map(faultLine).join("\n"), 1);
  const answer = draft(request.value, DRILLS, await openSolver());
  process.stdout.write(`${JSON.stringify(answer)}\n`);
  return answer.kind === "drafts" ? 0 : 1;
}
