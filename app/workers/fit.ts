import wasm from "highs/runtime?url";
import { fitWithRoom, type Room, type RoomAnswer } from "~/core/fit/make-room";
import type { FitRequest } from "~/core/fit/fit-to-time";
import type { Drill } from "~/core/drills/schema";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

/** `own` are the coach's own drills, which the worker does not ship with. */
export type FitAsk = {
  id: number;
  request: FitRequest;
  drop: boolean;
  add: boolean;
  group: Room["group"];
  own: Drill[];
};
export type FitTold = { id: number; answer: RoomAnswer; ms: number };

const solver = openSolver({ wasm });

/** Fits a session to a time, off the page. */
self.onmessage = async ({ data }: MessageEvent<FitAsk>) => {
  const { id, request, drop, add, group, own } = data;
  const byId = new Map(own.map((drill) => [drill.id, drill]));
  const started = performance.now();
  let answer: RoomAnswer;
  try {
    answer = fitWithRoom(
      request,
      { drop, add: add ? DRILLS : [], group },
      (drill) => byId.get(drill) ?? drillById(drill),
      await solver,
    );
  } catch (error) {
    answer = { kind: "failed", why: error instanceof Error ? error.message : String(error) };
  }
  self.postMessage({ id, answer, ms: performance.now() - started } satisfies FitTold);
};
