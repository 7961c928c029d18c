import { serveNetwork } from "../network";
import { networkInWorker } from "./runtime";

// Its name says what it runs on: the graphics processor, or so many threads.
serveNetwork(() => networkInWorker(self.name === "graphics" ? self.name : Number(self.name) || 1));
