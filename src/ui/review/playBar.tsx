import { PARTS, type OverlayPart } from "@/ui/picture/overlay";
import { Button } from "@/ui/kit/button";
import type { usePlayback } from "./usePlayback";

/** What moves the film. */
export function PlayBar({
  play,
  slow,
  setSlow,
  feet,
  setFeet,
  loopHere,
  help,
}: {
  play: ReturnType<typeof usePlayback>;
  slow: boolean;
  setSlow: (on: boolean) => void;
  feet: boolean;
  setFeet: (on: boolean) => void;
  loopHere: () => void;
  help: () => void;
}) {
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      <Button
        look="main"
        onClick={play.toggle}
        aria-label={play.playing ? "Pause" : "Play"}
        className="w-13"
      >
        <svg viewBox="0 0 20 20" width={20} height={20} fill="currentColor" aria-hidden>
          {play.playing ? (
            <path d="M4 2h4v16H4zM12 2h4v16h-4z" />
          ) : (
            <path d="M4 1.5 18 10 4 18.5Z" />
          )}
        </svg>
      </Button>
      <Button onClick={() => play.step(-1)} aria-label="One picture back">
        −1
      </Button>
      <Button onClick={() => play.step(1)} aria-label="One picture on">
        +1
      </Button>
      <Button onClick={() => setSlow(!slow)} aria-pressed={slow}>
        {slow ? "¼ speed" : "Full speed"}
      </Button>
      <Button onClick={loopHere} aria-pressed={play.loop !== null}>
        {play.loop ? "Loop on" : "Loop"}
      </Button>
      <Button onClick={() => setFeet(!feet)} aria-pressed={feet}>
        {feet ? "All of you" : "Feet"}
      </Button>
      <Button look="quiet" onClick={help}>
        Keys
      </Button>
    </div>
  );
}

const PART_WORDS: Record<OverlayPart, string> = {
  joints: "Joints",
  feet: "Feet on the ground",
  weight: "Balance and weight",
  insoles: "Load by your insoles",
  ways: "Way of hips and head",
  start: "How you stood",
  limits: "Hips’ limit",
};
/**
 * What is drawn over the film.
 *
 * @param able which of what can't always be drawn can be
 */
export function PartChoice({
  parts,
  setParts,
  able,
}: {
  parts: ReadonlySet<OverlayPart>;
  setParts: (parts: ReadonlySet<OverlayPart>) => void;
  able: Partial<Record<OverlayPart, boolean>>;
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap gap-x-4">
      <legend className="sr-only">Drawn over the film</legend>
      {PARTS.filter((p) => able[p] ?? true).map((p) => (
        <label key={p} className="inline-flex min-h-11 items-center gap-2 text-[15px]">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={parts.has(p)}
            onChange={(e) =>
              setParts(
                new Set(e.target.checked ? [...parts, p] : [...parts].filter((q) => q !== p)),
              )
            }
          />
          {PART_WORDS[p]}
        </label>
      ))}
    </fieldset>
  );
}
