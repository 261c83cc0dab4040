/** Where what was thrown is told. */
export type Told = (error: unknown) => void;

/** What `make` makes; undefined where it throws. For what must not end by an error of a part that can be left out. */
export function tried<T>(make: () => T, told?: Told): T | undefined {
  try {
    return make();
  } catch (error) {
    told?.(error);
    return undefined;
  }
}
