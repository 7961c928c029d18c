import * as core from "@litertjs/core";
import { compileNetwork } from "../network/litert";
import type { PoseNetwork } from "../network/poseNetwork";
import runtime from "./runtimeVersion.json";

/** The runtime and the full network in this web worker. @param wanted threads; one where the browser lacks what it takes */
export async function runtimeNetwork(wanted: number): Promise<PoseNetwork> {
  const scope = self as unknown as Record<string, unknown>;
  const dir = new URL(runtime.dir, self.location.origin).href;
  const relaxed = await core.supportsFeature("relaxedSimd");
  const threads = relaxed && self.crossOriginIsolated ? wanted : 1;
  const name = `litert_wasm_${!relaxed ? "compat_" : threads > 1 ? "threaded_" : ""}internal`;
  // The loader wants importScripts, which a bundled worker has spent: its twin is imported as a module beforehand.
  scope.ModuleFactory = ((await import(/* turbopackIgnore: true */ `${dir}${name}.mjs`)) as { default: unknown }).default;
  scope.importScripts = () => {};
  scope.Module = { locateFile: (file: string) => dir + file, mainScriptUrlOrBlob: `${dir}${name}.js` };
  await core.loadLiteRt(dir, threads > 1 ? { threads: true } : {});
  const [detector, landmarks] = await Promise.all(["pose_detection.tflite", "pose_landmark_full.tflite"].map((f) => bytes(dir + f)));
  return await compileNetwork(core, { detector: detector!, landmarks: landmarks! }, threads, "pose-full-0.5.1675469404");
}

async function bytes(url: string): Promise<Uint8Array> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`${url}: ${response.status}`);
  return new Uint8Array(await response.arrayBuffer());
}
