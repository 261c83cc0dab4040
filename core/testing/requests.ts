import { readRequest, type DraftRequest } from "~/core/draft/request";
import { drillById } from "~/library";
import { demandById } from "~/library/demands";
import { schoolById } from "~/library/schools";

export const KNOWN = { demands: demandById, schools: schoolById, drills: drillById };

/** A request that is right: fifteen minutes of rowing before training, and what is said besides. */
export function asked(more: object = {}): DraftRequest {
  const read = readRequest({ target: 900, purpose: "before-training", demand: "rowing", school: "standing-down", ...more }, KNOWN);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

