import { Command as Cmdk } from "cmdk";
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Found, FoundThing } from "~/app/routes/find";
import { Dialog } from "~/app/ui/dialog";
import { Key } from "~/app/ui/key";
import { isTyping, PaletteContext, type Command, type PaletteHold } from "~/app/ui/palette";

const PLACES = [
  { id: "today", words: "Today", to: "/today" },
  { id: "feedback", words: "Feedback", to: "/feedback" },
  { id: "sessions", words: "Sessions", to: "/sessions" },
  { id: "new", words: "New session", to: "/sessions?new" },
  { id: "draft", words: "Draft a session", to: "/sessions/draft" },
  { id: "archived", words: "Archived sessions", to: "/sessions?archived" },
  { id: "library", words: "Library of drills", to: "/library" },
  { id: "profiles", words: "Sport profiles", to: "/library/profiles" },
  { id: "arcs", words: "Arcs of sessions", to: "/library/arcs" },
  { id: "sheet", words: "Contact sheet of every drill", to: "/library/sheet" },
  { id: "groups", words: "Groups", to: "/groups" },
  { id: "people", words: "People", to: "/groups/people" },
  { id: "account", words: "Your account", to: "/account" },
  { id: "club", words: "Club and coaches", to: "/club" },
  { id: "mail", words: "Mail tray", to: "/mail" },
] as const;

const WAIT_MS = 120;

/** Every word that is typed is somewhere in it. */
const matches = (words: string, typed: string): boolean =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((part) => words.toLowerCase().includes(part));

/** The palette of every page: what can be done here, the places, and everything by its name. Opened with G. */
export function WithPalette({ children }: { children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const offered = useRef<() => readonly Command[]>(undefined);
  const hold = useMemo<PaletteHold>(
    () => ({
      open: () => setOpen(true),
      offer(commands) {
        offered.current = commands;
        return () => {
          if (offered.current === commands) offered.current = undefined;
        };
      },
    }),
    [],
  );
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== "g" || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented)
        return;
      if (isTyping(event.target) || document.querySelector('[role="dialog"], [role="alertdialog"], [role="menu"]'))
        return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  return (
    <PaletteContext value={hold}>
      {children}
      {open && <Palette commands={offered.current?.() ?? []} onClose={() => setOpen(false)} />}
    </PaletteContext>
  );
}

function Palette({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  const [typed, setTyped] = useState("");
  const { found, asking } = useFound(typed.trim());
  const navigate = useNavigate();
  const go = (to: string) => () => {
    onClose();
    void navigate(to);
  };
  const word = typed.trim();
  const here = commands.filter((one) => matches(`${one.words} ${one.group}`, word));
  const places = PLACES.filter((one) => matches(one.words, word));
  const groups = [...new Set(here.map((one) => one.group))];
  // What is found comes a moment after what is typed: until somebody chooses, Enter takes the first there is.
  const [chosen, setChosen] = useState("");
  const values = [
    ...here.flatMap((one) => (one.off ? [] : [one.id])),
    ...found.flatMap(({ heading, things }) => things.map((thing) => `${heading} ${thing.to}`)),
    ...places.map((place) => `place ${place.id}`),
  ];
  const value = values.includes(chosen) ? chosen : (values[0] ?? "");
  return (
    <Dialog open onOpenChange={(on) => !on && onClose()} title="Find anything">
      <Cmdk label="Find anything" loop shouldFilter={false} value={value} onValueChange={setChosen}>
        <Cmdk.Input
          autoFocus
          value={typed}
          onValueChange={(text) => {
            setTyped(text);
            setChosen("");
          }}
          maxLength={80}
          placeholder={commands.length > 0 ? "longer, paste, a name…" : "A session, a group, a person, a drill…"}
          className="min-h-11 w-full rounded-md border border-line bg-paper px-3"
        />
        <Cmdk.List className="mt-2 max-h-[50dvh] overflow-y-auto" tabIndex={-1} aria-busy={asking}>
          {!asking && <Cmdk.Empty className="px-2 py-5 text-center text-ink-soft">Nothing by that name.</Cmdk.Empty>}
          {groups.map((group) => (
            <Section key={group} heading={group}>
              {here
                .filter((one) => one.group === group)
                .map((command) => (
                  <Entry
                    key={command.id}
                    value={command.id}
                    off={command.off}
                    onSelect={() => {
                      onClose();
                      command.run();
                    }}
                  >
                    {command.words}
                    {command.key && <Key>{command.key}</Key>}
                  </Entry>
                ))}
            </Section>
          ))}
          {found.map(({ heading, things }) => (
            <Section key={heading} heading={heading}>
              {things.map((thing) => (
                <Entry key={thing.to} value={`${heading} ${thing.to}`} onSelect={go(thing.to)}>
                  <span className="min-w-0 truncate">{thing.name}</span>
                  {thing.more && <span className="truncate text-sm text-ink-faint">{thing.more}</span>}
                </Entry>
              ))}
            </Section>
          ))}
          {places.length > 0 && (
            <Section heading="Go to">
              {places.map((place) => (
                <Entry key={place.id} value={`place ${place.id}`} onSelect={go(place.to)}>
                  {place.words}
                </Entry>
              ))}
            </Section>
          )}
        </Cmdk.List>
      </Cmdk>
    </Dialog>
  );
}

const Section = ({ heading, children }: { heading: string; children: ReactNode }) => (
  <Cmdk.Group
    heading={heading}
    className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-ink-faint"
  >
    {children}
  </Cmdk.Group>
);

function Entry({
  value,
  off = false,
  onSelect,
  children,
}: {
  value: string;
  off?: boolean | undefined;
  onSelect: () => void;
  children: ReactNode;
}) {
  return (
    <Cmdk.Item
      value={value}
      disabled={off}
      onSelect={onSelect}
      className="flex min-h-9 cursor-pointer items-center justify-between gap-4 rounded px-2 data-[disabled=true]:cursor-default data-[disabled=true]:text-ink-faint data-[selected=true]:bg-depth-1"
    >
      {children}
    </Cmdk.Item>
  );
}

const HEADINGS: Record<keyof Found, string> = {
  sessions: "Sessions",
  groups: "Groups",
  people: "People",
  drills: "Drills",
  profiles: "Sport profiles",
};

/** What there is by a name, asked for a moment after the last letter. Without a connection there is nothing. */
function useFound(typed: string): { found: { heading: string; things: FoundThing[] }[]; asking: boolean } {
  const [answer, setAnswer] = useState<{ typed: string; found: Found }>();
  const [failed, setFailed] = useState<string>();
  const ask = useCallback(async (signal: AbortSignal, q: string) => {
    const response = await fetch(`/find?${new URLSearchParams({ q }).toString()}`, { signal });
    if (!response.ok) throw new Error(String(response.status));
    setAnswer({ typed: q, found: (await response.json()) as Found });
  }, []);
  useEffect(() => {
    const over = new AbortController();
    const timer = setTimeout(
      () => void ask(over.signal, typed).catch(() => !over.signal.aborted && setFailed(typed)),
      answer === undefined ? 0 : WAIT_MS,
    );
    return () => {
      clearTimeout(timer);
      over.abort(new Error("Something else is searched for."));
    };
  }, [ask, typed]); // eslint-disable-line react-hooks/exhaustive-deps
  const found = (Object.keys(HEADINGS) as (keyof Found)[]).flatMap((kind) => {
    const things = answer?.found[kind] ?? [];
    return things.length > 0 ? [{ heading: HEADINGS[kind], things }] : [];
  });
  return { found, asking: answer?.typed !== typed && failed !== typed };
}
