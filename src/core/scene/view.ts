/** From where the camera looks: along D (`face-on`), or along T from behind. */
export type View = "face-on" | "down-the-line";
