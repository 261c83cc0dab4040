import type { Seconds } from "~/core/units";

/*
 * How long a group really takes to move, to get its kit, to change sides and to be shown a drill, learnt from classes. A normal
 * model of the logarithm of real over planned, by class and not by segment: segments of one class are not independent, and an
 * interval made of them would be too narrow.
 */

/** Spread from class to class and from segment to segment, and what is believed before any class: no change, a factor of 1.28 either way. */
export type Spread = { tau: number; sigma: number };
export const USUAL_SPREAD: Spread = { tau: 0.15, sigma: 0.4 };
const PRIOR = 0.25;
/** A class whose result lies further off than so many of its standard deviations pulls less. */
const OUTLYING = 3;
/** Classes older than this count for half. */
const OLD_WEEKS = 26;

/** What one class took for one kind: planned and real seconds of its segments, and how many weeks ago it was. */
export type ClassPace = { planned: readonly Seconds[]; real: readonly Seconds[]; weeksAgo?: number };

/** Sums of a class: the logarithm of real over planned, and the effective number of its segments. */
export type Observed = { y: number; n: number; weeksAgo: number };

/** A class is heard from this many segments on. */
const LEAST_SEGMENTS = 3;

export function observed({ planned, real, weeksAgo = 0 }: ClassPace): Observed | undefined {
  const sum = (list: readonly number[]) => list.reduce((total, one) => total + one, 0);
  const [p, r] = [sum(planned), sum(real)];
  if (planned.length < LEAST_SEGMENTS || p <= 0 || r <= 0) return undefined;
  return { y: Math.log(r / p), n: p ** 2 / sum(planned.map((one) => one ** 2)), weeksAgo };
}

/** From so many classes of a club on, the spreads are estimated from them. */
const CLASSES_FOR_SPREAD = 30;
/** The spread from class to class is kept between these; that of segments is never nearly nothing. */
const TAU = { least: 0.05, most: 0.3 } as const;
const LEAST_SIGMA = 0.1;

/**
 * Spreads as a club’s own groups have them, by the method of moments: σ² is how far the logarithms of single segments lie apart
 * inside classes, τ² how far classes lie apart inside groups beyond what their few segments explain. The usual ones where there
 * are too few classes.
 */
export function spreadOf(groups: readonly (readonly ClassPace[])[]): Spread {
  const classes = groups.map((list) =>
    list.flatMap((one) => {
      const found = observed(one);
      return found ? [{ ...found, logs: logsOf(one) }] : [];
    }),
  );
  const all = classes.flat();
  if (all.length < CLASSES_FOR_SPREAD) return USUAL_SPREAD;
  const inside = pooled(all.map(({ logs }) => logs));
  const between = pooled(classes.map((list) => list.map(({ y }) => y)));
  if (inside === undefined || between === undefined) return USUAL_SPREAD;
  const explained = all.reduce((sum, { n }) => sum + inside / n, 0) / all.length;
  return {
    tau: Math.min(TAU.most, Math.max(TAU.least, Math.sqrt(Math.max(0, between - explained)))),
    sigma: Math.max(LEAST_SIGMA, Math.sqrt(inside)),
  };
}

const logsOf = ({ planned, real }: ClassPace): number[] =>
  planned.flatMap((p, i) => (p > 0 && real[i]! > 0 ? [Math.log(real[i]! / p)] : []));

/** The variance inside lists, each about its own mean; undefined where no list has two. */
function pooled(lists: readonly (readonly number[])[]): number | undefined {
  let [squares, free] = [0, 0];
  for (const list of lists) {
    const mean = list.reduce((sum, one) => sum + one, 0) / Math.max(1, list.length);
    squares += list.reduce((sum, one) => sum + (one - mean) ** 2, 0);
    free += Math.max(0, list.length - 1);
  }
  return free > 0 ? squares / free : undefined;
}

export type Pace = {
  /** Real over planned. */
  ratio: number;
  /** 80 and 95 % intervals of it. */
  likely: [number, number];
  within: [number, number];
  classes: number;
  /** Classes that lie so far off that they pull less, by their place. */
  outlying: number[];
  mean: number;
  deviation: number;
};

const variance = ({ n, weeksAgo }: Observed, { tau, sigma }: Spread) =>
  (tau ** 2 + sigma ** 2 / n) * (weeksAgo > OLD_WEEKS ? 2 : 1);

function posterior(classes: readonly Observed[], v: readonly number[]): { m: number; s: number } {
  const weight = classes.reduce((sum, _, i) => sum + 1 / v[i]!, 1 / PRIOR ** 2);
  const m = classes.reduce((sum, { y }, i) => sum + y / v[i]!, 0) / weight;
  return { m, s: 1 / Math.sqrt(weight) };
}

/** The pace of a group for one kind, from its classes. */
export function paceOf(classes: readonly Observed[], spread: Spread = USUAL_SPREAD): Pace {
  const v = classes.map((one) => variance(one, spread));
  const outlying: number[] = [];
  const robust = v.map((own, i) => {
    if (classes.length < 2) return own;
    const others = classes.filter((_, k) => k !== i);
    const { m, s } = posterior(
      others,
      v.filter((_, k) => k !== i),
    );
    const off = (classes[i]!.y - m) ** 2;
    const wide = own + s ** 2;
    if (off <= OUTLYING ** 2 * wide) return own;
    outlying.push(i);
    return (own * off) / (OUTLYING ** 2 * wide);
  });
  const { m, s } = posterior(classes, robust);
  const between = (z: number): [number, number] => [Math.exp(m - z * s), Math.exp(m + z * s)];
  return {
    ratio: Math.exp(m),
    likely: between(1.28),
    within: between(1.96),
    classes: classes.length,
    outlying,
    mean: m,
    deviation: s,
  };
}

/** From so many classes on, and from so much of a difference, another pace is offered. */
const LEAST_CLASSES = 3;
const LEAST_DIFFERENCE = 0.05;

/** Whether another pace is worth offering: `used` is the ratio that is planned with now. */
export function isWorthOffering(pace: Pace, used: number): boolean {
  const { classes, ratio, mean, deviation } = pace;
  return (
    classes >= LEAST_CLASSES && Math.abs(ratio / used - 1) >= LEAST_DIFFERENCE && Math.abs(mean) > 1.28 * deviation
  );
}

/** Bounds and step of what a pace is set to, against what is usual. */
const PACE_BOUNDS = { least: 0.6, most: 2.5, step: 0.5 } as const;

/** A usual time at a group’s pace: to half a second, and never far from what is usual. */
export function atPace(usual: Seconds, ratio: number): Seconds {
  const { least, most, step } = PACE_BOUNDS;
  const held = Math.min(most, Math.max(least, ratio));
  return Math.round((usual * held) / step) * step;
}
