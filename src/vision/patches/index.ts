/** Small windows of a picture followed from frame to frame: shoes, hands. */
export { footPaths, risePath } from "./footPaths";
export { handsPath } from "./handsPath";
export { lumaWindow, type LumaWindow } from "./lumaWindow";
export { match, template, type Template } from "./template";
