import type { PlacedFault } from "~/core/files/places";

const SHOWN = 50;

/** What is wrong in a file, each with its place in words; the place in the file itself is its title. */
export function FileFaults({ file, faults, what }: { file: string; faults: readonly PlacedFault[]; what: string }) {
  return (
    <>
      <p className="font-semibold text-plum">
        {file || "The file"} was not {what}: {faults.length === 1 ? "one thing is" : `${faults.length} things are`}{" "}
        wrong in it.
      </p>
      <ul className="mt-1 max-h-60 list-disc overflow-y-auto pl-5">
        {faults.slice(0, SHOWN).map((fault) => (
          <li key={`${fault.path} ${fault.message}`}>
            <span title={fault.path} className="inline-block font-medium first-letter:uppercase">
              {fault.place}
            </span>
            : {fault.message}
          </li>
        ))}
        {faults.length > SHOWN && <li>… and {faults.length - SHOWN} more</li>}
      </ul>
    </>
  );
}
