/** An address as what it is counted by: of the long kind the network, since a single house has a whole one of them. */
export function byNetwork(address: string): string {
  if (!address.includes(":") || address.includes(".")) return address.replace(/^::ffff:/i, "");
  const [before = "", after] = address.split("::");
  const head = before === "" ? [] : before.split(":");
  const tail = after === undefined || after === "" ? [] : after.split(":");
  const groups = [...head, ...Array.from({ length: Math.max(0, 8 - head.length - tail.length) }, () => "0"), ...tail];
  return `${groups
    .slice(0, 4)
    .map((group) => group.replace(/^0+(?=.)/, "").toLowerCase())
    .join(":")}::/64`;
}
