import { Mail } from "lucide-react";

/** After something was asked for that a message answers: the same whether there is an account or not. */
export function Written({ to, what }: { to: string; what: string }) {
  return (
    <div role="status" className="flex flex-col gap-3">
      <p className="flex gap-3">
        <Mail size={22} aria-hidden className="mt-0.5 shrink-0 text-ink-soft" />
        <span>
          Look in your mail: if <strong className="wrap-anywhere">{to}</strong> {what}, a message is there with what to
          do next. It works for 24 hours.
        </span>
      </p>
      <p className="rounded-md bg-land-deep px-3 py-2 text-sm text-ink-soft">
        This Mapset has no mail server. Its messages are in the mail tray; on the machine it runs on,{" "}
        <code className="whitespace-nowrap">./mapset mail</code> shows them.
      </p>
    </div>
  );
}
