import { transfer, wrap, type Remote } from "comlink";
import { ASKED } from "@/core/film";
import { AS_IT_IS, hear } from "./microphone";
import { videoFrames } from "./videoFrames";
import type { CameraSize, StandIn } from "@/vision/worker/liveProtocol";

/** Which camera films: the one beside the screen, the one on the back, or the stand-in. */
export type CameraChoice = "screen side" | "back" | "stand-in";

/** A camera that runs. */
export interface RunningCamera {
  size: CameraSize;
  /** What hands its frames to the worker that takes them. */
  frames: ReadableStream<VideoFrame> | MessagePort;
  /** Its microphone's sound, block by block, where it is listened to. */
  sound: MessagePort | null;
  /** A real camera's picture for the preview; the stand-in draws its own. */
  stream: MediaStream | null;
  /** Starts a stand-in's film: a real camera runs from the moment that it is opened. */
  begin?(): void;
  /** Whether what it draws itself is to be seen. */
  shows?(on: boolean): void;
  /**
   * Tells when something else takes a real camera for a while, as a call does, and when it gives it
   * back.
   */
  interrupted?(told: (on: boolean) => void): void;
  stop(): void;
}

/** Why a camera can't be had, in words and with what to do. */
export class CameraError extends Error {
  override name = "CameraError";
  constructor(
    message: string,
    readonly action: string,
  ) {
    super(message);
  }
}

/**
 * Opens a camera.
 *
 * @param hears listens too
 * @param films that stand in for a camera
 * @param preview where a stand-in draws what it shows
 * @throws CameraError
 */
export function openCamera(
  choice: CameraChoice,
  hears: boolean,
  films: readonly string[],
  preview: HTMLCanvasElement | null,
): Promise<RunningCamera> {
  return choice === "stand-in" ? openStandIn(hears, films, preview) : openReal(choice, hears);
}

async function openStandIn(
  hears: boolean,
  films: readonly string[],
  preview: HTMLCanvasElement | null,
): Promise<RunningCamera> {
  const worker = new Worker(new URL("../../vision/worker/standIn.worker.ts", import.meta.url), {
    type: "module",
    name: "stand-in camera",
  });
  const remote: Remote<StandIn> = wrap<StandIn>(worker);
  const { port1, port2 } = new MessageChannel();
  const sound = hears ? new MessageChannel() : null;
  const drawn = preview?.transferControlToOffscreen() ?? null;
  try {
    const size = await remote.open(
      films.map((f) => new URL(f, window.location.href).href),
      transfer(port1, [port1]),
      drawn && transfer(drawn, [drawn]),
      sound && transfer(sound.port1, [sound.port1]),
    );
    return {
      size,
      frames: port2,
      sound: sound?.port2 ?? null,
      stream: null,
      begin: () => void remote.play(),
      shows: (on) => void remote.shows(on),
      stop: () => worker.terminate(),
    };
  } catch {
    worker.terminate();
    throw new CameraError("The film that stands in for a camera did not come.", "Try again.");
  }
}

/** Chromium's way from a camera's track to its frames. */
interface TrackProcessor {
  new (init: { track: MediaStreamTrack; maxBufferSize?: number }): {
    readable: ReadableStream<VideoFrame>;
  };
}

async function openReal(choice: CameraChoice, hears: boolean): Promise<RunningCamera> {
  if (!navigator.mediaDevices?.getUserMedia)
    throw new CameraError(
      "This page may not use a camera.",
      "Open it by https, or on the computer itself.",
    );
  const video = {
    facingMode: choice === "back" ? "environment" : "user",
    width: { ideal: ASKED.long },
    height: { ideal: ASKED.short },
    frameRate: { ideal: ASKED.fps },
  };
  const open = (audio: MediaTrackConstraints | false) =>
    navigator.mediaDevices.getUserMedia({ video, audio });
  // Without the microphone it still films.
  const stream = await (hears ? open(AS_IT_IS).catch(() => open(false)) : open(false)).catch(
    (error: unknown) => {
      throw refused(error);
    },
  );
  const [track] = stream.getVideoTracks();
  const { width = ASKED.long, height = ASKED.short, frameRate = 30 } = track!.getSettings();
  const Processor = (globalThis as { MediaStreamTrackProcessor?: TrackProcessor })
    .MediaStreamTrackProcessor;
  const hearing = await hear(stream);
  const stop = () => {
    hearing?.end();
    stream.getTracks().forEach((t) => t.stop());
  };
  const running = {
    size: { width, height, fps: frameRate },
    stream,
    sound: hearing?.port ?? null,
    interrupted: (told: (on: boolean) => void) => {
      track!.addEventListener("mute", () => told(true));
      track!.addEventListener("unmute", () => told(false));
    },
  };
  if (Processor)
    return {
      ...running,
      stop,
      frames: new Processor({ track: track!, maxBufferSize: 8 }).readable,
    };
  if (
    typeof VideoFrame === "undefined" ||
    !("requestVideoFrameCallback" in HTMLVideoElement.prototype)
  ) {
    stop();
    throw new CameraError(
      "This browser does not hand out a camera’s single pictures.",
      "Bring it up to date, or film with the phone’s own camera and read the clips.",
    );
  }
  const { port, end } = await videoFrames(stream);
  return {
    ...running,
    frames: port,
    stop: () => {
      end();
      stop();
    },
  };
}

function refused(error: unknown): CameraError {
  const name = error instanceof DOMException ? error.name : "";
  if (name === "NotAllowedError")
    return new CameraError(
      "The camera was refused.",
      "Allow it in the browser’s settings for this page, then try again.",
    );
  if (name === "NotFoundError" || name === "OverconstrainedError")
    return new CameraError(
      "There is no camera here.",
      "Open this page on the phone, or try it without a camera.",
    );
  if (name === "NotReadableError" || name === "AbortError")
    return new CameraError("Another program uses the camera.", "Close it there, then try again.");
  return new CameraError("The camera did not start.", "Try again.");
}
