import { redirect } from "react-router";
import type { Route } from "./+types/home";
import { currentCoach } from "~/app/server/coach.server";

export async function loader({ request }: Route.LoaderArgs) {
  throw redirect((await currentCoach(request)) ? "/sessions" : "/sign-in");
}
