import type { ReactNode } from "react";

/** The frame of the pages one sees before signing in: what Mapset is on the left, the form on the right. */
export function EntryCard({ title, children, below }: { title: string; children: ReactNode; below: ReactNode }) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl items-center gap-10 px-6 py-10 max-md:content-center max-md:gap-6 md:grid-cols-[1fr_24rem]">
      <section className="flex flex-col gap-5">
        <p className="wide-type flex items-center gap-2.5 text-lg font-semibold">
          <img src="/mark.svg" alt="" width={30} height={30} />
          Mapset
        </p>
        <h1 className="wide-type text-4xl leading-tight font-semibold text-balance max-md:text-2xl">
          Warm-ups that end when you said they would.
        </h1>
        <p className="max-w-md text-lg text-ink-soft max-md:hidden">
          Build a session drill by drill, see its length to the second, hand it out as a link, and get feedback on who
          finished and how it felt.
        </p>
        <ChartSketch />
      </section>
      <section className="flex flex-col gap-4 rounded-lg border border-line bg-land p-6">
        <h2 className="wide-type text-xl font-semibold">{title}</h2>
        {children}
        <p className="border-t border-line pt-3 text-sm text-ink-soft">{below}</p>
      </section>
    </main>
  );
}

/** What is wrong with the whole of a form. */
export function FormFault({ fault }: { fault: string | undefined }) {
  if (!fault) return null;
  return (
    <p role="alert" className="rounded-md bg-plum-wash px-3 py-2 text-plum">
      {fault}
    </p>
  );
}

/** A session's profile, drawn by hand for the entry pages: lying, kneeling, standing. */
function ChartSketch() {
  return (
    <svg viewBox="0 0 440 110" className="w-full max-w-lg max-md:hidden" aria-hidden>
      {[20, 45, 70, 95].map((y) => (
        <path key={y} d={`M0 ${y}H440`} stroke="var(--line-water)" strokeDasharray="2 5" />
      ))}
      <path
        d="M0 104V95h18V78h70v26zM112 104V60h60v44zM180 104V60h60v44zM268 104V32h52v72zM348 104V95h92v9z"
        fill="var(--depth-4)"
      />
      <path d="M0 95h18V78h70l24-18h128l28-28h52l28 63h92" fill="none" stroke="var(--depth-6)" strokeWidth="2" />
      <path d="M348 95q8-9 15 0t15 0 15 0 15 0 15 0 15 0" fill="none" stroke="var(--depth-6)" strokeWidth="2" />
      <path d="M205 8v96" stroke="var(--buoy)" strokeWidth="2" />
      <circle cx="205" cy="8" r="4" fill="var(--buoy)" />
    </svg>
  );
}
