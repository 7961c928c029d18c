import { parentPort, workerData } from "node:worker_threads";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { serveNetwork } from "../network";
import { networkOnThread } from "./runtime";

serveNetwork(
  () => networkOnThread((workerData as { threads: number }).threads),
  nodeEndpoint(parentPort!),
);
