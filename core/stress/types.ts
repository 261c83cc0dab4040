import type { Kit } from "~/core/vocabulary/kit";
import type { ScaleStep } from "~/core/vocabulary/scales";
import type { Dose } from "~/core/dose/kinds";
import type { Method } from "~/core/vocabulary/methods";
import type { Motion } from "~/core/vocabulary/motions";
import type { Rehearsal } from "~/core/vocabulary/rehearses";
import type { Side } from "~/core/figure/points";
import type { Posture } from "~/core/vocabulary/postures";
import type { Degrees, Metres, Seconds } from "~/core/units";

/** What a hand, foot or knee touches and whether the body's weight runs through it. */
export type LimbContacts = {
  hand: "carries" | "holds" | "touches" | "free";
  /** The body hangs from the hand. */ hangs: boolean;
  /** What the hand is on is the floor or low, not a thing at hip height. */ handLow: boolean;
  /** The hand is on a block, which is held so that the wrist stays nearly straight. */ onBlock: boolean;
  forearm: boolean;
  knee: boolean;
  foot: boolean;
  /** Only the ball of the foot is down. */
  onBall: boolean;
  /** The knee is down, carrying or not. */
  kneeDown: boolean;
  /** A hand, or a strap in a hand, pulls this leg by the foot or shin. */
  pulled: boolean;
};

/** One side of the body at one moment. Degrees are clinical angles of the solved figure. */
export type Limb = LimbContacts & {
  hipFlexion: Degrees;
  hipAbduction: Degrees;
  /** Inward above 0. */ hipRotation: Degrees;
  kneeFlexion: Degrees;
  kneeRotation: Degrees;
  dorsiflexion: Degrees;
  inversion: Degrees;
  toes: Degrees;
  /** How far the arm is lifted to the front or side; 0 when it is behind. */ elevation: Degrees;
  /** How far the upper arm is behind the trunk; 0 when it is not. */ behind: Degrees;
  /** How far the elbow is out to the side, and how far the shoulder is turned out. */ elbowOut: Degrees;
  turnedOut: Degrees;
  wrist: Degrees;
  /** The thigh is across the middle of the body. */ across: boolean;
  /** The shin lies on the floor, the thigh turned to its side: sitting with the knee folded, cross-legged, or one shin in front. */ shinFolded: boolean;
  /** The ankle lies over the other thigh. */ ankleOverThigh: boolean;
  /** The knee has dropped in with its foot down. */ droppedIn: boolean;
  /** The straight leg is held up against gravity by the hip alone. */ legHeldUp: boolean;
  /** The foot is off the floor. */ footUp: boolean;
  /** The sole is rolled over its outer or inner edge. */ soleRolled: boolean;
  /** The heel is below what the ball of the foot is on. */ heelBelow: boolean;
};

/** The body at one moment of a repetition, at the fastest tempo that is allowed. */
export type Moment = Readonly<Record<Side, Limb>> & {
  /** From the start of the repetition. */ at: Seconds;
  neck: Spine;
  thoracic: Spine;
  lumbar: Spine;
  /** Sitting on the floor, or on a chair or bench. */ seat: "floor" | "chair" | "none";
  lying: "back" | "front" | "side" | "none";
  /** What the trunk lies on is a bench or as high. */ raised: boolean;
  /** The head lies on the floor, an arm or a cushion. */ headRests: boolean;
  /** The head hangs at least 0.10 m below the pelvis and below the chest, resting on nothing. */ headLow: boolean;
  /** The head is over the pelvis. */ headUp: boolean;
  /** Between the ankles, to the side. */ feetApart: Metres;
  /** Both feet on one narrow line, one before the other. */ narrow: boolean;
  solesTogether: boolean;
};

export type Spine = { flexion: Degrees; side: Degrees; rotation: Degrees };

/** Largest speeds over a repetition at the fastest tempo that is allowed, in degrees a second. */
export type Speeds = { neck: number; thoracic: number; lumbar: number } & Readonly<
  Record<Side, { hip: number; knee: number; shoulder: number }>
>;

/** Everything the rules look at. */
export type Facts = {
  moments: readonly Moment[];
  /** Length of a repetition as it is dosed, and when each moment comes in it. */ seconds: Seconds;
  usual: readonly Seconds[];
  speeds: Speeds;
  /** How far the pelvis turns over a foot that stays planted, and whether its heel is free to turn. */
  turnsOver: Readonly<Record<Side, { by: Degrees; heelFree: boolean }>>;
  /** How far a knee that carries slides. */ kneeSlides: Readonly<Record<Side, Metres>>;
  posture: Posture;
  endPosture: Posture;
  method: Method;
  kit: readonly Kit[];
  rows: readonly Motion[];
  dose: Dose;
  still: boolean;
  /** The level by the scales, 0 where it says nothing. */
  pulse: ScaleStep;
  speed: ScaleStep;
  impact: ScaleStep;
  rehearses: readonly Rehearsal[];
  /** Left and right take turns by themselves, as in walking. */
  gait: boolean;
  /** Left and right work apart: a jump lands on one leg, or more on one. */
  oneSided: boolean;
};
