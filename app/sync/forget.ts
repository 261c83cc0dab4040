import { browserOutbox } from "./browser";
import { forgetPages } from "./offline";

const OURS = /^mapset-/;

function forgetIn(storage: () => Storage): void {
  try {
    for (const name of Object.keys(storage())) if (OURS.test(name)) storage().removeItem(name);
  } catch {
    // Switched off: there is nothing in it.
  }
}

/** Empties all that Mapset keeps on this device: runs, check-ins that were not sent, who was chosen, drafts, kept pages. */
export async function forgetDevice(): Promise<void> {
  await browserOutbox().outbox.forget();
  forgetIn(() => localStorage);
  forgetIn(() => sessionStorage);
  await forgetPages();
}
