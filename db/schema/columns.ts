import { timestamp } from "drizzle-orm/pg-core";
import { nowDate } from "~/core/clock/clock";

export const moment = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
/** This moment by Mapset's clock; by the database's for what is written past it. */
export const now = (name: string) => moment(name).notNull().defaultNow().$defaultFn(nowDate);
export const made = () => now("created_at");
export const changed = () => now("updated_at");
