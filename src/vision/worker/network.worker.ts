import { serveNetwork } from "../network";
import { runtimeNetwork } from "./runtime";

// Its name says what it runs on: the graphics processor, or so many threads.
serveNetwork(() => runtimeNetwork(self.name === "graphics" ? self.name : Number(self.name) || 1));
