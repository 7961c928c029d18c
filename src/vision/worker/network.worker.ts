import { serveNetwork } from "../network/thread";
import { runtimeNetwork } from "./runtime";

// Its name says on how many threads it runs.
serveNetwork(() => runtimeNetwork(Number(self.name) || 1));
