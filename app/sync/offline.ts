/*
 * Asking for a link's page to be kept on this device. Where an address is not secure, or a browser has none of it, pages work as they do with a
 * connection only.
 */

const SCOPE = "/f/";
const LONGEST_MS = 30_000;

/** Sends something to the worker and waits for its answer. */
function ask(worker: ServiceWorker, what: { keep: string } | { forget: true }): Promise<boolean> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    const timer = setTimeout(() => resolve(false), LONGEST_MS);
    port1.onmessage = ({ data }: MessageEvent<{ kept: boolean }>) => {
      clearTimeout(timer);
      resolve(data.kept);
    };
    worker.postMessage(what, [port2]);
  });
}

const workers = (): ServiceWorkerContainer | undefined => (navigator as Partial<Navigator>).serviceWorker;

/** Keeps the page that is looked at, with all that it needs. Says whether it now opens without a connection. */
export async function keepThisPage(): Promise<boolean> {
  try {
    const known = workers();
    if (!known) return false;
    await known.register("/sw.js", { scope: SCOPE });
    const { active } = await known.ready;
    return active !== null && (await ask(active, { keep: window.location.href }));
  } catch {
    return false;
  }
}

/** Lets go of every kept page, and of the worker that keeps them. */
export async function forgetPages(): Promise<void> {
  const registration = await workers()
    ?.getRegistration(SCOPE)
    .catch(() => undefined);
  if (registration?.active) await ask(registration.active, { forget: true });
}
