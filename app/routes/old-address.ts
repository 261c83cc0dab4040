import { redirect } from "react-router";
import { addressNow } from "~/app/old-addresses";

/** Leads on from an address of an earlier version. */
export function loader({ request }: { request: Request }) {
  throw redirect(addressNow(new URL(request.url)), 301);
}
