import "fake-indexeddb/auto";
import { randomUUID } from "node:crypto";
import { describe, expect, it } from "vitest";
import type { RangeSnapshot } from "@/server/range/snapshot";
import type { Outgoing } from "@/ui/film/outbox";
import { countedHere } from "./countedHere";
import { boutsHere } from "./keptReps";
import { rangeAddress } from "./rangeAddress";
import { RangeStore } from "./rangeStore";
import { bytesToSend, mb, repsIn } from "./queueWords";

const row = (about: number, more: Partial<Outgoing> = {}): Outgoing => ({
  id: `row ${about}`,
  golfer: { id: "inka", hand: "right", statureCm: 170 },
  boutId: "bout",
  drill: "double-step",
  stage: "whole-fo",
  at: new Date(2026, 10, 24, 18, 0, about / 1000).toISOString(),
  reps: [
    {
      id: `rep ${about}`,
      about,
      told: { result: "pass", cue: null, reason: null },
      withdrawn: false,
    },
  ],
  track: { bytes: new Uint8Array(1_000_000), sha256: "a", from: 0 },
  film: { file: new Blob([new Uint8Array(4_000_000)]), sha256: "b" },
  filming: false,
  keepFilm: true,
  sentAt: null,
  ...more,
});
const snapshot = {
  shape: 1,
  golfer: { id: "inka" },
  own: [],
  today: "2026-11-24",
  done: [{ id: "morning", drillId: "big-toe-brace", done: 2, results: ["pass", "fail"] }],
} as unknown as RangeSnapshot;

describe("what is on a phone", () => {
  it("has a place for each of the program's pages that it can show, and none for the others", () => {
    expect(rangeAddress("/drills/double-step?stage=club-fo")).toBe(
      "/range?see=drill&drill=double-step&stage=club-fo",
    );
    expect(rangeAddress("/film?drill=a&stage=b")).toBe("/range?see=film&drill=a&stage=b");
    expect(rangeAddress("/compare?reps=x%2Cy")).toBe("/range?see=compare&reps=x%2Cy");
    expect(["/", "/reps?drill=a"].map(rangeAddress)).toEqual(["/range", "/range"]);
    expect(["/profile", "/read?drill=a", "/drills/a/ready"].map(rangeAddress)).toEqual([
      null,
      null,
      null,
    ]);
  });

  it("is told by bout, the latest first, without other golfers' and what was taken back", () => {
    const later = row(9000, { boutId: "later" });
    const other = row(3000, { golfer: { id: "ola", hand: "left", statureCm: 180 }, boutId: "o" });
    const none = row(4000, { boutId: "none" });
    none.reps[0]!.withdrawn = true;
    const bouts = boutsHere([row(1000), row(2000), other, none, later], snapshot);
    expect(bouts.map((b) => [b.id, b.rows.length, b.drill?.name])).toEqual([
      ["later", 1, "Double step"],
      ["bout", 2, "Double step"],
    ]);
    const gone = boutsHere([row(1000, { drill: "own-gone" })], snapshot);
    expect(gone.map((b) => [b.drillId, b.drill])).toEqual([["own-gone", null]]);
  });

  it("counts for its day once, whether the computer knows it already or not, as a closer look told it", () => {
    const looked = row(1000);
    looked.reps[0]!.again = { result: "fail", cue: null, reason: null };
    const bouts = boutsHere([looked, row(2000)], snapshot);
    const here = { id: "bout", drillId: "double-step", done: 2, results: ["fail", "pass"] };
    expect(countedHere(snapshot, bouts, "2026-11-24")).toEqual([...snapshot.done, here]);
    const known = { ...snapshot, done: [{ ...here, done: 1, results: ["fail" as const] }] };
    expect(countedHere(known as RangeSnapshot, bouts, "2026-11-24")).toEqual([here]);
    // Another day's are not.
    expect(countedHere(snapshot, bouts, "2026-11-25")).toEqual([]);
  });

  it("is as large as what is sent of it", () => {
    const rows = [row(1000), row(2000, { keepFilm: false }), row(3000, { film: null })];
    expect([repsIn(rows), mb(bytesToSend(rows))]).toEqual(["3 reps", "7 MB"]);
    expect([repsIn(rows.slice(0, 1)), mb(2.34e9), mb(10)]).toEqual(["One rep", "2.3 GB", "1 MB"]);
  });

  it("keeps what it took along, a note for each bout, and waits where an older program took it", async () => {
    const name = randomUUID();
    const store = new RangeStore(name);
    expect(await store.taken()).toBeNull();
    await store.take(snapshot);
    const note = { boutId: "bout", golferId: "inka", note: "Soft ground.", sent: false };
    await store.keepNote(note);
    await store.keepNote({ ...note, sent: true });
    const again = new RangeStore(name);
    expect([await again.taken(), await again.notes()]).toEqual([
      snapshot,
      [{ ...note, sent: true }],
    ]);
    await again.take({ ...snapshot, shape: 0 } as unknown as RangeSnapshot);
    expect(await again.taken()).toBeNull();
  });
});
