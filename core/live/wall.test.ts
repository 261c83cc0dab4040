import { describe, expect, it } from "vitest";
import { forWall, wallAlternatives } from "./wall";
import { makeEdition } from "~/core/edition/edition";
import { stressesOfLevel } from "~/core/stress/at";
import { allAtOnce } from "~/core/steps";
import { itemOf, newSession } from "~/core/session/start";
import { DRILLS, drillById } from "~/library";

const drill = (id: string) => itemOf(drillById(id)!);
const session = {
  ...newSession({ title: "For Wren’s knee", purpose: "before-training" }, [
    {
      title: "Wren’s block",
      rounds: 1,
      items: [
        { ...drill("hip-flexor-hold"), cues: [{ at: 2, say: "Wren, slower." }] },
        drill("rise-drop-freeze"),
        drill("loose-arm-swings"),
      ],
    },
  ] as never),
  notes: "Wren protects her knee.",
};
const edition = makeEdition(session, drillById);
const alternatives = allAtOnce(wallAlternatives(edition, drillById, DRILLS));

describe("what a wall is given", () => {
  const wall = forWall(edition, alternatives, [drillById("cat-camel")!], 60);
  it("is how the session is done, and nothing that names anybody, nor what anybody is to look out for", () => {
    const text = JSON.stringify(wall);
    for (const told of ["Wren", "slower", "protects"]) expect([told, text.includes(told)]).toEqual([told, false]);
    expect(Object.keys(wall).sort()).toEqual(["alternatives", "drills", "others", "promised", "session"]);
    expect(wall.others).toHaveLength(1);
    const all = [...wall.drills, ...wall.others];
    expect(all.every(({ cautions }) => cautions.length === 0)).toBe(true);
    expect(all.flatMap(({ levels }) => Object.values(levels).flatMap(({ loads }) => loads))).toEqual([]);
  });
  it("lasts as long, part by part, as what it is of", () => {
    expect(wall.session.blocks.map(({ items }) => items.map((item) => [item.drill, item.level, item.dose]))).toEqual(
      session.blocks.map(({ items }) => items.map((item) => [item.drill, item.level, item.dose])),
    );
  });
});

describe("what is done instead, on a wall", () => {
  it("is headed by what is changed, at most two of each, and none where a drill asks nothing of the kind", () => {
    const [kneels, lands, swings] = ["0.0", "0.1", "0.2"].map((place) => alternatives[place] ?? []);
    expect(kneels!.map(({ head }) => head)).toContain("Not kneeling");
    expect(lands!.map(({ head }) => head)).toContain("Without landing");
    expect(swings).toEqual([]);
    for (const list of Object.values(alternatives)) expect(list.length).toBeLessThanOrEqual(2);
  });
  it("really leaves that out", () => {
    for (const [head, area] of [
      ["Not kneeling", "kneeling"],
      ["Without landing", "impact"],
    ] as const)
      for (const one of Object.values(alternatives).flat())
        if (one.head === head) {
          const other = DRILLS.find(({ name, levels }) => name === one.drill || levels[one.level].name === one.drill)!;
          expect(stressesOfLevel(other, one.level).map((stress) => stress.area)).not.toContain(area);
        }
  });
});
