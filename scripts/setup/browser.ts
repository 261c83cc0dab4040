import { existsSync } from "node:fs";

const WITHOUT_WINDOWS = "/usr/bin/chromium-headless-shell";

/** Debian's Chromium, as the shell without windows where it is installed. */
export const BROWSER = existsSync(WITHOUT_WINDOWS) ? WITHOUT_WINDOWS : "/usr/bin/chromium";

export const BROWSER_ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
