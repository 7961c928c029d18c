import { createReadStream } from "node:fs";
import { createInterface } from "node:readline";

const AT_A_TIME = 2000;

/** The lines of a file of rows, some at a time. */
export async function* rowLines(file: string): AsyncGenerator<string[]> {
  let some: string[] = [];
  for await (const line of createInterface({
    input: createReadStream(file),
    crlfDelay: Infinity,
  })) {
    if (line) some.push(line);
    if (some.length >= AT_A_TIME) {
      yield some;
      some = [];
    }
  }
  if (some.length) yield some;
}
