import type { Rehearsal } from "~/core/vocabulary/rehearses";
import { SURFACES, type Surface } from "~/core/vocabulary/surfaces";
import { HELD_POSITIONS, heldKey, heldWords } from "./held";
import type { SportProfile } from "./schema";
import { MOTIONS, type Motion } from "~/core/vocabulary/motions";

/** A copy to be made one's own; its name says so and stays within the limit. */
export function copyOfProfile(demand: SportProfile): SportProfile {
  return { ...demand, id: "own", name: `${demand.name.slice(0, 74)}, mine` };
}

/** Gives a row another weight, 0 to 3 in halves. With 0 the row is left out; a new row begins with the reason given. */
export function withWeight(demand: SportProfile, row: Motion, weight: number, why: string): SportProfile {
  const { [row]: old, ...rest } = demand.rows;
  const rows = weight === 0 ? rest : { ...rest, [row]: { weight, why: old?.why ?? why } };
  return { ...demand, rows: inOrder(rows) };
}

export function withReason(demand: SportProfile, row: Motion, why: string): SportProfile {
  const old = demand.rows[row];
  return old ? { ...demand, rows: { ...demand.rows, [row]: { ...old, why } } } : demand;
}

/** Adds a held position by its key: each opposite weighs one more, up to 3. Taking it away takes one off again, down to nothing. */
export function withHeld(demand: SportProfile, key: string, held: boolean): SportProfile {
  if (held === isHeld(demand, key)) return demand;
  const next = {
    ...demand,
    held: held ? [...demand.held, key].slice(0, 6) : demand.held.filter((one) => heldKey(one) !== key),
  };
  if (next.held.length === demand.held.length) return demand;
  return (HELD_POSITIONS[key]?.opposites ?? []).reduce((d, row) => {
    const now = d.rows[row]?.weight ?? 0;
    return withWeight(d, row, Math.min(3, Math.max(0, now + (held ? 1 : -1))), `the opposite of ${heldWords(key)}`);
  }, next);
}

export const isHeld = (demand: SportProfile, key: string): boolean => demand.held.some((one) => heldKey(one) === key);

const inOrder = (rows: SportProfile["rows"]): SportProfile["rows"] =>
  Object.fromEntries(MOTIONS.flatMap((row) => (rows[row] ? [[row, rows[row]]] : [])));

/** A profile with an action of its sport more, at the end, or without it. */
export function withAction(profile: SportProfile, action: Rehearsal, on: boolean): SportProfile {
  const { rehearses = [], ...rest } = profile;
  const left = rehearses.filter((one) => one !== action);
  const now = on ? [...left, action] : left;
  return now.length > 0 ? { ...rest, rehearses: now } : rest;
}

/** The same with an action before all others: what sessions before it end with. */
export const withActionFirst = (profile: SportProfile, action: Rehearsal): SportProfile => ({
  ...profile,
  rehearses: [action, ...(profile.rehearses ?? []).filter((one) => one !== action)],
});

/** A profile that usually takes place on a surface, or not. */
export function withSurface(profile: SportProfile, surface: Surface, on: boolean): SportProfile {
  const { surfaces = [], ...rest } = profile;
  const now = SURFACES.filter((one) => (one === surface ? on : surfaces.includes(one)));
  return now.length > 0 ? { ...rest, surfaces: now } : rest;
}
