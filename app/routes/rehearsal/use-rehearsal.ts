import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Reckoned } from "~/app/server/live-reckon.server";
import type { Leading } from "~/app/routes/live/use-leading";
import { lastOf } from "~/app/routes/live/use-leading";
import { newKey } from "~/app/sync/key";
import { besidePage } from "~/app/ui/in-turns";
import { now as wallNow, steady } from "~/core/clock/clock";
import { comingAt } from "~/core/clock/coming";
import { ACTS_ON, type Command, type NewRest, type Sent } from "~/core/live/commands";
import { advance, fold, segmentIdAt } from "~/core/live/fold";
import type { Frozen } from "~/core/live/frozen";
import type { FinishBy } from "~/core/live/finish-by";
import type { MoreTime } from "~/core/live/more-time";
import type { Edition } from "~/core/edition/edition";
import { editionDrills } from "~/core/edition/edition";
import type { EpochMs } from "~/core/units";

const LOOK_MS = 50;
/** What was found by then is what is answered. */
const PATIENCE_MS = 4000;
const NOBODY = new Set<string>();

/**
 * A class for whoever leads it alone: everything is done as in a class, on this device and nowhere else, by a clock that goes as
 * fast as is wanted.
 */
export function useRehearsal(edition: Edition, frozen: Frozen, speed: number, zone: string): Leading {
  const [commands, setCommands] = useState<readonly Sent[]>([]);
  const [now, setNow] = useState<EpochMs>(0);
  const clock = useRef({ real: steady(), at: wallNow(), speed });
  const serverNow = useCallback((): EpochMs => {
    const { real, at, speed: times } = clock.current;
    return at + (steady() - real) * times;
  }, []);
  useEffect(() => {
    clock.current = { at: serverNow(), real: steady(), speed };
  }, [speed, serverNow]);
  useEffect(() => {
    setNow(serverNow());
    const timer = setInterval(() => setNow(serverNow()), LOOK_MS);
    return () => clearInterval(timer);
  }, [serverNow]);

  const base = useMemo(() => fold(frozen, commands), [frozen, commands]);
  const at = useCallback(() => advance(base, serverNow()), [base, serverNow]);
  const live = now === 0 ? undefined : advance(base, now);
  const mine = useMemo(() => new Set(commands.map(({ key }) => key)), [commands]);

  const add = useCallback(
    (command: Command) => {
      const moment = serverNow();
      setCommands((all) => {
        const from = Math.max(moment, all.at(-1)?.from ?? 0);
        const here = advance(fold(frozen, all), from);
        const on = ACTS_ON.has(command.do) ? (segmentIdAt(here, from) ?? null) : null;
        return [...all, { n: all.length + 1, key: newKey(), by: "", seen: all.length, on, from, command }];
      });
    },
    [frozen, serverNow],
  );
  const press = useCallback((command: Command) => Promise.resolve(add(command)), [add]);

  const reckon = useCallback<Leading["reckon"]>(
    async (ask, doIt = false): Promise<Reckoned> => {
      // What works it out is large, and only here is it done in a browser.
      const [{ finishBy, nextLater }, { moreTime }] = await Promise.all([
        import("~/core/live/finish-by"),
        import("~/core/live/more-time"),
      ]);
      const { session } = edition;
      const by = { session, drills: editionDrills(edition) };
      const moment = serverNow();
      const here = at();
      if ("swap" in ask) return { kind: "not there" };
      if ("later" in ask) {
        const rest = await new Promise<NewRest | undefined>(
          (done) => void besidePage(nextLater(here, moment, by), done),
        );
        if (!rest) return { kind: "not there" };
        if (doIt) add(rest);
        return { kind: "later", words: rest.words };
      }
      const begun = steady();
      const late = () => steady() - begun > PATIENCE_MS;
      const work = finishBy(here, moment, comingAt(ask.finish.by, zone, moment), by, late);
      const answer = await new Promise<FinishBy>((done) => void besidePage(work, done));
      if (answer.kind === "in time") {
        const more = ask.finish.use
          ? await new Promise<MoreTime>(
              (done) => void besidePage(moreTime(here, moment, comingAt(ask.finish.by, zone, moment), by, late), done),
            )
          : undefined;
        if (!more) return answer;
        if (doIt) add(more.rest);
        return { kind: "more", endsAt: more.endsAt, words: more.rest.words };
      }
      const { rest, endsAt } = answer;
      if (doIt && rest) add(rest);
      return answer.kind === "cut"
        ? { kind: "cut", endsAt, words: answer.rest.words }
        : { kind: "too late", endsAt, by: answer.by, hurried: answer.hurried, ...(rest && { words: rest.words }) };
    },
    [add, at, edition, serverNow, zone],
  );
  const nothing = useCallback(() => undefined, []);
  return {
    commands,
    live,
    others: live,
    now,
    at,
    serverNow,
    state: "connected",
    within: 0,
    take: nothing,
    people: undefined,
    press,
    inAMoment: false,
    said: undefined,
    alone: false,
    parted: false,
    goToTheirs: nothing,
    goToMine: nothing,
    last: live && lastOf(commands, mine.size > 0 ? mine : NOBODY, live, now),
    reckon,
    tell: useCallback(() => Promise.resolve(false), []),
  };
}
