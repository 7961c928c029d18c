"use client";

import { proxy, wrap } from "comlink";
import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { Button } from "@/ui/kit/button";
import { useKeptFiles } from "@/ui/kit/keptFiles";
import { fontFile } from "@/ui/kit/fontFile";
import type { Burn, BurnWorker } from "./burn.worker";
import { download } from "./saveStrip";

interface Props {
  /** The film, by its hash. */
  src: string;
  /** What both are called, without an ending. */
  name: string;
  /** The picture that is shown. */
  frame: number;
  burn: Omit<Burn, "film" | "font">;
}

/**
 * Takes the film away as it is shown: one picture, or the stretch as a clip, with what is drawn
 * over it.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function SaveFilm({ src, name, frame, burn }: Props) {
  const files = useKeptFiles();
  const [share, setShare] = useState<number | null>(null);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);

  const save = async (
    ending: "png" | "mp4",
    does: (worker: BurnWorker, whole: Burn) => Promise<Blob | null>,
  ) => {
    const worker = new Worker(new URL("./burn.worker.ts", import.meta.url), { type: "module" });
    let stopped = false;
    stop.current = () => {
      stopped = true;
      worker.terminate();
      setShare(null);
    };
    setShare(0);
    try {
      const film = await files("clips", src);
      const file =
        film &&
        !stopped &&
        (await does(wrap<BurnWorker>(worker), {
          ...burn,
          film,
          font: fontFile("Atkinson Hyperlegible Next Variable"),
        }));
      if (file) download(`${name}.${ending}`, file);
      else if (!stopped)
        toast.error(
          "This browser can't decode the film or write one. The film itself stays as it is.",
        );
    } catch {
      if (!stopped)
        toast.error("The film could not be written. Try a shorter stretch: set a loop first.");
    } finally {
      if (!stopped) stop.current();
    }
  };
  const told = burn.told[frame - burn.range[0]];
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      <Button
        look="quiet"
        disabled={share !== null}
        onClick={() =>
          void save("png", (w, b) =>
            w.still({ ...b, range: [frame, frame], told: told === undefined ? [] : [told] }),
          )
        }
      >
        Save this picture
      </Button>
      <Button
        look="quiet"
        disabled={share !== null}
        onClick={() => void save("mp4", (w, b) => w.clip(b, proxy(setShare)))}
      >
        Save as a clip
      </Button>
      <Dialog.Root open={share !== null} onOpenChange={(open) => !open && stop.current()}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-1/2 left-1/2 z-50 w-[min(92vw,440px)] -translate-1/2 border-[1.5px] border-ink bg-paper p-6"
          >
            <Dialog.Title className="mb-3 text-[23px]">The film is written</Dialog.Title>
            <progress
              aria-label="Pictures written"
              className="block h-2 w-full accent-ink"
              value={share ?? 0}
              max={1}
            />
            <Button className="mt-5" onClick={() => stop.current()}>
              Stop
            </Button>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </div>
  );
}
