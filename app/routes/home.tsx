import { redirect } from "react-router";
import type { Route } from "./+types/home";
import { currentAccount } from "~/app/server/coach.server";

export async function loader({ request }: Route.LoaderArgs) {
  throw redirect((await currentAccount(request)) ? "/today" : "/sign-in");
}
