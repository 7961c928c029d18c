/**
 * The rows of a raw statement: PGlite and PostgreSQL both answer with them, and Drizzle's common
 * type leaves them out.
 */
export const rowsOf = <T>(result: unknown): T[] => (result as { rows: T[] }).rows;
