/** Gives what a source gives, and has it make the next one meanwhile. */
export async function* oneAhead<T>(source: AsyncGenerator<T, void, unknown>): AsyncGenerator<T, void, unknown> {
  const ask = () => {
    const next = source.next();
    // Its failure is met when its turn comes, or by nobody when the taker has stopped before.
    next.catch(() => {});
    return next;
  };
  let next = ask();
  try {
    for (;;) {
      const { done, value } = await next;
      if (done) return;
      next = ask();
      yield value;
    }
  } finally {
    await source.return();
  }
}
