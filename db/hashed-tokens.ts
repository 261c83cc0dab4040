import type { BetterAuthOptions } from "better-auth";
import type { DBAdapter, Where } from "better-auth";
import { tokenHash } from "./tokens";

type MakeAdapter = (options: BetterAuthOptions) => DBAdapter<BetterAuthOptions>;
type Row = Record<string, unknown>;

/**
 * Wraps the accounts library's adapter so that session tokens are stored as their hash. The library looks sessions up by
 * token; it is given back the token it asked with, and never sees the hash.
 */
export function hashSessionTokens(make: MakeAdapter): MakeAdapter {
  return (options) => wrap(make(options));
}

function wrap(adapter: DBAdapter<BetterAuthOptions>): DBAdapter<BetterAuthOptions> {
  const wrapped: DBAdapter<BetterAuthOptions> = {
    ...adapter,
    create: async (given) => {
      if (given.model !== "session") return adapter.create(given);
      const token = (given.data as Row)["token"];
      const row = await adapter.create({
        ...given,
        data: { ...given.data, ...(typeof token === "string" && { token: tokenHash(token) }) },
      });
      return withToken(row, token) as never;
    },
    findOne: async (given) => {
      const { where, token } = hashed(given.model, given.where);
      return withToken(await adapter.findOne({ ...given, where }), token);
    },
    findMany: (given) =>
      adapter.findMany({ ...given, ...(given.where && { where: hashed(given.model, given.where).where }) }) as never,
    count: async (given) =>
      adapter.count({ ...given, ...(given.where && { where: hashed(given.model, given.where).where }) }),
    update: async (given) => {
      const { where, token } = hashed(given.model, given.where);
      return withToken(await adapter.update({ ...given, where }), token);
    },
    updateMany: async (given) => adapter.updateMany({ ...given, where: hashed(given.model, given.where).where }),
    delete: async (given) => adapter.delete({ ...given, where: hashed(given.model, given.where).where }),
    deleteMany: async (given) => adapter.deleteMany({ ...given, where: hashed(given.model, given.where).where }),
    transaction: async (work) => adapter.transaction((inner) => work(wrap(inner as DBAdapter<BetterAuthOptions>))),
  };
  return wrapped;
}

function hashed(model: string, where: Where[]): { where: Where[]; token: unknown } {
  if (model !== "session") return { where, token: undefined };
  let token: unknown;
  const changed = where.map((clause) => {
    if (clause.field !== "token") return clause;
    if (typeof clause.value === "string") {
      token = clause.value;
      return { ...clause, value: tokenHash(clause.value) };
    }
    return Array.isArray(clause.value) ? { ...clause, value: clause.value.map((v) => tokenHash(String(v))) } : clause;
  });
  return { where: changed, token };
}

function withToken<T>(row: T, token: unknown): T {
  return row && typeof token === "string" ? { ...row, token } : row;
}
