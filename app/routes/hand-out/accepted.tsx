/** Findings a coach has accepted, with the reason they gave. */
export function Accepted({ list }: { list: readonly { says: string; reason: string }[] }) {
  return (
    <ul className="mt-1 flex flex-col gap-1">
      {list.map(({ says, reason }) => (
        <li key={says}>
          {says} <span className="text-ink-soft">“{reason}”</span>
        </li>
      ))}
    </ul>
  );
}
