import { Form, useNavigation } from "react-router";
import { Control } from "~/app/ui/player/stage-parts";

/** Where a screen of the hall is opened to a class. */
export function EnterCode({ fault }: { fault: string | undefined }) {
  const busy = useNavigation().state !== "idle";
  return (
    <main className="mx-auto flex min-h-dvh max-w-2xl flex-col justify-center gap-6 px-6 py-10">
      <h1 className="wide-type text-4xl font-semibold">Which class?</h1>
      <p className="text-xl text-ink-soft">
        Type the six signs from the coach’s phone, under “Wall”. Nobody has to sign in on this screen.
      </p>
      <Form method="post" reloadDocument className="flex flex-col gap-4">
        <input type="hidden" name="do" value="open" />
        <label className="flex flex-col gap-2 text-lg">
          Code
          <input
            name="code"
            required
            autoFocus
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            maxLength={12}
            aria-invalid={fault !== undefined}
            aria-describedby={fault ? "code-fault" : undefined}
            className="clock-type rounded-lg border border-line bg-land px-4 py-3 text-center text-5xl tracking-[0.2em] uppercase"
          />
        </label>
        {fault && (
          <p id="code-fault" role="alert" className="border-l-4 border-buoy pl-3 text-lg">
            {fault}
          </p>
        )}
        <Control main type="submit" label="Show the class" disabled={busy}>
          <span className="text-xl font-semibold">{busy ? "Looking…" : "Show the class"}</span>
        </Control>
      </Form>
    </main>
  );
}
