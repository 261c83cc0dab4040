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

/** Before anything is drawn: where no look was chosen for the desk, it is the one of the system, also when that changes. */
export const FOLLOW_SYSTEM = `(function () {
  var dark = matchMedia("(prefers-color-scheme: dark)");
  function follow() {
    var root = document.documentElement;
    if (root.dataset.screen === "desk" && document.cookie.indexOf("${NAMES.desk}=") < 0) root.dataset.theme = dark.matches ? "dark" : "light";
  }
  follow();
  dark.addEventListener("change", follow);
})();`;

/** Changes the look at once and for next time. Returns the new one. */
export function switchTheme(screen: keyof Themes): Theme {
  const root = document.documentElement;
  const next: Theme = root.dataset["theme"] === "dark" ? "light" : "dark";
  root.dataset["theme"] = next;
  document.cookie = `${NAMES[screen]}=${next}; path=/; max-age=31536000; samesite=lax`;
  return next;
}
