import type { Demand } from "~/core/demands/schema";
import type { Row } from "~/core/vocabulary/rows";

type Asked = Partial<Record<Row, [weight: 0 | 1 | 2 | 3, why: string]>>;

const demand = (id: string, name: string, about: string, held: string[], rows: Asked): Demand => ({
  id, name, about, held, rows: Object.fromEntries(Object.entries(rows).map(([row, [weight, why]]) => [row, { weight, why }])),
});

/** The demand profiles that ship with Mapset: what each asks of every joint motion, 0 to 3, and why in a line. */
export const DEMANDS: readonly Demand[] = [
  demand("general", "General use", "For a mixed group with no one sport: every joint, both directions.", ["sitting much of the day"], {
    "hip.ext": [2, "the front of the hip shortens with sitting"], "hip.flex": [2, "folding at the hip is in every lift"], "hip.er": [1, "sitting on the floor and getting up"], "hip.ir": [1, "turning on a planted foot"], "hip.abd": [1, "side steps and wide stances"],
    "th.ext": [2, "the opposite of a rounded desk back"], "th.rot": [2, "turning without the lower back doing it"], "th.side": [1, "the direction that is most often left out"], "th.flex": [1, "rounding with ease"], "lu.rot": [1, "a little turning low down"], "lu.side": [1, "leaning with ease"], "hip.add": [1, "crossing steps"], "kn.ext": [1, "long legs in a fold"], "kn.rot": [1, "a shin that turns spares the knee"], "lu.flex": [1, "bending with ease"], "lu.ext": [1, "standing tall after sitting"],
    "sh.flex": [2, "reaching overhead"], "sh.abd": [1, "reaching to the side"], "sh.ext": [1, "the opposite of arms in front"], "sh.er": [1, "the opposite of turned-in arms"], scap: [1, "the blade has to glide for the arm to lift"], "an.df": [2, "squatting, stairs and landing"], "an.pf": [1, "pushing off"], "an.ie": [1, "uneven ground"],
    "kn.flex": [1, "kneeling and squatting"], "nk.rot": [1, "looking round"], trunk: [1, "holding the middle while limbs move"], "ribs.breath": [1, "an easy breath"], "toe.ext": [1, "the last of every step"],
  }),
  demand("rowing", "Rowing", "Folded hips and a rounded upper back all week; long reach, strong finish.", ["hips folded", "upper back rounded", "arms in front"], {
    "hip.flex": [3, "the catch needs hips that fold without the back rounding"], "hip.ext": [3, "the opposite of the catch, held for hours"], "an.df": [3, "shins upright at the catch"], "kn.flex": [2, "full compression"], "th.ext": [3, "the opposite of the rounded stroke"], "th.rot": [2, "sweep rowing turns one way only"],
    "th.side": [1, "sweep rowing leans one way only"], "lu.ext": [1, "the opposite of bending under load"], "sh.flex": [2, "reach without shrugging"], "sh.ext": [1, "the finish"], scap: [2, "blades glide forward and back each stroke"], "wr.ext": [1, "feathering and gripping"], trunk: [2, "the drive passes through it"], "ribs.breath": [2, "ribs that move under a bent back"], "hip.er": [1, "knees part at the catch"],
  }),
  demand("handball", "Handball", "One-sided throwing, jumps, quick turns and contact.", ["one arm thrown with", "low stances"], {
    "th.rot": [3, "the throw comes from the turn"], "sh.er": [3, "the arm is laid back at speed"], "sh.ir": [2, "and comes through"], "sh.flex": [2, "jump shots overhead"], scap: [2, "the blade carries the throw"], "hip.ext": [2, "long last step"], "hip.ir": [2, "turning on the planted leg"], "hip.er": [1, "cutting away"],
    "hip.abd": [2, "defending sideways"], "hip.add": [1, "crossing steps"], "an.df": [2, "landing"], "an.ie": [2, "the ankle that rolls is the commonest hurt"], "kn.flex": [1, "landing deep"], "th.ext": [1, "cocking the arm"], trunk: [2, "contact"], "wr.flex": [1, "the last of the throw"],
  }),
  demand("football", "Football", "Kicking, sprinting and cutting, mostly on one leg.", ["kicking with one leg"], {
    "hip.ext": [3, "wind-up and sprint"], "hip.flex": [3, "follow-through"], "hip.abd": [2, "groins are the commonest strain"], "hip.add": [2, "the inside pass"], "hip.ir": [2, "planting and turning"], "hip.er": [2, "opening to receive"], "kn.flex": [1, "wind-up"], "kn.ext": [1, "long hamstrings in the kick"],
    "an.df": [2, "landing and cutting"], "an.pf": [2, "the instep kick"], "an.ie": [2, "uneven ground"], "th.rot": [1, "arms against legs"], trunk: [2, "kicking on one leg"], "lu.ext": [1, "wind-up"],
  }),
  demand("basketball", "Basketball", "Jumps, landings, low slides and reaching overhead.", ["low stances"], {
    "an.df": [3, "every landing"], "an.ie": [2, "landing on feet"], "an.pf": [1, "take-off"], "hip.flex": [2, "the low stance"], "hip.ext": [2, "take-off"], "hip.abd": [2, "slides"], "hip.ir": [2, "pivots"], "hip.er": [1, "pivots"], "kn.flex": [2, "landing deep"],
    "sh.flex": [2, "rebounds and shots"], "th.ext": [1, "reaching tall"], "th.rot": [1, "passing across"], scap: [1, "reach"], "wr.ext": [1, "the shot"], trunk: [2, "contact in the air"],
  }),
  demand("volleyball", "Volleyball", "Overhead hitting, jumping and low digs.", ["one arm hit with"], {
    "sh.flex": [3, "hitting and blocking"], "sh.er": [3, "the arm laid back"], "sh.ir": [2, "the hit"], scap: [3, "the blade under the arm"], "th.ext": [2, "arching to hit"], "th.rot": [2, "the hit comes from the turn"], "an.df": [2, "landing"], "hip.ext": [2, "approach and jump"], "hip.flex": [2, "digging low"],
    "hip.abd": [1, "lateral digs"], "kn.flex": [2, "digging low"], "an.ie": [1, "landing on feet"], trunk: [2, "hitting in the air"], "lu.ext": [1, "arching to hit"],
  }),
  demand("tennis", "Tennis and rackets", "Serve overhead, turn and lunge, one side more than the other.", ["one arm played with"], {
    "th.rot": [3, "every stroke"], "sh.er": [3, "the serve"], "sh.ir": [2, "the serve comes through"], "sh.flex": [2, "reaching up to serve"], scap: [2, "the blade under the arm"], "hip.ir": [2, "loading the back leg"], "hip.er": [2, "open stances"], "hip.abd": [2, "wide balls"], "hip.ext": [1, "pushing off"],
    "an.df": [2, "lunging"], "an.ie": [1, "sliding and stopping"], "th.side": [2, "the serve leans"], "th.ext": [1, "the serve arches"], "wr.ext": [1, "gripping"], "wr.flex": [1, "gripping"], trunk: [1, "the turn passes through it"], "nk.ext": [1, "looking up to serve"],
  }),
  demand("combat", "Wrestling and combat sports", "Everything near the end of its range, against someone.", ["bent and braced"], {
    "hip.flex": [3, "shots and guards"], "hip.er": [3, "guards and kicks"], "hip.ir": [2, "hooks and turns"], "hip.abd": [3, "sprawls and kicks"], "hip.ext": [2, "bridging and driving"], "kn.flex": [2, "on the knees"], "kn.rot": [1, "legs that get turned"], "an.df": [2, "shots"], "th.rot": [3, "throws and punches"],
    "th.ext": [2, "the opposite of the braced curl"], "lu.flex": [1, "curling up"], "lu.ext": [1, "bridging"], "sh.flex": [1, "clinching high"], "sh.ext": [2, "arms pulled behind"], scap: [1, "frames"], "nk.flex": [1, "neck braced"], "nk.rot": [1, "neck turned"], "wr.ext": [1, "posting"], trunk: [3, "everything passes through it"],
  }),
  demand("running", "Running and sprinting", "Straight ahead, thousands of times; hips that open behind.", ["only forward"], {
    "hip.ext": [3, "the drive behind the body"], "hip.flex": [2, "the knee drive"], "an.df": [3, "every stance"], "an.pf": [2, "every push"], "toe.ext": [2, "the last of every push"], "kn.flex": [1, "the heel comes up"], "kn.ext": [1, "long hamstrings in front"], "hip.abd": [1, "the direction running leaves out"], "hip.ir": [1, "the pelvis turns over the leg"],
    "th.rot": [2, "arms against legs"], "th.side": [1, "the direction running leaves out"], trunk: [2, "a still middle"], "an.ie": [1, "uneven ground"], "ribs.breath": [1, "breath under load"],
  }),
  demand("cycling", "Cycling", "Folded over for hours; the opposites of the saddle.", ["hips folded", "back rounded", "neck bent back"], {
    "hip.ext": [3, "the opposite of the saddle"], "th.ext": [3, "the opposite of the drops"], "hip.flex": [2, "a low position without rounding"], "th.rot": [2, "the direction cycling leaves out"], "th.side": [1, "the direction cycling leaves out"], "nk.flex": [2, "the opposite of looking ahead"], "nk.rot": [1, "looking behind"], "lu.ext": [1, "the opposite of bending"],
    "sh.flex": [1, "the opposite of arms down"], "sh.ext": [1, "opening the chest"], "hip.ir": [1, "never used on the bike"], "hip.abd": [1, "never used on the bike"], "wr.ext": [1, "weight on the hands"], "wr.flex": [1, "its opposite"], "an.df": [1, "ankles held pointed"], "ribs.breath": [2, "ribs folded for hours"],
  }),
  demand("swimming", "Swimming", "Shoulders overhead, pointed feet, a long body.", ["arms overhead", "feet pointed"], {
    "sh.flex": [3, "the reach"], "sh.ir": [2, "the catch"], "sh.er": [2, "its opposite"], scap: [3, "the blade under the reach"], "th.ext": [3, "a long body"], "th.rot": [3, "the roll"], "an.pf": [3, "the kick"], "an.df": [1, "its opposite, and turns"], "hip.ext": [2, "the kick"], "hip.ir": [1, "breaststroke"], "lu.ext": [1, "dolphin kicks"],
    "nk.rot": [1, "breathing to the side"], trunk: [2, "a line in the water"], "ribs.breath": [2, "breath by the stroke"], "sh.ext": [1, "opening the chest"],
  }),
  demand("lifting", "Strength and lifting", "Deep squats, overhead and the rack; full range under a bar.", ["braced"], {
    "hip.flex": [3, "depth"], "an.df": [3, "depth with the heels down"], "kn.flex": [2, "depth"], "hip.er": [2, "knees out"], "hip.abd": [1, "wide stances"], "hip.ext": [2, "lock-out, split catches"], "th.ext": [3, "an upright back, overhead and in the rack"], "sh.flex": [3, "overhead"], "sh.er": [2, "under a back bar"], "sh.ext": [1, "under a back bar"],
    scap: [2, "a shelf for the bar"], "wr.ext": [2, "the rack"], trunk: [3, "bracing"], "th.rot": [1, "the direction bars leave out"], "ribs.breath": [1, "the brace begins with a breath"], "toe.ext": [1, "split catches"],
  }),
  demand("throwing", "Throwing events and pitching", "One arm laid back at speed, from a turning trunk over a bracing leg.", ["one arm thrown with"], {
    "sh.er": [3, "the arm is laid back at speed"], "sh.ir": [2, "and comes through"], scap: [3, "the blade carries it"], "th.rot": [3, "the throw comes from the turn"], "th.ext": [2, "laying back"], "hip.ir": [3, "bracing on the front leg"], "hip.er": [2, "opening"], "hip.ext": [2, "driving from behind"], "hip.abd": [1, "the long step"], "th.side": [1, "leaning away"],
    "sh.flex": [1, "arm path"], "sh.ext": [1, "arm path"], "an.df": [1, "bracing"], "lu.ext": [1, "laying back"], "wr.flex": [1, "the release"], "wr.ext": [1, "the grip"], trunk: [2, "the turn passes through it"],
  }),
  demand("climbing", "Climbing", "Hips near the wall, long reaches, strong fingers; the opposites of hanging and gripping.", ["gripping", "arms overhead"], {
    "hip.er": [3, "hips near the wall"], "hip.abd": [3, "wide steps"], "hip.flex": [3, "high steps"], "hip.ir": [2, "drop knees"], "sh.flex": [2, "long reaches"], scap: [3, "hanging from the blades"], "sh.ext": [1, "the opposite of overhead"], "th.ext": [2, "the opposite of the rounded puller"], "th.rot": [2, "turning in"], "wr.ext": [2, "the opposite of gripping"],
    "wr.flex": [1, "gripping"], "an.df": [1, "smearing"], "toe.ext": [1, "small holds"], "kn.flex": [1, "deep steps"], trunk: [2, "feet stay on"], "nk.flex": [1, "the opposite of looking up"],
  }),
  demand("desk-work", "Desk work", "Bent hips, rounded back, arms in front, eyes on a screen: the opposites.", ["hips bent", "upper back rounded", "arms in front", "head forward"], {
    "hip.ext": [3, "the opposite of the chair"], "th.ext": [3, "the opposite of the screen"], "th.rot": [2, "turning is left out all day"], "th.side": [1, "leaning is left out all day"], "nk.rot": [2, "the neck held still"], "nk.side": [1, "the neck held still"], "nk.flex": [1, "the back of the neck shortens"], "sh.ext": [2, "the opposite of arms in front"], "sh.er": [2, "the opposite of turned-in arms"],
    "sh.flex": [1, "overhead is left out"], scap: [2, "blades that slid apart"], "wr.ext": [1, "typing"], "wr.flex": [1, "typing"], "hip.er": [1, "hips held still"], "hip.ir": [1, "hips held still"], "an.df": [1, "feet under the chair"], "lu.ext": [1, "the opposite of slumping"], "ribs.breath": [2, "breath that went shallow"],
  }),
];

const byId = new Map(DEMANDS.map((d) => [d.id, d]));

/** The shipped demand profile of an id, or undefined. */
export const demandById = (id: string): Demand | undefined => byId.get(id);
