import { handled } from "./handled";

/** Gives what a source gives, and has it make the next one meanwhile. */
export async function* oneAhead<T>(
  source: AsyncGenerator<T, void, unknown>,
): AsyncGenerator<T, void, unknown> {
  let next = handled(source.next());
  try {
    for (;;) {
      const { done, value } = await next;
      if (done) return;
      next = handled(source.next());
      yield value;
    }
  } finally {
    await source.return();
  }
}
