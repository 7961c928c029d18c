import { expose } from "comlink";
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import type { FramesAsked, FramesWorker } from "@/vision/worker/framesProtocol";
import { filmRange } from "./filmRange";
import { Frames, halves, keptPx, MOST_BYTES } from "./frames";

afterEach(() => vi.unstubAllGlobals());

describe("a rep's decoded pictures", () => {
  it("are kept as large as they are painted, and smaller where many of them would not find room", () => {
    expect(keptPx(440, 120)).toBe(440);
    for (const count of [300, 600, 2400]) {
      expect(keptPx(440, count) ** 2 * 4 * count).toBeLessThanOrEqual(MOST_BYTES);
      expect(
        (keptPx(440, count) + 1) ** 2 * 4 * count > MOST_BYTES || keptPx(440, count) === 440,
      ).toBe(true);
    }
  });

  it("are read by two where there are processors for two, each half once, what is looked at first in its own", () => {
    const asked = { fromS: 1, toS: 5, firstS: 4.2, square: { left: 0, top: 0, size: 10 }, px: 440 };
    vi.stubGlobal("navigator", { hardwareConcurrency: 1 });
    expect(halves(asked)).toEqual([asked]);
    vi.stubGlobal("navigator", { hardwareConcurrency: 4 });
    expect(halves(asked).map(({ fromS, toS, firstS }) => [fromS, toS, firstS])).toEqual([
      [1, 3, 1],
      [3, 5, 4.2],
    ]);
    expect(halves({ ...asked, firstS: 1.5 }).map((h) => h.firstS)).toEqual([1.5, 3]);
    expect(halves({ ...asked, firstS: 5 })[1]!.firstS).toBe(5);
  });

  it("reach a little beyond the rep's own part of the film, and not beyond the film", () => {
    const times = Float64Array.from({ length: 100 }, (_, i) => i * 20);
    expect(filmRange(times, { t: [1000, 1200] } as never)).toEqual([30, 80]);
    expect(filmRange(times, { t: [100, 1900] } as never)).toEqual([0, 99]);
  });
});

describe("a decoder that hangs", () => {
  /**
   * Workers of which the first sends so many pictures and then nothing; those after it send all, or
   * nothing either.
   */
  function decoders(sends: number, others: "work" | "hang") {
    const asked: FramesAsked[] = [];
    const all = (fromS: number) => [0, 1, 2, 3, 4].filter((k) => k / 10 >= fromS);
    vi.stubGlobal("navigator", { hardwareConcurrency: 1 });
    vi.stubGlobal("Worker", function stub() {
      const { port1, port2 } = new MessageChannel();
      const nth = asked.length;
      const worker: FramesWorker = {
        read(_film, what, pictures) {
          asked.push(what);
          const times = [what.firstS * 10, ...all(what.fromS)];
          const some = nth === 0 ? times.slice(0, sends) : others === "work" ? times : [];
          for (const k of some) pictures.postMessage({ timeS: k / 10, bitmap: k });
          if (nth === 0 || others === "hang") return new Promise(() => {});
          pictures.postMessage(null);
          return Promise.resolve("done");
        },
      };
      expose(worker, port2);
      return Object.assign(port1, { terminate: () => port2.close() });
    });
    return asked;
  }
  // A picture's number stands for it, and can be closed as a picture can.
  const numbers = Number.prototype as { close?: () => void };
  beforeAll(() => void (numbers.close = () => {}));
  afterAll(() => void delete numbers.close);
  const ASKED = { fromS: 0, toS: 0.4, firstS: 0.3, square: { left: 0, top: 0, size: 9 }, px: 9 };
  /** Lets messages arrive, then the silence pass. */
  const silence = async () => {
    await new Promise((r) => setImmediate(r));
    await new Promise((r) => setImmediate(r));
    vi.advanceTimersByTime(8000);
    await new Promise((r) => setImmediate(r));
  };
  const frames = () => new Frames(Float64Array.of(0, 100, 200, 300, 400), 0.001, 5);

  it("is not one whose last pictures come after its answer: they are waited for", async () => {
    vi.stubGlobal("navigator", { hardwareConcurrency: 1 });
    vi.stubGlobal("Worker", function stub() {
      const { port1, port2 } = new MessageChannel();
      const worker: FramesWorker = {
        read(_film, _asked, pictures) {
          setTimeout(() => {
            for (const k of [3, 0, 1, 2, 3, 4]) pictures.postMessage({ timeS: k / 10, bitmap: k });
            pictures.postMessage(null);
          }, 20);
          return Promise.resolve("done");
        },
      };
      expose(worker, port2);
      return Object.assign(port1, { terminate: () => port2.close() });
    });
    const own = frames();
    await own.read(new Blob(), ASKED);
    expect([0, 1, 2, 3, 4].map((k) => own.get(k))).toEqual([0, 1, 2, 3, 4]);
    await new Promise((r) => setTimeout(r, 40));
    expect(own.state()).toEqual({ share: 1, failed: false });
  });

  it("is followed by one that goes on from the last picture that came in order", async () => {
    vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
    const asked = decoders(3, "work");
    const own = frames();
    const reading = own.read(new Blob(), ASKED);
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    await silence();
    await reading;
    // Looked at first came 0.3, then 0 and 0.1 in order.
    expect(asked.map((a) => a.fromS)).toEqual([0, 0.1]);
    expect(own.state()).toEqual({ share: 1, failed: false });
    expect([0, 1, 2, 3, 4].map((k) => own.get(k))).toEqual([0, 1, 2, 3, 4]);
    vi.useRealTimers();
  });

  it("three times makes a film that can't be shown by its pictures", async () => {
    vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
    const asked = decoders(2, "hang");
    const own = frames();
    const reading = own.read(new Blob(), ASKED);
    for (const n of [1, 2, 3]) {
      await vi.waitFor(() => expect(asked).toHaveLength(n));
      await silence();
    }
    await reading;
    expect(own.state().failed).toBe(true);
    vi.useRealTimers();
  });
});
