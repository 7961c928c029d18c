import { proxy, transfer, wrap, type Remote } from "comlink";
import type { LoopEvent } from "@/core/live";
import type { CameraWorker, LiveListener, LiveWorker } from "@/vision/worker/liveProtocol";
import type { Came } from "@/vision/worker/networkFiles";
import { openCamera, type CameraChoice, type RunningCamera } from "./camera";
import type { FilmRequest } from "./filmingState";
import { watchRoll } from "./roll";

/** Where a camera's picture is shown: a real one's in a video, a stand-in's in a canvas. */
export interface Preview {
  video: HTMLVideoElement | null;
  canvas: HTMLCanvasElement | null;
}

interface Started {
  choice: CameraChoice;
  hears: boolean;
  preview: Preview;
  /** Reps of the bout that were counted before. */
  already: number;
  /** Called with what it waits for, in words. */
  loading: (what: string) => void;
  listener: LiveListener;
  /** The camera is gone. */
  lost: (why: string) => void;
}

/** What is still being cut out of the recording has so long after a stop, ms. */
const CUTTING_MS = 3000;

/** The camera and the workers that take, look at and record its pictures. */
export class Rig {
  private live: { worker: Worker; remote: Remote<LiveWorker> } | null = null;
  private camera: {
    worker: Worker;
    remote: Remote<CameraWorker>;
    running: RunningCamera;
    records: boolean;
  } | null = null;
  private endRoll: () => void = () => {};

  constructor(private readonly request: FilmRequest) {}

  /** The worker that looks at pictures; started when it is first asked for. */
  get remote(): Remote<LiveWorker> {
    if (!this.live) {
      const worker = new Worker(new URL("../../vision/worker/live.worker.ts", import.meta.url), {
        type: "module",
        name: "live",
      });
      this.live = { worker, remote: wrap<LiveWorker>(worker) };
    }
    return this.live.remote;
  }

  /** Loads the network before a camera is started. */
  async warm(came: (came: Came) => void): Promise<void> {
    await this.remote.warm(proxy(came));
  }

  /** Whether the running camera is a film that stands in. */
  get isStandIn(): boolean {
    return this.camera?.running.stream === null;
  }

  /** Cuts film out of what is recorded; null where nothing is. */
  get clip(): CameraWorker["clip"] | null {
    const { camera } = this;
    return camera?.records ? (from, to) => camera.remote.clip(from, to) : null;
  }

  /**
   * Opens the camera and has its pictures looked at.
   *
   * @throws CameraError when there is no camera to be had
   */
  async start({
    choice,
    hears,
    preview,
    already,
    loading,
    listener,
    lost,
  }: Started): Promise<RunningCamera> {
    if (choice !== "stand-in")
      this.endRoll = await watchRoll((deg) => void this.live?.remote.rolled(deg));
    const { remote } = this;
    const running = await openCamera(choice, hears, this.request.films, preview.canvas);
    if (preview.video && running.stream) {
      preview.video.srcObject = running.stream;
      await preview.video.play().catch(() => {});
    }
    loading("The network loads");
    await remote.warm();
    const worker = new Worker(new URL("../../vision/worker/camera.worker.ts", import.meta.url), {
      type: "module",
      name: "camera",
    });
    const camera = { worker, remote: wrap<CameraWorker>(worker), running, records: false };
    this.camera = camera;
    const { port1, port2 } = new MessageChannel();
    const { drill, stage, statureCm, hand, reps, reach } = this.request;
    await remote.start(
      { drill: drill.own ?? drill.id, stage, statureCm, hand, reach, reps, already },
      running.size,
      transfer(port1, [port1]),
      proxy(listener),
    );
    const { frames } = running;
    ({ records: camera.records } = await camera.remote.start(
      transfer(frames, [frames as Transferable]),
      running.size,
      transfer(port2, [port2]),
      proxy(lost),
    ));
    if (running.sound) await remote.hear(transfer(running.sound, [running.sound]));
    running.begin?.();
    running.interrupted?.((on) =>
      this.tell({ type: "obstacle", obstacle: on ? "camera lost" : null }),
    );
    return running;
  }

  /** Whether a worker is the one that looks now: one that was stopped goes on for a moment. */
  isLive(remote: Remote<LiveWorker>): boolean {
    return this.live?.remote === remote;
  }

  tell(event: LoopEvent): void {
    void this.live?.remote.tell(event);
  }

  stopReading(): void {
    void this.live?.remote.stopReading();
  }

  async readAgain(film: Blob, share: (share: number) => void): ReturnType<LiveWorker["readAgain"]> {
    return (await this.live?.remote.readAgain(film, proxy(share))) ?? null;
  }

  /** Whether the preview is to be seen. */
  shows(on: boolean): void {
    this.camera?.running.shows?.(on);
  }

  /** Ends the camera, and the workers a moment later. @param ended called then */
  stop(ended: () => void): void {
    this.endRoll();
    this.camera?.running.stop();
    void this.camera?.remote.stop();
    const workers = [this.camera?.worker, this.live?.worker];
    setTimeout(() => {
      workers.forEach((w) => w?.terminate());
      ended();
    }, CUTTING_MS);
    this.camera = null;
    this.live = null;
  }
}
