export type Theme = "light" | "dark";
export type Themes = { desk?: Theme; player?: Theme };

const NAMES = { desk: "mapset-desk-look", player: "mapset-player-look" } as const;

/** The looks a person has chosen, from their cookies. */
export function readTheme(cookies: string | null): Themes {
  const read = (name: string): Theme | undefined => {
    const value = new RegExp(`(?:^|; )${name}=(light|dark)`).exec(cookies ?? "")?.[1];
    return value === "light" || value === "dark" ? value : undefined;
  };
  return { desk: read(NAMES.desk), player: read(NAMES.player) };
}

/** Before anything is drawn: where no look was chosen for the desk, it is the one of the system. */
export const FOLLOW_SYSTEM = `if (document.documentElement.dataset.screen === "desk" && document.cookie.indexOf("${NAMES.desk}=") < 0)
  document.documentElement.dataset.theme = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";`;

/** The same from then on: on coming here from the player, and when the system changes. Returns what ends it. */
export function followSystem(): () => void {
  const dark = window.matchMedia("(prefers-color-scheme: dark)");
  const follow = () => {
    if (readTheme(document.cookie).desk === undefined)
      document.documentElement.dataset["theme"] = dark.matches ? "dark" : "light";
  };
  follow();
  dark.addEventListener("change", follow);
  return () => dark.removeEventListener("change", follow);
}

/** Changes the look at once and for next time. Returns the new one. */
export function switchTheme(screen: keyof Themes): Theme {
  const root = document.documentElement;
  const next: Theme = root.dataset["theme"] === "dark" ? "light" : "dark";
  root.dataset["theme"] = next;
  document.cookie = `${NAMES[screen]}=${next}; path=/; max-age=31536000; samesite=lax`;
  return next;
}
