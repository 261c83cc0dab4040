import { Field } from "~/app/ui/field";

/** What the two directions of a drill, or of one of its levels, are called. */
export function DirectionWords({
  words = ["", ""],
  of = "",
  onChange,
}: {
  words?: [string, string] | undefined;
  of?: string;
  onChange: (words: [string, string], at: number) => void;
}) {
  return (
    <>
      <Field
        label={`First direction ${of}is called`}
        value={words[0]}
        maxLength={60}
        onChange={(e) => onChange([e.target.value, words[1]], 0)}
      />
      <Field
        label={`Second direction ${of}is called`}
        value={words[1]}
        maxLength={60}
        onChange={(e) => onChange([words[0], e.target.value], 1)}
      />
    </>
  );
}

/** What two directions are called until a coach says better. */
export const USUAL_DIRECTIONS: [string, string] = ["one way", "the other way"];
