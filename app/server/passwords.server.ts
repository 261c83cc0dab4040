import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from "~/db/accounts";

/** What is looked at of a password. Its beginning says enough, and looking at all of a long one can take a second. */
const LOOKED_AT = 20;
/** From so many on, of four: what somebody who tries a hundred million would not come to. */
const GOOD_ENOUGH = 3;

let looking: Promise<ZxcvbnFactory> | undefined;

/** The lists of what is often used are some megabytes: read when the first password is chosen. */
function look(): Promise<ZxcvbnFactory> {
  looking ??= (async () => {
    const [common, english] = await Promise.all([
      import("@zxcvbn-ts/language-common"),
      import("@zxcvbn-ts/language-en"),
    ]);
    return new ZxcvbnFactory({
      graphs: common.adjacencyGraphs,
      dictionary: { ...common.dictionary, ...english.dictionary },
      l33tMaxSubstitutions: 20,
    });
  })();
  return looking;
}

/** What is wrong with a password that somebody chooses, in words; undefined where nothing is. Their own name and address are the first that are tried. */
export async function faultOfPassword(
  password: string,
  who: { name: string; email: string },
): Promise<string | undefined> {
  if (password.length < SHORTEST_PASSWORD) return `At least ${SHORTEST_PASSWORD} characters.`;
  if (password.length > LONGEST_PASSWORD) return `At most ${LONGEST_PASSWORD} characters.`;
  const own = [who.email, ...who.email.split(/[@.]/), who.name, ...who.name.split(/\s+/), "mapset"]
    .map((one) => one.toLowerCase())
    .filter((one) => one.length > 2);
  const left = own.reduce((rest, one) => rest.split(one).join(""), password.toLowerCase());
  if (left.length < SHORTEST_PASSWORD / 2)
    return "That is your own name or address, which is tried first. Take something else.";
  const { score } = (await look()).check(password.slice(0, LOOKED_AT), own);
  return score >= GOOD_ENOUGH
    ? undefined
    : "That is easily guessed. Three or four words that have nothing to do with each other make a good one.";
}
