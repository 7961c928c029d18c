// After `npm install`: the registry may not offer every platform's optional packages, and npm then
// leaves them out of the lockfile, which `npm ci` refuses. This adds the missing names (they are
// skipped where they do not apply).
import { readFileSync, writeFileSync } from "node:fs";

const file = "package-lock.json";
const lock = JSON.parse(readFileSync(file, "utf8"));
const packages = lock.packages;
const OS = {
  android: "android",
  darwin: "darwin",
  freebsd: "freebsd",
  openbsd: "openbsd",
  netbsd: "netbsd",
  win32: "win32",
  windows: "win32",
  linux: "linux",
  linuxmusl: "linux",
  sunos: "sunos",
  aix: "aix",
  openharmony: "openharmony",
  wasm32: null,
  wasi: null,
  webcontainers: null,
};
const CPUS = [
  "x64",
  "arm64",
  "arm",
  "ia32",
  "ppc64",
  "riscv64",
  "s390x",
  "loong64",
  "mips64el",
  "wasm32",
];

/** The entry that `name` resolves to from package `from`, looking up the folders as Node does. */
function find(from, name) {
  for (let at = from; ;) {
    const key = `${at ? `${at}/` : ""}node_modules/${name}`;
    if (packages[key]) return key;
    if (!at) return null;
    const i = at.lastIndexOf("node_modules/");
    at = i <= 0 ? "" : at.slice(0, i - 1);
  }
}

let added = 0;
for (const [key, value] of Object.entries({ ...packages }))
  for (const [name, range] of Object.entries(value.optionalDependencies ?? {})) {
    if (find(key, name)) continue;
    const parts = name.split("/").pop().split(/[-.]/);
    const os = parts.map((p) => OS[p]).find(Boolean);
    const cpu = parts.find((p) => CPUS.includes(p));
    const version = range.replace(/^[\^~]/, "");
    const clash =
      packages[`node_modules/${name}`] ||
      Object.entries(packages).some(
        ([k, v]) =>
          k !== key && v.optionalDependencies?.[name] && v.optionalDependencies[name] !== range,
      );
    packages[clash ? `${key}/node_modules/${name}` : `node_modules/${name}`] = {
      version,
      ...(cpu ? { cpu: [cpu] } : {}),
      ...(value.dev ? { dev: true } : {}),
      optional: true,
      ...(os ? { os: [os] } : {}),
    };
    added++;
  }
lock.packages = Object.fromEntries(Object.entries(packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
console.log(`completed the lockfile: ${added} names added`);
