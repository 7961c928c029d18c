/**
 * What the site may refuse in: its own sentences, and the framework's answers to what is no request
 * of a page.
 */
const OWN: readonly RegExp[] = [
  /^There is nothing at this address\.$/,
  /^Another page asked for this\. Only the program’s own pages may\.$/,
  /^Nobody practises here yet\.$/,
  /^Send it as application\/json\.$/,
  /^That is more than [\d.]+ (MB|GB)\./,
  /^The request is not complete: /,
  /^That can't be (put in|kept): /,
  /^There is no such (file|drill|movement|week|job)\.$/,
  /^This film was damaged on the disk\./,
  /^A file is named by 64 hexadecimal digits\.$/,
  /^There was nothing in the request\.$/,
  /^The file did not arrive whole\. Send it again\.$/,
  /^the \d+ bytes that arrived are not the file that was announced\. Send it again\.$/,
  /^This rep is not there any more\./,
  /^✖ /,
  /^Pages are only read\.$/,
  /^There is no such action\. Load the page again\.$/,
  /^The form did not arrive whole\. Send it again\.$/,
  /^Say where the piece belongs\.$/,
  /^A piece before this one is missing\.$/,
  /^The piece did not arrive whole\. Send it again\.$/,
  /^Nothing has arrived\.$/,
  /^It is being read already\.$/,
  /^The track has not arrived\. Send it again\.$/,
  /clock (said|says|is) /,
  /^The golfer whom this was filmed for is not here any more\.$/,
  /^That bout is (another golfer’s|of another drill)\. Begin a new one\.$/,
  /^There is a character in it that can't be kept\. Take it out, then send it again\.$/,
  /is no id of a (drill|stage)|there is no (drill|stage)/i,
];

/**
 * A page that is not there, an action of another build, a method that a route does not have, and
 * what is no request at all.
 */
const FRAMEWORK = new Set([400, 404, 405, 409, 413, 431]);

export function isListedRefusal({
  status,
  body,
  type,
}: {
  status: number;
  body: string;
  type: string;
}): boolean {
  if (type.includes("json")) {
    let message: unknown;
    try {
      ({ message } = JSON.parse(body) as { message: unknown });
    } catch {
      return false;
    }
    return typeof message === "string" && OWN.some((pattern) => pattern.test(message));
  }
  return FRAMEWORK.has(status);
}
