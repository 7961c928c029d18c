import { handled } from "../decode";
import type { LandmarkOutput, PoseNetwork, Shown } from "./poseNetwork";

/**
 * Looks one after another, in the network's own threads, while whoever asks decodes and cuts the
 * next picture. What the network says is handed on in the order of asking, and given back to it
 * afterwards.
 */
export class LookAhead {
  private readonly under: {
    said: Promise<LandmarkOutput>;
    then: (output: LandmarkOutput) => void;
  }[] = [];

  /** @param waited called with the time that was waited for the network, ms */
  constructor(
    private readonly network: PoseNetwork,
    private readonly waited: (ms: number) => void,
  ) {}

  /** Asks for a look at a crop, which is given away; waits while enough of them are under way. */
  async ask(
    input: Float32Array<ArrayBuffer>,
    of: Shown,
    then: (output: LandmarkOutput) => void,
  ): Promise<void> {
    this.under.push({ said: handled(this.network.landmarks(input, of)), then });
    // One that waits behind each that is looked at is enough for the network never to rest while
    // there are pictures.
    while (this.under.length >= 2 * this.network.atOnce) await this.next();
  }

  /** Waits for all that was asked. */
  async end(): Promise<void> {
    while (this.under.length) await this.next();
  }

  private async next(): Promise<void> {
    const { said, then } = this.under.shift()!;
    const began = performance.now();
    const output = await said;
    this.waited(performance.now() - began);
    then(output);
    this.network.done(output);
  }
}
