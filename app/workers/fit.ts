import { expose } from "comlink";
import wasm from "highs/runtime?url";
import { fitWithRoom, type RoomAnswer } from "~/core/fit/make-room";
import type { FitRequest } from "~/core/fit/fit-to-time";
import type { Drill } from "~/core/drills/schema";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

/** `own` are the coach's own drills, which the worker does not ship with. */
export type FitAsk = {
  request: FitRequest;
  drop: boolean;
  add: boolean;
  own: readonly Drill[];
};

const solver = openSolver({ wasm });

const answers = {
  /** Fits a session to a time, off the page. */
  async fit({ request, drop, add, own }: FitAsk): Promise<RoomAnswer> {
    const byId = new Map(own.map((drill) => [drill.id, drill]));
    const drillOf = (id: string) => byId.get(id) ?? drillById(id);
    return fitWithRoom(request, { drop, add: add ? DRILLS : [] }, drillOf, await solver);
  },
};

export type Fitter = typeof answers;

expose(answers);
