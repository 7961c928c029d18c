// Compiles the inner loops of cutting and of template matching (AssemblyScript) to WebAssembly,
// kept in the repository as text: `npm run kernel`.
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import asc from "assemblyscript/asc";

const root = fileURLToPath(new URL("..", import.meta.url));
const folder = "src/vision/kernel/";

/** The compiled module. @throws with the compiler's words when it can't be */
export async function compileKernel() {
  let binary = null;
  const { error, stderr } = await asc.main(
    [
      `${folder}assembly/index.ts`,
      "--outFile",
      "kernel.wasm",
      "-O3",
      "--runtime",
      "stub",
      "--enable",
      "simd",
      "--noAssert",
      "--baseDir",
      root,
    ],
    { writeFile: (name, contents) => (binary = name.endsWith(".wasm") ? contents : binary) },
  );
  if (error || !binary) throw new Error(`${error?.message}\n${stderr}`);
  return binary;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const text = Buffer.from(await compileKernel()).toString("base64");
  writeFileSync(
    `${root}${folder}binary.ts`,
    `// Made by \`npm run kernel\` from assembly/.\nexport const KERNEL =\n${text
      .match(/.{1,96}/g)
      .map((line) => `  "${line}"`)
      .join(" +\n")};\n`,
  );
}
