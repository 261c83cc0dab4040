import { Building2, CircleUser, LogOut, Mail, SunMoon, UserRound } from "lucide-react";
import { useState } from "react";
import { useNavigate, useSubmit } from "react-router";
import { useUnsaved } from "./unsaved";
import { Confirm } from "~/app/ui/dialog";
import { Menu } from "~/app/ui/menu";
import { switchTheme } from "~/app/ui/theme";
import type { OfCoach } from "~/core/outbox/item";

/** Behind the coach's name: their account, the club, the mail tray, light or dark, and signing out, which asks first where something is in this browser only. */
export function MeMenu({ me, name, clubName }: { me: OfCoach; name: string; clubName: string }) {
  const submit = useSubmit();
  const navigate = useNavigate();
  const unsaved = useUnsaved(me);
  const [asking, setAsking] = useState(false);
  const signOut = () => void submit(null, { method: "post", action: "/sign-out" });
  return (
    <>
      <Menu
        trigger={
          <button
            type="button"
            title="Account, club, mail and signing out"
            className="inline-flex min-h-8 min-w-8 items-center justify-center gap-1.5 rounded-md px-2 text-sm text-ink-soft hover:bg-land-deep hover:text-ink"
          >
            <CircleUser size={17} aria-hidden className="shrink-0" />
            <span className="max-w-48 truncate max-md:sr-only">{name}</span>
            <span className="sr-only">, your account and club</span>
          </button>
        }
        entries={() => [
          {
            words: "Your account",
            icon: <UserRound size={16} aria-hidden />,
            onSelect: () => void navigate("/account"),
          },
          {
            words: `${clubName} and its coaches`,
            icon: <Building2 size={16} aria-hidden />,
            onSelect: () => void navigate("/club"),
          },
          { words: "Mail tray", icon: <Mail size={16} aria-hidden />, onSelect: () => void navigate("/mail") },
          {
            words: "Light or dark",
            icon: <SunMoon size={16} aria-hidden />,
            onSelect: () => switchTheme("desk"),
          },
          "line",
          {
            words: "Sign out",
            icon: <LogOut size={16} aria-hidden />,
            onSelect: () => (unsaved.length > 0 ? setAsking(true) : signOut()),
          },
        ]}
      />
      {asking && (
        <Confirm
          open
          onOpenChange={setAsking}
          title="Sign out with unsaved changes?"
          action="Sign out"
          keep="Stay signed in"
          text={`${[...new Set(unsaved.map(({ body }) => `“${body.title}”`))].join(", ")}: your changes are in this browser only. They stay here, seen by nobody else, and save once you sign in here again.`}
          onConfirm={signOut}
        />
      )}
    </>
  );
}
