import { redirect } from "react-router";
import { z } from "zod";
import { clubCookie } from "~/app/server/chosen-club.server";
import { notHere, type Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { zoneSchema, zoneWords } from "~/core/clock/zone";
import { FEWEST_MONTHS, keepMonthsSchema, MOST_MONTHS } from "~/core/club/keeping";
import { mayManage, ROLES } from "~/core/club/role";
import { clubsOf } from "~/db/clubs";
import { eraseClub } from "~/db/erase";
import { countOlder } from "~/db/old-reports";
import {
  changeMember,
  invite,
  MOST_CLUBS,
  MOST_INVITATIONS,
  renameClub,
  setClubZone,
  setKeepMonths,
  startClub,
  withdrawInvitation,
} from "~/db/members";

const clubName = z.string().trim().min(1, "Write the club’s name.").max(80, "A club’s name has at most 80 characters.");

const asked = z.discriminatedUnion("do", [
  // What everybody may do.
  z.object({ do: z.literal("switch"), club: z.uuid() }),
  z.object({ do: z.literal("leave") }),
  z.object({ do: z.literal("new"), name: clubName }),
  // What an owner may do.
  z.object({ do: z.literal("zone"), zone: zoneSchema }),
  z.object({ do: z.literal("zone here"), zone: zoneSchema }),
  z.object({ do: z.literal("rename"), name: clubName }),
  z.object({ do: z.literal("keep"), months: keepMonthsSchema, sure: z.literal("yes").optional() }),
  z.object({ do: z.literal("erase"), name: z.string().max(200) }),
  z.object({ do: z.literal("invite"), role: z.enum(ROLES) }),
  z.object({ do: z.literal("withdraw"), id: z.uuid() }),
  z.object({ do: z.literal("role"), coach: z.string().max(80), role: z.enum(ROLES) }),
  z.object({ do: z.literal("remove"), coach: z.string().max(80) }),
]);

/** `asks`: what would be lost, to be confirmed first. */
export type ClubOutcome = { done: string } | { fault: string } | { asks: { months: number; reports: number } };

const LAST_OWNER = "A club needs an owner. Make somebody else one first.";

/** What is asked about a club and who is in it. Returns what was done in words, or why it was not. */
export async function changeClub(coach: Coach, form: FormData): Promise<ClubOutcome> {
  const read = asked.safeParse(Object.fromEntries(form));
  if (!read.success) {
    if (form.get("do") === "keep") return { fault: `Write whole months, from ${FEWEST_MONTHS} to ${MOST_MONTHS}.` };
    if (form.get("do") === "rename" || form.get("do") === "new")
      return { fault: read.error.issues[0]?.message ?? "Write the club’s name." };
    throw new Response("That cannot be done here.", { status: 400 });
  }
  const { db, secret } = getServices();
  const { club } = coach;
  const ask = read.data;
  if (ask.do === "switch") {
    if (!(await clubsOf(db, coach.id)).some((one) => one.club.id === ask.club))
      throw notHere("You are in no such club.");
    throw redirect("/club", { headers: { "set-cookie": await clubCookie(ask.club) } });
  }
  if (ask.do === "leave") {
    if ((await changeMember(db, club, coach.id, "out")) === "last owner") return { fault: LAST_OWNER };
    throw redirect("/club");
  }
  if (ask.do === "new") {
    if ((await clubsOf(db, coach.id)).length >= MOST_CLUBS)
      return { fault: `You are in ${MOST_CLUBS} clubs already, the most there can be. Leave or erase one first.` };
    const made = await startClub(db, coach.id, ask.name);
    throw redirect("/club", { headers: { "set-cookie": await clubCookie(made.id) } });
  }
  if (!mayManage(coach.role)) throw new Response("Only an owner of the club can do that.", { status: 403 });
  switch (ask.do) {
    case "rename":
      await renameClub(db, club, ask.name);
      return { done: "Name saved." };
    case "zone":
    case "zone here":
      await setClubZone(db, club, ask.zone, ask.do === "zone here");
      return { done: `Days and hours are shown by the clock of ${zoneWords(ask.zone)}.` };
    case "keep": {
      const reports = await countOlder(db, club, ask.months, coach.zone);
      if (reports > 0 && !ask.sure) return { asks: { months: ask.months, reports } };
      await setKeepMonths(db, club, ask.months);
      return { done: `Reports are kept for ${ask.months === 1 ? "a month" : `${ask.months} months`}.` };
    }
    case "erase":
      if (ask.name.trim() !== coach.clubName)
        return { fault: `To erase it, write the club’s name as it stands here: ${coach.clubName}` };
      await eraseClub(db, club);
      throw redirect("/club");
    case "invite":
      return (await invite(db, club, ask.role, secret))
        ? { done: "Copy the link below and send it to one person." }
        : { fault: `${MOST_INVITATIONS} invitations are open already. Withdraw some first.` };
    case "withdraw":
      if (!(await withdrawInvitation(db, club, ask.id)))
        return { fault: "That invitation has been used or withdrawn already." };
      return { done: "Withdrawn. Its link opens nothing any more." };
    case "role":
    case "remove": {
      const came = await changeMember(db, club, ask.coach, ask.do === "remove" ? "out" : ask.role);
      if (came === "not here") return { fault: "They are not in the club any more." };
      return came === "last owner"
        ? { fault: LAST_OWNER }
        : { done: ask.do === "remove" ? "Removed from the club. What they made stays." : "Saved." };
    }
  }
}
