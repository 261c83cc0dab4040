import { redirect } from "react-router";
import { z } from "zod";
import { notHere, type Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { namesFault } from "~/core/group/names";
import { MOST_PEOPLE } from "~/core/group/schema";
import { findPerson, forgetPerson, joinGroup, leaveGroup } from "~/db/people";
import { namesOn } from "~/db/groups";

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("join"), group: z.uuid() }),
  z.object({ do: z.literal("leave"), group: z.uuid() }),
  z.object({ do: z.literal("forget"), name: z.string().max(80) }),
]);

export type PersonOutcome = { done: string } | { fault: string };

const NOT_HERE = "There is no such person in your club.";

/** What is asked about one person: which groups they are in, and to forget them. Returns what was done in words, or why it was not. */
export async function changePerson(coach: Coach, id: string, form: FormData): Promise<PersonOutcome> {
  const read = asked.safeParse(Object.fromEntries(form));
  if (!read.success) throw new Response("That cannot be done here.", { status: 400 });
  const { db } = getServices();
  const { club } = coach;
  const one = await findPerson(db, club, id);
  if (!one) throw notHere(NOT_HERE);
  const ask = read.data;
  switch (ask.do) {
    case "join": {
      const others = await namesOn(db, club, ask.group, id);
      const fault = namesFault([one.name], others);
      if (fault) return { fault };
      if (others.length >= MOST_PEOPLE) return { fault: `A group has at most ${MOST_PEOPLE} people.` };
      if (!(await joinGroup(db, club, id, ask.group))) throw notHere("There is no such group among yours.");
      return { done: `${one.name} is in it now.` };
    }
    case "leave":
      if (!(await leaveGroup(db, club, id, ask.group))) throw notHere("They are in no such group.");
      return { done: "Taken off the list. What they said stays." };
    case "forget": {
      if (ask.name.trim() !== one.name)
        return { fault: `To forget them, write their name as it stands here: ${one.name}` };
      const came = await forgetPerson(db, club, id);
      if (came === "not here") throw notHere(NOT_HERE);
      if (came === "unseen pain")
        return { fault: "They reported pain and nobody has spoken to them yet. Do that first." };
      throw redirect("/groups/people");
    }
  }
}
