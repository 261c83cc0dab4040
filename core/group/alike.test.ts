import fc from "fast-check";
import { expect, it } from "vitest";
import { alikeIn, byPerson } from "./alike";
import { allProtections } from "./protect";
import type { Group } from "./schema";
import { AREAS } from "~/core/vocabulary/areas";

const areas = fc.uniqueArray(fc.constantFrom(...AREAS.slice(0, 3)), { maxLength: 2 });

it("whoever protects the same is looked at once, and answered in the group's own order", () =>
  fc.assert(
    fc.property(fc.array(areas, { maxLength: 12 }), areas, (people, everyone) => {
      const group: Group = {
        name: "Class",
        people: people.map((own, i) => ({ name: `P${i % 5}`, areas: own })),
        setting: { areas: everyone },
      };
      const alike = alikeIn(group);
      expect(new Set(alike.map((one) => JSON.stringify(one.protections))).size).toBe(alike.length);
      const naive = group.people
        .map((person) => ({ name: person.name, value: allProtections(person, group.setting) }))
        .filter((one) => one.value.length > 0);
      expect(
        byPerson(
          group,
          alike.map(({ people: of, protections: value }) => ({ people: of, value })),
        ),
      ).toEqual(naive);
    }),
  ));
