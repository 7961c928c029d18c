import { BackupError } from "../backup/backupError";
import { database, type Db } from "../db/open";
import { currentGolfer, type Golfer } from "../golfers/golfers";
import { storeTrouble } from "../storeTrouble";
import { UserError } from "../userError";
import { mustBeFromHere } from "./fromHere";

/** What Next hands a route besides the request. */
interface Context<P> {
  params: Promise<P>;
}

/** Words and a status, as every route answers what it can't do. */
export const refusal = (message: string, status: number): Response =>
  Response.json({ message }, { status });

/**
 * A route of the API: asked only by the program's own pages, and what it can't do is answered in
 * words. Anything else that goes wrong is a bug, and left to the framework.
 */
export function api<P = Record<string, never>>(
  handle: (request: Request, names: P) => Promise<Response> | Response,
): (request: Request, context: Context<P>) => Promise<Response> {
  return async (request, context) => {
    try {
      mustBeFromHere(request.headers, request.method);
      return await handle(request, await context.params);
    } catch (error) {
      if (error instanceof UserError) return refusal(error.message, error.status);
      if (error instanceof BackupError) return refusal(error.message, 409);
      const trouble = storeTrouble(error);
      if (trouble) return refusal(trouble.message, trouble.status);
      throw error;
    }
  };
}

/**
 * The same for what belongs to who practises here. @param nobody what is said where nobody is there
 * yet
 */
export const ownApi = <P = Record<string, never>>(
  handle: (
    at: { request: Request; db: Db; golfer: Golfer },
    names: P,
  ) => Promise<Response> | Response,
  nobody: [string, 404 | 409] = ["Nobody practises here yet.", 404],
) =>
  api<P>(async (request, names) => {
    const db = await database();
    const golfer = await currentGolfer(db);
    if (!golfer) throw new UserError(...nobody);
    return handle({ request, db, golfer }, names);
  });

/** A HEAD of its own: what a GET would be answered with, without doing any of it. */
export const head = <P = Record<string, never>>(type: string) =>
  api<P>(() => new Response(null, { headers: { "content-type": type } }));
