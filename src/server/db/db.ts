import type { PgDatabase, PgQueryResultHKT } from "drizzle-orm/pg-core";
import type * as schema from "./schema";

/** The rows, wherever they are: in the embedded database, or on a PostgreSQL server. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;
