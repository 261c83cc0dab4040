import { writeFileSync } from "node:fs";
import {
  drillJsonSchema,
  draftRequestJsonSchema,
  groupJsonSchema,
  sessionFileJsonSchema,
  sessionFormatPage,
  sessionJsonSchema,
} from "./docs";
import { compileFiles } from "./compile";
import { drillsJson } from "./drills";

/** The commands that need no database: they read files or standard input and print JSON. */
const [command, ...args] = process.argv.slice(2);

// A reader that has seen enough, as head has, is no error.
process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  if (error.code !== "EPIPE") throw error;
  process.exit(0);
});

switch (command) {
  case "compile":
    process.exitCode = await compileFiles(args);
    break;
  case "drills":
    if (args.includes("--near")) for (const line of (await import("./near")).nearLines()) process.stdout.write(line);
    else process.stdout.write(`${drillsJson()}\n`);
    break;
  case "audit":
    process.exitCode = await (await import("./audit")).auditFile(args);
    break;
  case "draft":
    process.exitCode = await (await import("./draft")).draftFile(args);
    break;
  case "figure":
    // Only here: the motions of all drills take a moment to load.
    process.exitCode = (await import("./figure")).printFigure(args);
    break;
  case "docs":
    writeFileSync("docs/session-format.md", sessionFormatPage());
    writeFileSync("docs/session.schema.json", sessionJsonSchema());
    writeFileSync("docs/session-file.schema.json", sessionFileJsonSchema());
    writeFileSync("docs/drill.schema.json", drillJsonSchema());
    writeFileSync("docs/group.schema.json", groupJsonSchema());
    writeFileSync("docs/draft-request.schema.json", draftRequestJsonSchema());
    break;
  default:
    process.stderr.write(`There is no command “${command ?? ""}”.\n`);
    process.exitCode = 2;
}
