import { z } from "zod";

/** For so many months reports are kept where nothing is said. */
export const KEPT_MONTHS = 24;
export const FEWEST_MONTHS = 1;
export const MOST_MONTHS = 120;

/** For how many months a club keeps reports: whole months. */
export const keepMonthsSchema = z.coerce.number().int().min(FEWEST_MONTHS).max(MOST_MONTHS);
