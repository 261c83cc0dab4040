/** Whether two plain JSON values say the same, whatever the order of their keys; a key that is undefined counts as absent. */
export function sameJson(a: unknown, b: unknown): boolean {
  // Zero and minus zero are the same number in JSON.
  if (a === b || Object.is(a, b)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((value, i) => sameJson(value, b[i]))
    );
  const one = present(a);
  const other = new Map(present(b));
  return one.length === other.size && one.every(([key, value]) => other.has(key) && sameJson(value, other.get(key)));
}

function present(value: object): [string, unknown][] {
  return Object.entries(value).filter(([, v]) => v !== undefined);
}
