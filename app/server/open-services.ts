import { openAccounts, type Accounts } from "~/db/accounts";
import { connect, type Db } from "~/db/client";
import { WorkPool } from "./work/pool";

export type Services = {
  db: Db;
  accounts: Accounts;
  secret: string;
  baseUrl: string;
  databaseUrl: string;
  /** What works out what takes long; only a server has it. */
  work: WorkPool | undefined;
};

/** Opens the database and accounts from what `./mapset start` put into the environment; `worker` is the file of the threads beside this one. */
export function openServices(worker?: string): Services {
  const databaseUrl = process.env["DATABASE_URL"];
  const secret = process.env["MAPSET_SECRET"];
  const baseUrl = process.env["MAPSET_URL"];
  if (!databaseUrl || !secret || !baseUrl)
    throw new Error("Start Mapset with ./mapset start: DATABASE_URL, MAPSET_SECRET and MAPSET_URL are set there.");
  const { db } = connect(databaseUrl);
  const work = worker ? new WorkPool(worker) : undefined;
  return { db, accounts: openAccounts(db, { secret, baseUrl }), secret, baseUrl, databaseUrl, work };
}
