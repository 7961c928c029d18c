/** Why a clip can't be read, in words for the golfer: what is wrong, and what to do. */
export type ClipErrorCode =
  | "empty"
  | "notVideo"
  | "truncated"
  | "damaged"
  | "noPicture"
  | "codec"
  | "size"
  | "tooBig"
  | "tooLong"
  | "tooShort"
  | "noPerson"
  | "cancelled"
  | "network"
  | "stalled"
  | "memory"
  | "reading";

/** All that is said of clips that can't be read, by code. */
export const CLIP_WORDS: Record<ClipErrorCode, { message: string; action: string }> = {
  empty: {
    message: "The file is empty.",
    action: "Copy it from the phone again. Nothing is lost on the phone.",
  },
  notVideo: { message: "This file is not a video.", action: "Choose an MP4, MOV or WebM clip." },
  truncated: {
    message: "The file ends too early.",
    action: "Copy it again. Nothing is lost on the phone.",
  },
  damaged: {
    message: "The file's list of pictures is damaged.",
    action: "Copy it from the phone again. Nothing is lost on the phone.",
  },
  noPicture: {
    message: "There is sound here, but no picture.",
    action: "Choose the clip that was filmed, not a sound recording.",
  },
  codec: {
    message: "This clip can't be decoded here.",
    action:
      "Set the phone's camera to 'most compatible' (H.264) and film again, or make an H.264 file of it: ffmpeg -i CLIP -c:v libx264 NEW.mp4",
  },
  size: {
    message: "No phone films a picture of this size.",
    action: "Choose the clip as the phone filmed it.",
  },
  tooBig: {
    message: "The clip is larger than 2 GB.",
    action: "Trim it on the phone to the reps, then read it again.",
  },
  tooLong: {
    message: "The clip is longer than 12 hours.",
    action: "Trim it on the phone to the reps, then read it again.",
  },
  tooShort: {
    message: "The clip is shorter than a second.",
    action: "Film from before you stand still until after the finish.",
  },
  noPerson: {
    message: "No golfer can be seen in this clip.",
    action: "Film the whole body, head to shoes, at least a third of the picture high.",
  },
  cancelled: { message: "Reading was stopped.", action: "Read it again when you like." },
  network: {
    message: "The body-reading network could not be loaded.",
    action: "Start the program again with npm run demo; it prepares the network's files.",
  },
  stalled: {
    message: "Reading came to a stop.",
    action: "Copy the clip from the phone again; if it stops there again, the file is damaged.",
  },
  memory: {
    message: "Reading takes more memory than there is.",
    action: "Film with 1080p, or trim the clip to the reps, then read it again.",
  },
  reading: { message: "Reading broke off.", action: "Try again. The clip itself is untouched." },
};

/** An error with a code, a sentence, and what to do about it; the cause is kept. */
export class ClipError extends Error {
  readonly action: string;
  constructor(
    readonly code: ClipErrorCode,
    detail?: string,
    cause?: unknown,
  ) {
    super(
      detail ? `${CLIP_WORDS[code].message.slice(0, -1)}: ${detail}.` : CLIP_WORDS[code].message,
      { cause },
    );
    this.name = "ClipError";
    this.action = CLIP_WORDS[code].action;
  }
}
