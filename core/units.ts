/** A length of time in seconds, whole or decimal. Never negative where a length is meant. */
export type Seconds = number;

/** A length of time in whole microseconds; sums of these are exact. */
export type Micros = number;

/** A moment in milliseconds since 1970, as a computer's clock gives it. */
export type EpochMs = number;

/** A share of a whole, 0 to 1. */
export type Share = number;

/** Muscular effort as a share of the most a person can give, 1 to 100. */
export type Percent = number;

/** A step of body height: 0 lying on the floor to 5 hanging. */
export type HeightStep = 0 | 1 | 2 | 3 | 4 | 5;

/** Rounds seconds to whole microseconds, so that sums of decimal seconds carry no rounding noise. */
export function toMicros(seconds: Seconds): Micros {
  return Math.round(seconds * 1e6);
}

/** The nearest seconds for whole microseconds. */
export function toSeconds(micros: Micros): Seconds {
  return micros / 1e6;
}

/** A length in metres. */
export type Metres = number;
export type MetresPerSecond = number;

/** An angle in degrees. */
export type Degrees = number;
