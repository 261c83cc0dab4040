import { readSessionAt } from "./files";
import { faultLine, type ValidationError } from "~/core/faults";
import { compile } from "~/core/timeline/compile";

/**
 * `compile FILE…`: one line of JSON a session on standard output; `-` is standard input. Faults go to standard error,
 * one a line with their path. Returns the exit code: 0, 1 when a file is bad, 2 when none is named.
 */
export async function compileFiles(files: readonly string[]): Promise<number> {
  if (files.length === 0) {
    process.stderr.write("Name the session files to compile, or - for standard input: ./mapset compile FILE…\n");
    return 2;
  }
  let code = 0;
  for (const file of files) {
    const faults = await compileOne(file);
    if (faults.length === 0) continue;
    code = 1;
    for (const fault of faults) process.stderr.write(`${files.length > 1 ? `${file}: ` : ""}${faultLine(fault)}\n`);
  }
  return code;
}

async function compileOne(file: string): Promise<ValidationError[]> {
  const read = await readSessionAt(file);
  if (!read.ok) return read.faults;
  process.stdout.write(`${JSON.stringify(compile(read.value.session, read.value.drills))}\n`);
  return [];
}
