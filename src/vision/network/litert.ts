import type * as LiteRt from "@litertjs/core";
import { CROP_SIDE, DETECT_SIDE, type PoseNetwork } from "./poseNetwork";

/** The network's two files, as bytes. */
export interface ModelFiles {
  detector: Uint8Array;
  landmarks: Uint8Array;
}

/**
 * Compiles the models on an already loaded runtime and warms them up (the first runs are several
 * times slower).
 *
 * @param threads of the processor, or the graphics processor
 * @param name model name kept with every track
 */
export async function compileNetwork(
  core: typeof LiteRt,
  files: ModelFiles,
  threads: number | "graphics",
  name: string,
): Promise<PoseNetwork> {
  const graphics = threads === "graphics";
  const options = graphics
    ? { accelerator: "webgpu" as const }
    : { accelerator: "wasm" as const, cpuOptions: { numThreads: threads } };
  const detector = await core.loadAndCompile(files.detector, options);
  const pose = await core.loadAndCompile(files.landmarks, options);
  const run = async (model: LiteRt.CompiledModel, input: Float32Array, side: number) => {
    const plain = new core.Tensor(input, [1, side, side, 3]);
    const tensor = graphics ? await plain.moveTo("webgpu") : plain;
    const outputs = await model.run(tensor);
    const arrays = (
      graphics
        ? await Promise.all(outputs.map((t) => t.data()))
        : outputs.map((t) => t.toTypedArray())
    ) as Float32Array<ArrayBuffer>[];
    tensor.delete();
    for (const t of outputs) t.delete();
    return arrays;
  };
  const network: PoseNetwork = {
    model: name,
    threads: graphics ? 0 : threads,
    atOnce: 1,
    async detect(input) {
      const [boxes, scores] = await run(detector, input, DETECT_SIDE);
      return { boxes: boxes!, scores: scores! };
    },
    crop: () => new Float32Array(CROP_SIDE * CROP_SIDE * 3),
    done() {},
    async landmarks(input) {
      const [points, presence, mask, heat] = await run(pose, input, CROP_SIDE);
      return { points: points!, presence: presence![0]!, mask: mask!, heat: heat! };
    },
  };
  await network.detect(new Float32Array(DETECT_SIDE * DETECT_SIDE * 3));
  await network.landmarks(new Float32Array(CROP_SIDE * CROP_SIDE * 3));
  return network;
}
