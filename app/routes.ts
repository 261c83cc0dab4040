import { index, layout, route, type RouteConfig } from "@react-router/dev/routes";
import { OLD_ADDRESSES } from "./old-addresses";

export default [
  index("routes/home.tsx"),
  route("sign-in", "routes/sign-in/route.tsx"),
  route("sign-up", "routes/sign-up/route.tsx"),
  route("forgotten", "routes/forgotten/route.tsx"),
  route("password/:token", "routes/new-password/route.tsx"),
  route("sign-out", "routes/sign-out.tsx"),

  // For coaches: the four places, and what is inside each
  layout("routes/coach/layout.tsx", [
    route("today", "routes/today/route.tsx"),
    route("feedback", "routes/feedback/route.tsx"),

    route("sessions", "routes/sessions/route.tsx"),
    route("sessions/new", "routes/new-session/route.tsx"),
    route("sessions/draft", "routes/draft/route.tsx"),
    route("sessions/:id", "routes/desk/route.tsx"),
    route("sessions/:id/hand-out", "routes/hand-out/route.tsx"),
    route("sessions/:id/print", "routes/print/route.tsx"),

    route("library", "routes/library/route.tsx"),
    route("library/sheet", "routes/library/sheet.tsx"),
    route("library/profiles", "routes/profiles/route.tsx"),
    route("library/profiles/:profile", "routes/profile/route.tsx"),
    route("library/arcs", "routes/arcs/route.tsx"),
    route("library/arcs/:purpose", "routes/arc/route.tsx"),
    route("library/:drill", "routes/drill/route.tsx"),
    route("library/:drill/edit", "routes/own-drill/route.tsx"),

    route("classes/:class", "routes/class-record/route.tsx"),

    route("groups", "routes/groups/route.tsx"),
    route("groups/:group", "routes/group/route.tsx"),
    route("groups/people", "routes/people/route.tsx"),
    route("groups/people/:person", "routes/person/route.tsx"),

    // Behind the coach's name
    route("account", "routes/account/route.tsx"),
    route("club", "routes/club/route.tsx"),
    route("mail", "routes/mail/route.tsx"),
    route("join/:token", "routes/join/route.tsx"),
    route("unreadable/:kind/:id", "routes/unreadable/route.tsx"),
  ]),
  ...OLD_ADDRESSES.map((address) => route(address, "routes/old-address.ts", { id: `old address ${address}` })),

  route("sessions/:id/save", "routes/desk/save.ts"),
  route("sessions/:id/setting", "routes/desk/setting.ts"),
  route("sessions/:id/code/:link", "routes/hand-out/code.ts"),
  route("club/archive", "routes/club/archive.ts"),
  route("unreadable/:kind/:id/raw", "routes/unreadable/raw.ts"),
  route("sessions/:id/export", "routes/sessions/export.ts"),

  route("groups/:group/pace", "routes/group/pace.ts"),
  route("feedback/table", "routes/feedback/table.ts"),
  route("find", "routes/find.ts"),
  route("own-drills", "routes/own-drills.ts"),
  route("library/:drill/export", "routes/drill/export.ts"),
  route("library/:drill/keep", "routes/own-drill/keep.ts"),
  route("figure/:drill/:level/:moment", "routes/figure-still.ts"),
  route("figure/:drill", "routes/figure-motion.ts"),

  // A class that is run: whoever leads it, and the wall of the hall
  route("live", "routes/live/start.ts"),
  route("live/:class", "routes/live/route.tsx"),
  route("live/:class/instead", "routes/live-instead/route.tsx"),
  route("rehearsal/:edition", "routes/rehearsal/route.tsx"),
  route("live/:class/command", "routes/live/command.ts"),
  route("wall", "routes/wall/route.tsx"),

  // For athletes, from a link
  route("f/:token", "routes/follow/route.tsx"),
  route("f/:token/app.webmanifest", "routes/follow/app-manifest.ts"),
  route("f/:token/mine", "routes/follow/mine.ts"),
  route("f/:token/class", "routes/follow/class.ts"),
  route("f/:token/progress", "routes/follow/progress.ts"),
  route("f/:token/check-in", "routes/follow/check-in.ts"),

  // A page with nothing on it: says the server is up, and is the baseline of the measurements
  route("up", "routes/up.tsx"),
] satisfies RouteConfig;
