import "fake-indexeddb/auto";
import { createHash, randomUUID } from "node:crypto";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { NotKeptError } from "@/ui/read/keep";
import { knownOf, Outbox, type Outgoing } from "./outbox";

/**
 * How a request ends: answered; refused, with nothing done; done, but its answer is lost on the
 * way.
 */
type Ending = "answered" | "refused" | "answer lost";

/** A computer as the phone sees it: reps of a clip in a bout replace those that were there. */
class Computer {
  /** Whom reps came for. */
  golfers: object[] = [];
  readonly blobs = new Set<string>();
  readonly reps = new Map<string, number[]>();
  /** Middles of the reps in the order in which their clips first came. */
  readonly came: number[] = [];
  endings: Ending[] = [];

  fetch = async (
    url: string,
    { method, body }: { method: string; body?: string | Blob },
  ): Promise<Response> => {
    const ending = this.endings.shift() ?? "answered";
    if (ending === "refused")
      return Response.json({ message: "The disk is full. Free some space." }, { status: 507 });
    const { pathname, searchParams } = new URL(url, "http://computer");
    if (method === "PUT") this.blobs.add(pathname.split("/").at(-1));
    if (method === "DELETE")
      this.reps.delete(`${searchParams.get("bout")} ${searchParams.get("clip")}`);
    if (method === "POST") {
      const { golfer, clip, trackSha256, live } = JSON.parse(body as string) as {
        golfer: object;
        clip: { sha256: string };
        trackSha256: string;
        live: { boutId: string; told: { about: number }[] };
      };
      this.golfers.push(golfer);
      if (!this.blobs.has(trackSha256))
        return Response.json({ message: "The track has not arrived." }, { status: 409 });
      const key = `${live.boutId} ${clip.sha256}`;
      const told = live.told.map((t) => t.about);
      if (!this.reps.has(key)) this.came.push(...told);
      this.reps.set(key, told);
    }
    if (ending === "answer lost") throw new TypeError("Failed to fetch");
    return method === "POST"
      ? Response.json({ ids: [], problems: [], reps: [] }, { status: 201 })
      : new Response(null, { status: method === "PUT" ? 201 : 204 });
  };

  has = (): number[] => [...this.reps.values()].flat().sort((a, b) => a - b);
}

const sha = (text: string) => createHash("sha256").update(text).digest("hex");
const bytesOf = (text: string) => ({ bytes: new TextEncoder().encode(text), sha256: sha(text) });
const MINUTE = 60_000;
const start = Date.now() - 30 * MINUTE;

const WREN = { id: "wren", hand: "right", statureCm: 170 } as const;
const row = (about: number, over: Partial<Outgoing> = {}): Outgoing => ({
  id: `row ${about}`,
  golfer: WREN,
  boutId: "bout",
  drill: "double-step",
  stage: "full",
  at: new Date(start + about).toISOString(),
  reps: [
    {
      id: `rep ${about}`,
      about,
      told: { result: "pass", cue: null, reason: null },
      withdrawn: false,
    },
  ],
  track: { ...bytesOf(`track ${about}`), from: 0 },
  film: null,
  filming: true,
  keepFilm: true,
  sentAt: null,
  ...over,
});
const film = (about: number) => ({
  film: { file: new Blob([`film ${about}`]), sha256: sha(`film ${about}`) },
  filming: false,
});

let computer: Computer;
beforeEach(() => {
  computer = new Computer();
  vi.stubGlobal("fetch", computer.fetch);
  let last: Promise<unknown> = Promise.resolve();
  vi.stubGlobal("navigator", {
    locks: {
      request: (_: string, work: () => Promise<void>) => (last = last.catch(() => {}).then(work)),
    },
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe("reps on their way home", () => {
  it("reach the computer once each, whatever becomes of the page, the line and the golfer's mind", async () => {
    const which = fc.nat(7);
    const step = fc.oneof(
      { weight: 4, arbitrary: fc.record({ do: fc.constant("film" as const), rep: which }) },
      { weight: 4, arbitrary: fc.record({ do: fc.constant("put" as const), rep: which }) },
      {
        weight: 1,
        arbitrary: fc.record({
          do: fc.constantFrom("append" as const, "withdraw" as const, "readAgain" as const),
          rep: which,
        }),
      },
      {
        weight: 3,
        arbitrary: fc.record({
          do: fc.constant("send" as const),
          endings: fc.array(
            fc.constantFrom<Ending>("answered", "answered", "refused", "answer lost"),
            { maxLength: 6 },
          ),
          rep: which,
        }),
      },
      { weight: 1, arbitrary: fc.record({ do: fc.constant("reload" as const), rep: which }) },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 40 }), async (steps) => {
        const name = randomUUID();
        Object.assign(computer, new Computer());
        vi.stubGlobal("fetch", computer.fetch);
        let box = new Outbox(name);
        const counts = new Map<number, boolean>();
        const at = (k: number) => 1000 * (k + 1);
        let made = 0;
        for (const s of steps) {
          const about = at(s.rep);
          if (s.do === "put" && !counts.has(about)) {
            counts.set(about, true);
            expect(await box.put(row(about))).toBe(true);
          }
          if (s.do === "film") await box.change(`row ${about}`, film(about));
          if (s.do === "append" && counts.has(about) && !counts.has(about + 500)) {
            counts.set(about + 500, true);
            await box.append(
              `row ${about}`,
              { ...row(about + 500).reps[0]! },
              { ...bytesOf(`track ${about} and on`), from: 0 },
            );
            await box.change(`row ${about}`, { sentAt: null });
          }
          if (s.do === "withdraw") {
            await box.withdraw(`rep ${about}`);
            if (counts.has(about)) counts.set(about, false);
          }
          if (s.do === "readAgain")
            await box.readAgain(`row ${about}`, bytesOf(`track ${about}, look ${made++}`), []);
          if (s.do === "send") {
            computer.endings = [...s.endings];
            await box
              .send(() => false)
              .catch((e: unknown) =>
                expect(e instanceof NotKeptError || e instanceof TypeError).toBe(true),
              );
          }
          if (s.do === "reload") box = new Outbox(name);
          // The computer never has what is not there, nor anything twice.
          expect(new Set(computer.has()).size).toBe(computer.has().length);
        }
        // The line holds, and the page that films is gone.
        computer.endings = [];
        box = new Outbox(name);
        for (let i = 0; i < 2; i++) await box.send(() => true);
        expect(computer.has()).toEqual(
          [...counts]
            .filter(([, counting]) => counting)
            .map(([about]) => about)
            .sort((a, b) => a - b),
        );
        expect(await box.waiting()).toBe(0);
      }),
      { numRuns: 120, seed: 21 },
    );
  });

  it("go out in the order in which they were done, none before its film, and say what the computer says", async () => {
    const box = new Outbox(randomUUID());
    for (const about of [3000, 1000, 2000]) await box.put(row(about));
    await box.change("row 1000", film(1000));
    await box.change("row 3000", film(3000));
    await box.send(() => false);
    expect(computer.has()).toEqual([1000]);
    await box.change("row 2000", film(2000));
    computer.endings = ["refused"];
    await expect(box.send(() => false)).rejects.toThrow("The disk is full. Free some space.");
    expect(await box.waiting()).toBe(2);
    await box.send(() => false);
    expect([computer.came, await box.waiting()]).toEqual([[1000, 2000, 3000], 0]);
    expect([1000, 2000, 3000].every((about) => computer.blobs.has(sha(`film ${about}`)))).toBe(
      true,
    );
    // A later page counts on from what was sent, and from nothing else.
    expect((await box.ofBout("bout")).map((o) => [o.id, o.film])).toEqual([
      ["row 1000", null],
      ["row 2000", null],
      ["row 3000", null],
    ]);
    expect(await box.ofBout("another")).toEqual([]);
  });

  it("keep their film here when the golfer wants it, and let it go afterwards", async () => {
    const box = new Outbox(randomUUID());
    await box.put(row(1000));
    await box.change("row 1000", { ...film(1000), keepHere: true });
    await box.send(() => true);
    const here = async () => (await box.all())[0]!;
    expect([(await here()).film?.sha256, (await here()).sentAt !== null]).toEqual([
      sha("film 1000"),
      true,
    ]);
    // Its film is not sent once more with a closer look.
    computer.blobs.delete(sha("film 1000"));
    const told = { result: "fail", cue: null, reason: null } as const;
    await box.readAgain("row 1000", bytesOf("closer"), [{ id: "rep 1000", told }]);
    await box.send(() => true);
    expect(computer.blobs.has(sha("film 1000"))).toBe(false);
    expect((await here()).reps.map(knownOf)).toEqual([told]);
    await box.change("row 1000", { keepHere: false });
    await box.send(() => true);
    expect((await here()).film).toBeNull();
  });

  it("leave their film behind where none is kept, and stand under their track", async () => {
    const box = new Outbox(randomUUID());
    await box.put(row(1000, { keepFilm: false, ...film(1000) }));
    await box.send(() => false);
    expect([...computer.blobs]).toEqual([sha("track 1000")]);
    expect(computer.has()).toEqual([1000]);
  });

  it("stay in the page's memory where the browser has no room, are sent from there, and go into storage again when there is", async () => {
    const box = new Outbox(randomUUID());
    const put = IDBObjectStore.prototype.put;
    const full = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    expect(await box.put(row(1000))).toBe(false);
    expect([await box.waiting(), (await box.ofBout("bout")).length]).toEqual([1, 1]);
    await box.change("row 1000", film(1000));
    await box.send(() => false);
    expect(computer.has()).toEqual([1000]);
    full.mockImplementation(put);
    expect(await box.put(row(2000, film(2000)))).toBe(true);
    await box.send(() => false);
    expect(computer.has()).toEqual([1000, 2000]);
  });

  it("say whom they were filmed for; those of an earlier version of the program wait for a page that knows", async () => {
    const box = new Outbox("whose");
    const { golfer: _, ...unsaid } = row(1000, film(1000));
    await box.put(unsaid);
    await box.put(row(2000, film(2000)));
    await box.send(() => false);
    expect([computer.has(), computer.golfers, await box.waiting()]).toEqual([[2000], [WREN], 1]);
    await box.send(() => false, { ...WREN, id: "sorrel" });
    expect([computer.has(), computer.golfers.at(-1), await box.waiting()]).toEqual([
      [1000, 2000],
      { ...WREN, id: "sorrel" },
      0,
    ]);
  });

  it("are forgotten a day after they were sent, and never before", async () => {
    const box = new Outbox(randomUUID());
    const old = new Date(Date.now() - 25 * 60 * MINUTE).toISOString();
    await box.put(row(1000, { at: old, ...film(1000) }));
    await box.put(row(2000, film(2000)));
    computer.endings = ["refused"];
    await box.send(() => false).catch(() => {});
    expect(await box.waiting()).toBe(2);
    await box.send(() => false);
    await box.send(() => false);
    expect((await box.ofBout("bout")).map((o) => o.id)).toEqual(["row 2000"]);
  });
});
