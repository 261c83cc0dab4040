/** What a session file brought besides the session, in a sentence; empty where it brought nothing. */
export function broughtWords({ newDrills, newProfile }: { newDrills: number; newProfile: boolean }): string {
  const what = [
    ...(newDrills > 0 ? [newDrills === 1 ? "1 drill" : `${newDrills} drills`] : []),
    ...(newProfile ? ["its sport profile"] : []),
  ];
  const text = what.join(" and ");
  return text === ""
    ? ""
    : `${text[0]!.toUpperCase()}${text.slice(1)} came with it and ${newDrills + Number(newProfile) === 1 ? "is" : "are"} yours now.`;
}

/** The same, as it stands in an address behind #, and read back from there. Anything else brought nothing. */
export const broughtHash = ({ newDrills, newProfile }: { newDrills: number; newProfile: boolean }): string =>
  newDrills > 0 || newProfile ? `#brought-${newDrills}-${Number(newProfile)}` : "";

export function readBroughtHash(hash: string): { newDrills: number; newProfile: boolean } | undefined {
  const read = /^#brought-(\d{1,3})-([01])$/.exec(hash);
  return read ? { newDrills: Number(read[1]), newProfile: read[2] === "1" } : undefined;
}
