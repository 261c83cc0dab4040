import { lazy } from "react";

/**
 * Drawing is fetched when someone is about to start, so that the page itself opens fast on a bad connection. Where it
 * does not come, the words carry the session.
 */
export const fetchFigure = () =>
  import("./figure-view").then(
    (m) => ({ default: m.FigureView }),
    () => ({ default: () => null }),
  );

export const Figure = lazy(fetchFigure);
