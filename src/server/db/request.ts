import { connection } from "next/server";
import { database, type Db } from "./open";

/**
 * The database for a page: only once there is a request, so that building never opens (or makes) a
 * store.
 */
export async function requestDatabase(): Promise<Db> {
  await connection();
  return database();
}
