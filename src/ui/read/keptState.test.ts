import { afterEach, describe, expect, it, vi } from "vitest";
import { keptState } from "./keptState";

const FILE = new File(["film"], "swing.mp4");
const READ = {
  clipSha256: "c".repeat(64),
  track: { bytes: Uint8Array.of(1, 2), sha256: "d".repeat(64) },
};
const FOR = {
  golfer: { id: "wren", hand: "left" as const, statureCm: 181 },
  drill: "double-step",
  version: 3,
  stage: "steps",
  keepFilm: true,
  answer: {},
};

/** What the computer is asked, in order; it answers the last question with `answer`. */
function computer(answer: () => Response) {
  const asked: { method: string; url: string; body: unknown }[] = [];
  vi.stubGlobal("fetch", async (url: string, init: RequestInit) => {
    const body = typeof init.body === "string" ? (JSON.parse(init.body) as unknown) : init.body;
    asked.push({ method: init.method!, url, body });
    return url === "/api/reps" ? answer() : new Response(null, { status: 201 });
  });
  return asked;
}
const reps = (over: object = {}) =>
  Response.json({
    ids: ["r1"],
    problems: [],
    reps: [{ verdict: null, series: {}, events: {} }],
    ...over,
  });

afterEach(() => vi.unstubAllGlobals());

describe("a clip that was read", () => {
  it("goes out before its reps, for the golfer and the drill that it was begun for", async () => {
    const asked = computer(reps);
    expect(await keptState(FILE, READ, FOR)).toMatchObject({ step: "done", repId: "r1" });
    expect(asked.map((a) => `${a.method} ${a.url.slice(0, 12)}`)).toEqual(
      ["PUT /api/clips/c", "PUT /api/tracks/", "POST /api/reps"].map(
        (s) => s.split(" ")[0] + " " + s.split(" ")[1]!.slice(0, 12),
      ),
    );
    expect(asked[2]!.body).toEqual({
      golfer: FOR.golfer,
      clip: { sha256: READ.clipSha256, name: "swing.mp4", bytes: 4 },
      trackSha256: READ.track.sha256,
      drill: "double-step",
      drillVersion: 3,
      stage: "steps",
    });
  });

  it("keeps no film that is not to be kept", async () => {
    const asked = computer(reps);
    await keptState(FILE, READ, { ...FOR, keepFilm: false });
    expect(asked.some((a) => a.url.startsWith("/api/clips"))).toBe(false);
  });

  it("asks what the computer asks, and says the answer: how it was filmed, or of whom", async () => {
    const question = { code: "otherHand", message: "This swing goes the other way." };
    computer(() => reps({ ids: [], question }));
    const answered = { captureFps: 240 };
    expect(await keptState(FILE, READ, { ...FOR, answer: answered })).toEqual({
      step: "asks",
      question,
      answered,
      ...READ,
    });
    const asked = computer(reps);
    await keptState(FILE, READ, { ...FOR, answer: { ...answered, otherHand: true } });
    expect(asked.at(-1).body).toMatchObject({ captureFps: 240, golfer: { hand: "right" } });
    await keptState(FILE, READ, { ...FOR, answer: { sure: true } });
    expect(asked.at(-1).body).toMatchObject({ sure: true, golfer: { hand: "left" } });
  });

  it("without a rep says what is wrong with it", async () => {
    const problems = [
      { code: "noMotion", message: "No rep is seen in this clip.", action: "", touches: "nothing" },
    ];
    computer(() => reps({ ids: [], reps: [], problems }));
    expect(await keptState(FILE, READ, FOR)).toEqual({ step: "nothing", problems });
  });

  it("that is refused says it in the computer's words, else that it does not answer", async () => {
    computer(() => Response.json({ message: "Sorrel Finch practises here now." }, { status: 409 }));
    expect(await keptState(FILE, READ, FOR)).toMatchObject({
      step: "failed",
      message: "Sorrel Finch practises here now.",
      again: true,
    });
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
    expect(await keptState(FILE, READ, FOR)).toMatchObject({
      step: "failed",
      message: "The program on this computer does not answer.",
      again: true,
    });
  });
});
