// Runs TypeScript from its sources, bundled first: that takes 0.2 to 0.3 s, loading some 400 files
// one by one took four.
import { createHash } from "node:crypto";
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import path from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { build } from "esbuild";

const root = fileURLToPath(new URL("..", import.meta.url));
const cache = path.join(root, "node_modules/.cache/kingfisher");
/** Bundles of earlier sources go after this, ms. */
const OLD_MS = 86_400_000;

/** Each file goes on being where it is, for what it finds beside itself. */
const ownPlace = {
  name: "own place",
  /** @param {import("esbuild").PluginBuild} b */
  setup: (b) => {
    // Next says in no manifest of its own where these are.
    b.onResolve({ filter: /^next\/\w+$/ }, (args) => ({ path: `${args.path}.js`, external: true }));
    b.onLoad({ filter: /\.m?tsx?$|\.mjs$/ }, (args) => {
      const text = readFileSync(args.path, "utf8");
      if (!text.includes("import.meta")) return null;
      const meta = {
        url: pathToFileURL(args.path).href,
        dirname: path.dirname(args.path),
        filename: args.path,
      };
      return {
        contents: text.replace(/\bimport\.meta\.(url|dirname|filename)\b/g, (_, name) =>
          JSON.stringify(meta[/** @type {keyof typeof meta} */ (name)]),
        ),
        loader: args.path.endsWith(".mjs") ? "js" : args.path.endsWith("x") ? "tsx" : "ts",
      };
    });
  },
};

/**
 * Imports a TypeScript module with all of its own that it imports; packages stay as they are
 * installed.
 *
 * @param {string | URL} file
 * @returns {Promise<any>} what it exports
 */
export async function importBundled(file) {
  const { outputFiles } = await build({
    entryPoints: [file instanceof URL ? fileURLToPath(file) : file],
    bundle: true,
    write: false,
    // Where its sources are is told from here.
    outfile: path.join(cache, "bundle.mjs"),
    format: "esm",
    platform: "node",
    target: "node20",
    packages: "external",
    keepNames: true,
    sourcemap: "inline",
    logLevel: "error",
    tsconfig: path.join(root, "tsconfig.json"),
    plugins: [ownPlace],
  });
  const [{ contents }] = outputFiles;
  const name = createHash("sha256").update(contents).digest("hex").slice(0, 24);
  const to = path.join(cache, `${name}.mjs`);
  if (!existsSync(to)) {
    mkdirSync(cache, { recursive: true });
    // Others may be writing the same one.
    const mine = `${to}.${process.pid}`;
    writeFileSync(mine, contents);
    renameSync(mine, to);
    for (const file of readdirSync(cache).map((f) => path.join(cache, f)))
      if (Date.now() - (statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0) > OLD_MS)
        rmSync(file, { force: true });
  }
  // What goes wrong is reported by its line in the sources.
  process.setSourceMapsEnabled(true);
  return import(pathToFileURL(to).href);
}
