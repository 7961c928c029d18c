/** The outline that the network's mask gives, and the edges of the feet in it. */
export { footEdges, maskRows, type MaskRows } from "./footEdges";
export { readOutline } from "./outline";
