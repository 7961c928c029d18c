// Copies the network's files out of the installed packages to public/runtime/, where the browser
// finds them.
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import { fileURLToPath } from "node:url";

const require = createRequire(import.meta.url);
const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
const wasm = path.join(path.dirname(require.resolve("@litertjs/core")), "../wasm");
const models = path.dirname(require.resolve("@mediapipe/pose/package.json"));
const versions = {
  runtime: JSON.parse(readFileSync(path.join(wasm, "../package.json"), "utf8")).version,
  models: JSON.parse(readFileSync(path.join(models, "package.json"), "utf8")).version,
};
const name = `${versions.runtime}-${versions.models}`;
const out = path.join(root, "public/runtime", name);
const stamp = path.join(root, "src/vision/worker/runtimeVersion.json");
const stampText = `${JSON.stringify({ dir: `/runtime/${name}/` })}\n`;
if (!existsSync(stamp) || readFileSync(stamp, "utf8") !== stampText)
  writeFileSync(stamp, stampText);
if (!existsSync(out)) {
  const part = `${out}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true });
  for (const kind of ["", "compat_", "threaded_"]) {
    const base = `litert_wasm_${kind}internal`;
    for (const ending of [".js", ".wasm"])
      copyFileSync(path.join(wasm, base + ending), path.join(part, base + ending));
    // The worker loads the runtime's loader as a module: the same script with its one name
    // exported.
    writeFileSync(
      path.join(part, `${base}.mjs`),
      `${readFileSync(path.join(wasm, `${base}.js`), "utf8")}\nexport default ModuleFactory;\n`,
    );
  }
  copyFileSync(
    path.join(models, "pose_landmark_full.tflite"),
    path.join(part, "pose_landmark_full.tflite"),
  );
  copyFileSync(
    path.join(models, "pose_solution_packed_assets.data"),
    path.join(part, "pose_detection.tflite"),
  );
  renameSync(part, out);
  console.log(`prepared the network's files in public/runtime/${name}`);
}
// Sample clips that the page offers to those without one of their own.
const samples = path.join(root, "public/samples");
mkdirSync(samples, { recursive: true });
for (const clip of [
  "double-step-bout.mp4",
  "double-step-good.mp4",
  "double-step-left.mp4",
  "double-step-lead-late.mp4",
  ...[1, 2, 3, 4, 5].map((k) => `five-swings-${k}.mp4`),
])
  copyFileSync(path.join(root, "demo/clips", clip), path.join(samples, clip));
// A rep that judging is warmed up with.
copyFileSync(
  path.join(root, "demo/tracks/double-step-good.track"),
  path.join(samples, "rep.track"),
);
