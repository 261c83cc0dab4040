import { cx } from "./classes";

type Props = {
  label: string;
  value: string;
  onChange: (text: string) => void;
  placeholder?: string;
  className?: string;
};

/** A name written in place, on as many lines as it needs; itself it is one line. Enter ends it. */
export function TitleField({ label, value, onChange, placeholder, className }: Props) {
  return (
    <textarea
      aria-label={label}
      rows={1}
      value={value}
      maxLength={120}
      placeholder={placeholder}
      spellCheck={false}
      onChange={(event) => onChange(event.target.value.replace(/\s*\n\s*/g, " "))}
      onKeyDown={(event) => {
        if (event.key !== "Enter" || event.nativeEvent.isComposing) return;
        event.preventDefault();
        event.currentTarget.blur();
      }}
      className={cx(
        "wide-type field-sizing-content block resize-none overflow-hidden rounded bg-transparent px-1 py-0.5 font-semibold wrap-anywhere hover:bg-land focus:bg-land",
        className,
      )}
    />
  );
}
