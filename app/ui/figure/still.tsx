import { useLook } from "./look";
import type { StillMoment } from "~/core/figure/stills";
import type { LevelName } from "~/core/vocabulary/levels";
import { cx } from "~/app/ui/classes";

type Props = {
  drill: string;
  level?: LevelName;
  at?: StillMoment;
  alt?: string;
  className?: string;
  size?: number;
  /** Fetched at once: for pages that are printed. */ eager?: boolean;
};

export const stillAddress = (drill: string, level: LevelName = "standard", at: StillMoment = "end", look = 0) =>
  `/figure/${drill}/${level}/${at}.svg${look ? `?look=${look}` : ""}`;

/** A still of a drill, drawn on the server and kept by the browser. */
export function Still({ drill, level = "standard", at = "end", alt = "", className, size = 44, eager }: Props) {
  const look = useLook();
  return (
    <img
      src={stillAddress(drill, level, at, look)}
      alt={alt}
      width={size}
      height={size}
      loading={eager ? "eager" : "lazy"}
      decoding="async"
      className={cx("shrink-0 object-contain", className)}
    />
  );
}
