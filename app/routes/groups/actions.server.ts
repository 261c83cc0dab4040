import { data, redirect } from "react-router";
import { z } from "zod";
import { type Coach, idOf, notHere } from "~/app/server/coach.server";
import { askedIn, jsonIn } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { faultLine, parseWith } from "~/core/faults";
import { namesFault } from "~/core/group/names";
import { protectsListSchema } from "~/core/group/protect";
import { groupSettingSchema, MOST_PEOPLE } from "~/core/group/schema";
import type { Club } from "~/db/clubs";
import { findPerson, joinGroup, leaveGroup } from "~/db/people";
import {
  addPeople,
  addGroup,
  countPeople,
  deleteGroup,
  namesOn,
  renamePerson,
  renameGroup,
  setPersonAreas,
  setGroupSetting,
} from "~/db/groups";

const groupName = z.string().trim().min(1, "Give the group a name.").max(80, "At most 80 characters.");
const personName = z.string().trim().min(1, "Give them a name.").max(40, "At most 40 characters.");
const MOST_AT_ONCE = 60;

const text = z.string().default("");

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("add-group"), name: text }),
  z.object({ do: z.literal("rename-group"), name: text, group: text }),
  z.object({ do: z.literal("delete-group"), group: text }),
  z.object({ do: z.literal("setting"), group: text, setting: text }),
  z.object({ do: z.literal("add-people"), group: text, names: text }),
  z.object({ do: z.literal("rename-person"), athlete: text, name: text }),
  z.object({ do: z.literal("areas"), athlete: text, areas: text }),
  z.object({ do: z.literal("remove-person"), athlete: text, group: text }),
  z.object({ do: z.literal("put-back"), athlete: text, group: text }),
]);

/** What was wrong, in words a coach understands. */
const refused = (fault: string) => data({ fault }, { status: 400 });
const DONE = { done: true } as const;

const must = (worked: boolean) => {
  if (!worked) throw notHere("There is nothing of that kind among yours.");
  return DONE;
};

/** Whatever is changed about groups and who is in them. */
export async function changeGroups({ club }: Coach, form: FormData) {
  const { db } = getServices();
  const ask = askedIn(form, asked);
  switch (ask.do) {
    case "add-group":
    case "rename-group": {
      const read = groupName.safeParse(ask.name);
      if (!read.success) return refused(read.error.issues[0]!.message);
      if (ask.do === "rename-group") return must(await renameGroup(db, club, idOf(ask.group), read.data));
      await needRoom(club, "groups");
      // Its people come next.
      throw redirect(`/groups/${await addGroup(db, club, read.data)}`);
    }
    case "delete-group":
      must(await deleteGroup(db, club, idOf(ask.group)));
      throw redirect("/groups");
    case "setting": {
      const read = parseWith(groupSettingSchema, jsonIn(ask.setting));
      return read.ok
        ? must(await setGroupSetting(db, club, idOf(ask.group), read.value))
        : refused(read.faults.map(faultLine).join("; "));
    }
    case "areas": {
      const read = parseWith(protectsListSchema, jsonIn(ask.areas));
      return read.ok
        ? must(await setPersonAreas(db, club, idOf(ask.athlete), read.value))
        : refused(read.faults.map(faultLine).join("; "));
    }
    case "add-people":
      return addNames(club, idOf(ask.group), ask.names);
    case "rename-person":
      return renameOne(club, idOf(ask.athlete), ask.name);
    case "put-back":
      return putBack(club, idOf(ask.athlete), idOf(ask.group));
    case "remove-person":
      return must(await leaveGroup(db, club, idOf(ask.athlete), idOf(ask.group)));
  }
}

async function addNames(club: Club, group: string, text: string) {
  const { db } = getServices();
  const names = text
    .split(/[\n,;]+/)
    .map((n) => n.trim())
    .filter(Boolean);
  if (names.length === 0) return refused("Write at least one name.");
  if (names.length > MOST_AT_ONCE) return refused(`At most ${MOST_AT_ONCE} at a time.`);
  const long = names.find((n) => n.length > 40);
  if (long) return refused(`“${long.slice(0, 44)}…” is longer than 40 characters.`);
  const twice = namesFault(names, await namesOn(db, club, group));
  if (twice) return refused(twice);
  if ((await countPeople(db, club, group)) + names.length > MOST_PEOPLE)
    return refused(`A group has at most ${MOST_PEOPLE} people. Make another group for the others.`);
  await needRoom(club, "people", names.length);
  return must((await addPeople(db, club, group, names)) > 0);
}

async function renameOne(club: Club, id: string, name: string) {
  const { db } = getServices();
  const read = personName.safeParse(name);
  if (!read.success) return refused(read.error.issues[0]!.message);
  const found = await findPerson(db, club, id);
  for (const one of found?.groups ?? []) {
    const fault = one.until === null ? namesFault([read.data], await namesOn(db, club, one.id, id)) : undefined;
    if (fault) return refused(`In ${one.name}: ${fault}`);
  }
  return must(await renamePerson(db, club, id, read.data));
}

async function putBack(club: Club, id: string, group: string) {
  const { db } = getServices();
  const found = await findPerson(db, club, id);
  if (!found) throw notHere("There is nothing of that kind among yours.");
  const others = await namesOn(db, club, group, id);
  if (namesFault([found.name], others))
    return refused(`There is another ${found.name} on the list now. Rename one of them first.`);
  if (others.length >= MOST_PEOPLE) return refused(`A group has at most ${MOST_PEOPLE} people.`);
  return must(await joinGroup(db, club, id, group));
}
