/** What stands still in the picture: the background and its light. */
export { Background, brightness } from "./background";
