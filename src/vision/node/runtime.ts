import { copyFileSync, mkdtempSync, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import os from "node:os";
import path from "node:path";
import vm from "node:vm";
import { compileNetwork, type PoseNetwork } from "../network";

const require = createRequire(import.meta.url);

/** The runtime and the full network, from the installed packages, in this thread: once only. */
export async function networkOnThread(threads: number): Promise<PoseNetwork> {
  const core = await loadRuntime(threads);
  const models = path.dirname(require.resolve("@mediapipe/pose/package.json"));
  return compileNetwork(
    core,
    {
      detector: new Uint8Array(readFileSync(path.join(models, "pose_solution_packed_assets.data"))),
      landmarks: new Uint8Array(readFileSync(path.join(models, "pose_landmark_full.tflite"))),
    },
    threads,
    "pose-full-0.5.1675469404",
  );
}

async function loadRuntime(threads: number) {
  const core = await import("@litertjs/core");
  const wasm = path.join(path.dirname(require.resolve("@litertjs/core")), "../wasm/");
  const g = globalThis as Record<string, unknown>;
  g.self = globalThis;
  g.navigator ??= { hardwareConcurrency: os.cpus().length };
  // The runtime's loader expects a worker's importScripts; here it is a plain script run with
  // require at hand.
  g.importScripts = (file: string) => {
    let script = file;
    if (threads > 1) {
      // Its threads load the script again, as CommonJS only if it is named so.
      script = path.join(mkdtempSync(path.join(os.tmpdir(), "kingfisher-runtime-")), "loader.cjs");
      copyFileSync(file, script);
      g.Module = {
        mainScriptUrlOrBlob: script,
        locateFile: (name: string) => path.join(wasm, name),
      };
    }
    const wrapped = vm.runInThisContext(
      `(function(require,__filename,__dirname){${readFileSync(file, "utf8")}\n;return ModuleFactory})`,
      { filename: file },
    ) as (r: NodeJS.Require, f: string, d: string) => unknown;
    g.ModuleFactory = wrapped(require, script, path.dirname(file));
  };
  await core.loadLiteRt(wasm, threads > 1 ? { threads: true } : {});
  return core;
}
