/** A key of the keyboard. */
export const Key = ({ children }: { children: string }) => (
  <kbd className="rounded border border-line bg-paper px-1.5 text-xs whitespace-nowrap text-ink-soft">{children}</kbd>
);
