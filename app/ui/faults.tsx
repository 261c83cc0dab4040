import type { ValidationError } from "~/core/faults";

/** What is wrong with something that was written, each with its place; nothing when nothing is. */
export function Faults({ faults }: { faults: readonly ValidationError[] }) {
  if (faults.length === 0) return null;
  return (
    <div role="alert" className="rounded-md border-2 border-plum bg-plum-wash px-3 py-2 text-sm">
      <p className="font-semibold text-plum">Not saved:</p>
      <ul>
        {faults.map((fault) => (
          <li key={fault.path}>
            {fault.path} {fault.message}
          </li>
        ))}
      </ul>
    </div>
  );
}
