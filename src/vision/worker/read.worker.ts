import { expose } from "comlink";
import { ClipReader } from "./clipReader";
import { onGraphics, onProcessor } from "./loadBrowser";

expose(new ClipReader(() => onProcessor(), onGraphics));
