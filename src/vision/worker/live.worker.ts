import { expose } from "comlink";
import { LiveFilming } from "./liveWorker";
import { chooseNetwork } from "./loadBrowser";

expose(new LiveFilming(chooseNetwork));
