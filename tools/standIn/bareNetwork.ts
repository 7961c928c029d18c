import { boxOf } from "../../src/vision/crop/resample";
import { cutoutArea } from "../../src/vision/decode/cutout";
import type { PoseNetwork } from "../../src/vision/network/poseNetwork";
import { LiveFilming } from "../../src/vision/worker/liveWorker";
import type {
  CameraSize,
  FilmFor,
  FromCamera,
  ToCamera,
} from "../../src/vision/worker/liveProtocol";
import { chooseNetwork } from "../../src/vision/worker/loadBrowser";

/** About the golfer's share of the picture's height. */
const SQUARE = 0.64;

/**
 * What the network alone manages while the same camera runs and is copied out of and recorded: it
 * looks at whatever memory holds, again and again.
 */
export class BareNetwork extends LiveFilming {
  calls = 0;

  constructor() {
    super(chooseNetwork);
  }

  override async start(
    _film: FilmFor,
    { width, height }: CameraSize,
    pictures: MessagePort,
  ): Promise<void> {
    const { network } = await this.load();
    const body = { cx: width / 2, cy: height / 2, size: height * SQUARE };
    const area = cutoutArea([boxOf(body)], width, height);
    const want: ToCamera = { type: "want", want: { area, wholeEveryMs: 1000 } };
    pictures.postMessage(want);
    pictures.onmessage = ({ data: { picture } }: MessageEvent<FromCamera>) => {
      const data = picture.part?.frame.data as Uint8Array<ArrayBuffer> | undefined;
      if (data) pictures.postMessage({ type: "back", data } satisfies ToCamera, [data.buffer]);
    };
    for (let k = 0; k < network.atOnce; k++) void this.run(network);
  }

  private async run(network: PoseNetwork): Promise<void> {
    for (;;) {
      network.done(await network.landmarks(network.crop()));
      this.calls++;
    }
  }
}
