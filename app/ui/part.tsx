/** One thing of a page of settings: what it is, and beside it what can be done. */
export function Part({ title, note, children }: { title: string; note: React.ReactNode; children: React.ReactNode }) {
  return (
    <section
      className="grid gap-x-8 gap-y-3 rounded-lg border border-line bg-land p-5 sm:grid-cols-[11rem_1fr]"
      aria-label={title}
    >
      <div>
        <h2 className="text-lg font-semibold">{title}</h2>
        <p className="text-sm text-ink-faint">{note}</p>
      </div>
      <div className="flex min-w-0 flex-col gap-3">{children}</div>
    </section>
  );
}
