import { openWith } from "./opened";
import { arcChangesSchema, type ArcChanges } from "~/core/arc/own";
import { sportProfileSchema, type SportProfile } from "~/core/sport-profiles/schema";
import { keptRequestSchema, type KeptRequest } from "~/core/draft/request";

/* Kept documents that have had one version so far, which says nothing of itself. What came later in them may only be left out. */

export const openProfile = (raw: unknown) => openWith<SportProfile>(sportProfileSchema, raw);
export const openRequest = (raw: unknown) => openWith<KeptRequest>(keptRequestSchema, raw);
export const openArc = (raw: unknown) => openWith<ArcChanges>(arcChangesSchema, raw);
