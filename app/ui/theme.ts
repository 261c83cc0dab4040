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

/** Changes the look at once and for next time. Returns the new one. */
export function switchTheme(screen: keyof Themes): Theme {
  const root = document.documentElement;
  const next: Theme = root.dataset["theme"] === "dark" ? "light" : "dark";
  root.dataset["theme"] = next;
  document.cookie = `${NAMES[screen]}=${next}; path=/; max-age=31536000; samesite=lax`;
  return next;
}
