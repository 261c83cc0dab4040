import { redirect } from "react-router";
import type { Route } from "./+types/sign-out";
import { getServices } from "~/app/server/services.server";

export async function action({ request }: Route.ActionArgs) {
  const answer = await getServices().accounts.api.signOut({ headers: request.headers, asResponse: true });
  const headers = new Headers();
  for (const cookie of answer.headers.getSetCookie()) headers.append("set-cookie", cookie);
  throw redirect("/sign-in", { headers });
}

export function loader() {
  throw redirect("/");
}
