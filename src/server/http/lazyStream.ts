/** A client that asks for nothing more for this long has gone, whatever its connection says, ms. */
const GONE_MS = 120_000;

/**
 * A stream that begins when somebody reads it, and ends when they stop: an answer that nobody wants
 * costs nothing.
 *
 * @param begin opens what is sent; its signal says that nobody wants it any more
 */
export function lazyStream(
  begin: (gone: AbortSignal) => ReadableStream<Uint8Array> | Promise<ReadableStream<Uint8Array>>,
  goneMs = GONE_MS,
): ReadableStream<Uint8Array> {
  const gone = new AbortController();
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;
  const end = async (why: unknown) => {
    if (timer) clearTimeout(timer);
    gone.abort(why);
    await reader?.cancel(why).catch(() => undefined);
  };
  return new ReadableStream<Uint8Array>(
    {
      async pull(out) {
        if (timer) clearTimeout(timer);
        try {
          if (!reader) {
            reader = (await begin(gone.signal)).getReader();
            // They went while it was made ready.
            if (gone.signal.aborted) return await reader.cancel(gone.signal.reason);
          }
          const { value, done } = await reader.read();
          if (done) return out.close();
          out.enqueue(value);
        } catch (error) {
          gone.abort(error);
          return out.error(error);
        }
        timer = setTimeout(
          () =>
            void end(new Error("nobody reads it")).then(() =>
              out.error(new Error("nobody reads it")),
            ),
          goneMs,
        );
        timer.unref();
      },
      cancel: end,
    },
    { highWaterMark: 0 },
  );
}
