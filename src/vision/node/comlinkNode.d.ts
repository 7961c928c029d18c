// Comlink's own types of this file are named for another module system.
declare module "comlink/dist/esm/node-adapter.mjs" {
  export { default } from "comlink/dist/esm/node-adapter";
}
