import { openAccounts, type Accounts } from "~/db/accounts";
import { connect, type Db } from "~/db/client";

export type Services = { db: Db; accounts: Accounts; secret: string; baseUrl: string; databaseUrl: string };

/** Opens the database and accounts from what `./mapset start` put into the environment. */
export function openServices(): Services {
  const databaseUrl = process.env["DATABASE_URL"];
  const secret = process.env["MAPSET_SECRET"];
  const baseUrl = process.env["MAPSET_URL"];
  if (!databaseUrl || !secret || !baseUrl)
    throw new Error("Start Mapset with ./mapset start: DATABASE_URL, MAPSET_SECRET and MAPSET_URL are set there.");
  const { db } = connect(databaseUrl);
  return { db, accounts: openAccounts(db, { secret, baseUrl }), secret, baseUrl, databaseUrl };
}
