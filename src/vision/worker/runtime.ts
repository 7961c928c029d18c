import * as core from "@litertjs/core";
import { compileNetwork, type PoseNetwork } from "../network";
import { NETWORK_FILES, networkFile } from "./networkFiles";
import runtime from "./runtimeVersion.json" with { type: "json" };

/**
 * The runtime and the full network in this web worker.
 *
 * @param wanted processor threads (one where the browser lacks what it takes), or the graphics
 * processor
 * @throws Error when there is no graphics processor, or only one that the processor plays
 */
export async function networkInWorker(wanted: number | "graphics"): Promise<PoseNetwork> {
  if (wanted === "graphics" && !(await hasGraphics())) throw new Error("no graphics processor");
  const scope = self as unknown as Record<string, unknown>;
  const dir = new URL(runtime.dir, self.location.origin).href;
  const relaxed = await core.supportsFeature("relaxedSimd");
  const graphics = wanted === "graphics";
  const threads = !graphics && relaxed && self.crossOriginIsolated ? wanted : 1;
  const name = `litert_wasm_${!relaxed ? "compat_" : threads > 1 ? "threaded_" : ""}internal`;
  // The loader wants importScripts, which a bundled worker has spent: its twin is imported as a
  // module beforehand.
  scope.ModuleFactory = (
    (await import(/* turbopackIgnore: true */ `${dir}${name}.mjs`)) as { default: unknown }
  ).default;
  scope.importScripts = () => {};
  scope.Module = {
    locateFile: (file: string) => dir + file,
    mainScriptUrlOrBlob: `${dir}${name}.js`,
  };
  await core.loadLiteRt(dir, threads > 1 ? { threads: true } : {});
  const [detector, landmarks] = await Promise.all(NETWORK_FILES.map(networkFile));
  return await compileNetwork(
    core,
    { detector: detector!, landmarks: landmarks! },
    graphics ? "graphics" : threads,
    "pose-full-0.5.1675469404",
  );
}

/** What is needed of a graphics processor's interface. */
interface Graphics {
  requestAdapter(): Promise<{
    isFallbackAdapter?: boolean;
    info?: { isFallbackAdapter?: boolean };
  } | null>;
}

async function hasGraphics(): Promise<boolean> {
  const adapter = await (navigator as { gpu?: Graphics }).gpu?.requestAdapter();
  return Boolean(adapter && !adapter.isFallbackAdapter && !adapter.info?.isFallbackAdapter);
}
