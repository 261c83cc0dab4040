/** A failure the person at the terminal can do something about: what happened, and what to do. */
export class Trouble extends Error {}

/** One line to the person at the terminal. */
export function say(text: string): void {
  process.stderr.write(`${text}\n`);
}

/** Ends the program with a plain sentence for trouble, and the whole stack for anything else. */
export function giveUp(error: unknown): never {
  say(
    error instanceof Trouble
      ? `mapset: ${error.message}`
      : `mapset: something went wrong that should not.\n${error instanceof Error ? error.stack : String(error)}`,
  );
  process.exit(1);
}
