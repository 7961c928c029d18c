import { expect, it } from "vitest";
import { oneAhead } from "./oneAhead";

it("has the next one made meanwhile, no more than that, and ends its source with the taker", async () => {
  let made = 0;
  let ended = false;
  async function* source() {
    try {
      for (;;) yield ++made;
    } finally {
      ended = true;
    }
  }
  for await (const v of oneAhead(source())) {
    await new Promise((r) => setTimeout(r));
    expect(made).toBe(v + 1);
    if (v === 3) break;
  }
  expect(ended).toBe(true);
});

it("meets a failure where it happened, after what came before it", async () => {
  async function* source() {
    yield 1;
    throw new Error("torn");
  }
  const taken: number[] = [];
  await expect(
    (async () => {
      for await (const v of oneAhead(source())) taken.push(v);
    })(),
  ).rejects.toThrow("torn");
  expect(taken).toEqual([1]);
});
