import { describe, expect, it } from "vitest";
import type { VerdictSummary } from "@/core/judge/verdict";
import type { ReadAgain } from "@/vision/worker/liveProtocol";
import { SecondLooks, type LookingAgain, type OtherAnswer } from "./secondLooks";

const PASS: VerdictSummary = { result: "pass", cue: null, reason: null };
const OPEN: VerdictSummary = {
  result: "not judged",
  cue: null,
  reason: { code: "tooClose", message: "Too close." },
};
const fail = (id: string): VerdictSummary => ({
  result: "fail",
  cue: { id, words: id },
  reason: null,
});

/**
 * Second looks whose reader says of a film, named by its text, what is given; it waits until it is
 * let go.
 */
function looks(said: Record<string, [about: number, told: VerdictSummary][] | null>) {
  const read: string[] = [];
  const done: [id: string, otherwise: OtherAnswer[]][] = [];
  const shown: (LookingAgain | null)[] = [];
  let go: (() => void) | null = null;
  let halted = false;
  const of = new SecondLooks(
    async (film) => {
      const name = await film.text();
      read.push(name);
      halted = false;
      await new Promise<void>((resolve) => (go = resolve));
      const reps = halted ? null : said[name];
      return reps
        ? ({
            track: new Uint8Array(),
            trackSha256: name,
            reps: reps.map(([about, told]) => ({ about, told })),
          } satisfies ReadAgain)
        : null;
    },
    () => {
      halted = true;
      go?.();
    },
    (now) => shown.push(now),
    (id, _, otherwise) => Promise.resolve(void done.push([id, otherwise])),
  );
  const settle = () => new Promise((r) => setTimeout(r, 5));
  return {
    of,
    read,
    done,
    shown,
    add: (id: string, ...reps: [about: number, told: VerdictSummary][]) =>
      of.add({
        id,
        film: new Blob([id]),
        reps: reps.map(([about, told], k) => ({ id: `${id}${k + 1}`, about, told })),
      }),
    settle,
    async finish() {
      await settle();
      go?.();
      await settle();
    },
  };
}

describe("second looks", () => {
  it("read open reps' films first, once a start was given, and tell which answers are other ones", async () => {
    const l = looks({ a: [[4000, fail("x")]], b: [[4100, PASS]] });
    l.add("a", [4000, fail("x")]);
    l.add("b", [4000, OPEN]);
    await l.settle();
    expect(l.read).toEqual([]);
    l.of.start();
    await l.finish();
    await l.finish();
    expect(l.read).toEqual(["b", "a"]);
    expect(l.done).toEqual([
      ["b", [{ id: "b1", told: PASS }]],
      ["a", []],
    ]);
    expect(l.shown.map((s) => s && [s.id, s.left])).toEqual([["b", 2], ["a", 1], null]);
  });

  it("leave a first reading as it is where the film tells less: a rep left open, or not found", async () => {
    const l = looks({
      open: [[4000, OPEN]],
      lost: [[9000, PASS]],
      half: [[2000, fail("y")]],
      no: null,
    });
    l.of.start();
    l.add("open", [4000, PASS]);
    l.add("lost", [4000, PASS]);
    l.add("half", [2000, PASS], [4000, PASS]);
    l.add("no", [4000, OPEN]);
    for (let k = 0; k < 4; k++) await l.finish();
    expect(l.read).toHaveLength(4);
    expect(l.done).toEqual([]);
  });

  it("that are stopped are taken up again, even when that comes before the reader has let go; a bout that is gone by is not", async () => {
    const l = looks({ a: [[4000, PASS]] });
    l.of.start();
    l.add("a", [4000, OPEN]);
    await l.settle();
    l.of.stop();
    l.of.start();
    await l.settle();
    expect(l.read).toEqual(["a", "a"]);
    await l.finish();
    expect(l.done).toHaveLength(1);
    l.add("b", [4000, OPEN]);
    await l.settle();
    l.of.clear();
    l.of.start();
    await l.settle();
    expect([l.read, l.shown.at(-1)]).toEqual([["a", "a", "b"], null]);
  });
});
