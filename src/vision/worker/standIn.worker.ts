import { expose } from "comlink";
import { StandInCamera } from "./standInCamera";

expose(new StandInCamera());
