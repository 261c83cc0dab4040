import { openAccounts, type Accounts } from "~/db/accounts";
import { connect, type Db } from "~/db/client";

export type Services = { db: Db; accounts: Accounts; secret: string; baseUrl: string };

let services: Services | undefined;

/** The database and accounts of this process, opened at first use from what `./mapset start` put into the environment. */
export function getServices(): Services {
  if (services) return services;
  const url = process.env["DATABASE_URL"];
  const secret = process.env["MAPSET_SECRET"];
  const baseUrl = process.env["MAPSET_URL"];
  if (!url || !secret || !baseUrl)
    throw new Error("Start Mapset with ./mapset start: DATABASE_URL, MAPSET_SECRET and MAPSET_URL are set there.");
  const { db } = connect(url);
  services = { db, accounts: openAccounts(db, { secret, baseUrl }), secret, baseUrl };
  return services;
}
