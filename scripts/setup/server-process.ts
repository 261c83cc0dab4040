import { spawn } from "node:child_process";
import { freePort } from "./cluster";
import { buildIfChanged, earlierAssets, serverOf } from "./build";
import { ROOT, SERVING } from "./places";
import { workOutStresses } from "./stresses";

export type RunningServer = {
  base: string;
  stop: () => void;
  pid: number;
  /** What it wrote to standard error, where that was asked to be kept. */ said: () => string;
};

let build: Promise<{ folder: string; earlier: string[] }> | undefined;
/** The build of these sources, looked for once a process. */
const built = () =>
  (build ??= workOutStresses().then(() => {
    const folder = buildIfChanged();
    return { folder, earlier: earlierAssets(folder) };
  }));

/** Runs the production server in a process of its own, on a free port or the one that is said; resolves once it serves. */
export async function startServer(
  env: {
    DATABASE_URL: string;
    MAPSET_SECRET: string;
    MAPSET_LIMITS?: string;
    MAPSET_URL?: string;
    MAPSET_PROXY?: string;
    MAPSET_LOG?: string;
  },
  keepWords = false,
  at?: number,
): Promise<RunningServer> {
  const port = at ?? (await freePort());
  const base = `http://127.0.0.1:${port}`;
  const { folder, earlier } = await built();
  const child = spawn(process.execPath, [...SERVING, serverOf(folder)], {
    cwd: ROOT,
    stdio: ["ignore", "pipe", keepWords ? "pipe" : "inherit"],
    env: {
      ...process.env,
      ...env,
      PORT: String(port),
      MAPSET_URL: env.MAPSET_URL ?? base,
      MAPSET_BUILD: folder,
      MAPSET_EARLIER: JSON.stringify(earlier),
      NODE_ENV: "production",
    },
  });
  const words: string[] = [];
  child.stderr?.on("data", (part: Buffer) => words.push(part.toString()));
  await new Promise<void>((resolve, reject) => {
    child.once("exit", (code) => reject(new Error(`The server ended with ${code} before it served`)));
    child.stdout?.on("data", (part: Buffer) => part.toString().includes("serving") && resolve());
  });
  return { base, stop: () => child.kill("SIGTERM"), pid: child.pid!, said: () => words.join("") };
}
