import { matchRoutes, type RouteObject, type ServerBuild } from "react-router";

/** Names the address of a request by its pattern, like “f/:token/check-in”; “none” for what is not an address of ours. */
export function routeNames(routes: ServerBuild["routes"]): (path: string) => string {
  const under = (parent: string | undefined): RouteObject[] =>
    Object.values(routes)
      .filter((route) => route !== undefined && (route.parentId ?? undefined) === parent)
      .map((route) => {
        const { id, path, index } = route!;
        return index
          ? { id, ...(path !== undefined && { path }), index: true }
          : { id, ...(path !== undefined && { path }), children: under(id) };
      });
  const tree = under(undefined);
  return (path) => {
    // Dozens of them go with one page.
    if (path.startsWith("/assets/")) return "assets";
    const matches = matchRoutes(tree, path.replace(/\.data$/, "")) ?? [];
    return (
      matches
        .map(({ route }) => route.path)
        .filter(Boolean)
        .join("/") || (path === "/" ? "home" : "none")
    );
  };
}
