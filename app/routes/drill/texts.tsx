import { CautionList } from "~/app/ui/cautions";
import { TriangleAlert } from "lucide-react";
import type { Drill } from "~/core/drills/schema";

/** What a drill says: take care, set up, do, feel, see and say. */
export function Texts({ drill }: { drill: Drill }) {
  return (
    <div className="flex flex-col gap-4">
      <section className="rounded-lg border-l-4 border-plum bg-plum-wash px-4 py-3" aria-label="Cautions">
        <h2 className="flex items-center gap-1.5 font-semibold text-plum">
          <TriangleAlert size={16} aria-hidden /> Watch out{" "}
        </h2>
        <CautionList cautions={drill.cautions} className="mt-1" />
      </section>
      <section className="rounded-lg border border-line bg-land px-4 py-3">
        <h2 className="wide-type font-semibold">Set up</h2>
        <ul className="flex flex-col gap-0.5">
          {drill.setUp.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
        <h2 className="wide-type mt-3 font-semibold">Do</h2>
        <ol className="ml-5 flex list-decimal flex-col gap-0.5">
          {drill.steps.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ol>
      </section>
      <FeelMap drill={drill} />
      <section className="rounded-lg border border-line bg-land px-4 py-3">
        <h2 className="wide-type font-semibold">See and say</h2>
        <dl className="flex flex-col gap-1.5">
          {drill.faults.map((fault) => (
            <div key={fault.see}>
              <dt className="text-ink-soft">{fault.see}</dt>
              <dd className="font-medium">“{fault.say}”</dd>
              {fault.why && <dd className="text-sm text-ink-faint">{fault.why}</dd>}
            </div>
          ))}
        </dl>
      </section>
    </div>
  );
}

/** Where it should be felt, and what to change when it is felt elsewhere. */
function FeelMap({ drill }: { drill: Drill }) {
  return (
    <section className="rounded-lg border border-line bg-land px-4 py-3">
      <h2 className="wide-type font-semibold">Feel it here</h2>
      <ul className="border-l-4 border-kelp pl-3">
        {drill.feel.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      <h2 className="wide-type mt-3 font-semibold">Felt elsewhere?</h2>
      <dl className="flex flex-col gap-1.5">
        {drill.elsewhere.map((at) => (
          <div key={at.felt} className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-3">
            <dt className="text-ink-soft">{at.felt}</dt>
            <dd>{at.change}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 text-sm text-ink-faint">
        Pain, numbness, tingling or dizziness: stop, step down a level, or leave it out.
      </p>
    </section>
  );
}
