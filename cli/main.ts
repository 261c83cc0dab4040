import { writeFileSync } from "node:fs";
import { sessionFormatPage, sessionJsonSchema } from "./docs";
import { compileFiles } from "./compile";
import { drillsJson } from "./drills";

/** The commands that need no database: they read files or standard input and print JSON. */
const [command, ...args] = process.argv.slice(2);

switch (command) {
  case "compile":
    process.exitCode = await compileFiles(args);
    break;
  case "drills":
    process.stdout.write(`${drillsJson()}\n`);
    break;
  case "docs":
    writeFileSync("docs/session-format.md", sessionFormatPage());
    writeFileSync("docs/session.schema.json", sessionJsonSchema());
    break;
  default:
    process.stderr.write(`There is no command “${command ?? ""}”.\n`);
    process.exitCode = 2;
}
