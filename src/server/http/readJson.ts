import { z } from "zod";
import { UserError } from "../userError";

/**
 * The largest body that a page of the program's own sends is insoles' rows of some minutes, bytes.
 */
const MOST_BYTES = 8e6;

/**
 * The JSON body of a request, checked.
 *
 * @param words what stands before what is wrong with it: "That can't be kept"
 * @throws UserError 415 when it is not sent as JSON, 413 when it is too large, 400 when it is not
 * what was asked for
 */
export async function readJson<T>(
  request: Request,
  shape: z.ZodType<T>,
  words: string,
): Promise<T> {
  if (!/^application\/json\b/.test(request.headers.get("content-type") ?? ""))
    throw new UserError("Send it as application/json.", 415);
  const text = await textOf(request);
  let json: unknown = undefined;
  try {
    json = JSON.parse(text);
  } catch {
    throw new UserError(`${words}: it is no JSON.`);
  }
  const parsed = shape.safeParse(json);
  if (!parsed.success)
    throw new UserError(`${words}: ${z.prettifyError(parsed.error).slice(0, 1000)}`);
  return parsed.data;
}

/** As it comes, and no more than is read. */
async function textOf(request: Request): Promise<string> {
  const tooLarge = () => new UserError(`That is more than ${MOST_BYTES / 1e6} MB.`, 413);
  if (Number(request.headers.get("content-length") ?? 0) > MOST_BYTES) throw tooLarge();
  const reader = request.body?.getReader();
  if (!reader) return "";
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { value, done } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > MOST_BYTES) {
      await reader.cancel().catch(() => undefined);
      throw tooLarge();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString("utf8");
}

/** What stands behind the question mark of an address, checked. @throws UserError */
export function readQuery<T>(request: Request, shape: z.ZodType<T>): T {
  const parsed = shape.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!parsed.success) throw new UserError(z.prettifyError(parsed.error).slice(0, 1000));
  return parsed.data;
}
