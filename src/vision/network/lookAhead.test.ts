import { describe, expect, it } from "vitest";
import { LookAhead } from "./lookAhead";
import type { LandmarkOutput, PoseNetwork } from "./poseNetwork";

/**
 * A network of two that answers when it is told to; what an answer says is the crop's first number.
 */
function slowNetwork() {
  const open: (() => void)[] = [];
  const given: number[] = [];
  let most = 0;
  const network: PoseNetwork = {
    model: "test",
    threads: 2,
    atOnce: 2,
    crop: () => new Float32Array(1),
    detect: () => Promise.reject(new Error("not asked")),
    done: (o) => void given.push(o.presence),
    landmarks: (crop) => {
      const answer = new Promise<LandmarkOutput>((resolve, reject) =>
        open.push(() =>
          crop[0] === 13
            ? reject(new Error("broken"))
            : resolve({ presence: crop[0]!, points: crop, mask: crop, heat: crop }),
        ),
      );
      most = Math.max(most, open.length);
      return answer;
    },
  };
  return {
    network,
    given,
    answer: (k: number) => open.splice(k, 1)[0]!(),
    most: () => most,
    waiting: () => open.length,
  };
}

/** What a crop shows, which this network does not ask. */
const NOTHING = { t: 0, square: { cx: 0, cy: 0, size: 0 } };

describe("looking ahead", () => {
  it("asks for as many as keep the network busy, and hands on what it says in the order of asking, whatever comes first", async () => {
    const { network, given, answer, most, waiting } = slowNetwork();
    const ahead = new LookAhead(network, () => {});
    const said: number[] = [];
    const all = (async () => {
      for (let k = 0; k < 9; k++)
        await ahead.ask(Float32Array.of(k), NOTHING, (o) => said.push(o.presence));
      await ahead.end();
    })();
    while (said.length < 9) {
      await new Promise((r) => setTimeout(r));
      if (waiting()) answer(waiting() - 1);
    }
    await all;
    expect(said).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(given).toEqual(said);
    expect(most()).toBe(4);
  });

  it("says what broke when its turn comes", async () => {
    const { network, answer } = slowNetwork();
    const ahead = new LookAhead(network, () => {});
    await ahead.ask(Float32Array.of(13), NOTHING, () => {});
    answer(0);
    await expect(ahead.end()).rejects.toThrow("broken");
  });
});
