import QRCode from "qrcode";
import type { Route } from "./+types/code";
import { idOf, notHere, requireCoachForData } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { tokenOfLink } from "~/db/links";

/** The QR code of a coach's own link, to point a phone at. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoachForData(request);
  const { db, secret, baseUrl } = getServices();
  const token = await tokenOfLink(db, coach.club, idOf(params.link), secret);
  if (!token) throw notHere("There is no such link among yours.");
  const svg = await QRCode.toString(`${baseUrl}/f/${token}`, { type: "svg", margin: 1, errorCorrectionLevel: "M" });
  // What a link opens never changes, so the coach's own browser may keep its picture.
  return new Response(svg, {
    headers: { "content-type": "image/svg+xml; charset=utf-8", "cache-control": "private, max-age=86400" },
  });
}
