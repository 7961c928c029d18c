import type { Motion } from "../motion";
import type { Overrides } from "../reps";
import { perturbed, type CopiesPart, sample, zeroErrorSpell, type Sampled } from "../uncertainty";
import type { FoundRep } from "./readReps";
import { overriddenRep } from "./override";
import type { ClipReading } from "./findReps";
import type { AnalysisRequest } from "./options";

/** Perturbed copies behind each uncertainty. */
export const SAMPLES = 64;

/**
 * The perturbed copies behind a rep's uncertainties, kept for as long as an analysis is open: a
 * correction reads the same copies again.
 */
export class Copies {
  private readonly asFound = new Map<string, Motion[]>();
  /** Of reps that a correction cut out anew, the latest only: a split is moved many times. */
  private readonly cutAnew = new Map<string, Motion[]>();

  constructor(
    private readonly clip: ClipReading,
    private readonly asked: AnalysisRequest,
  ) {}

  /**
   * Some of a rep's copies, made when they are first asked for.
   *
   * @param part numbers of the copies: from, before
   */
  private of(index: number, { split, events }: Overrides, part: CopiesPart): Iterable<Motion> {
    const address = events?.address;
    // Cut out anew, or standing still at another time, the rep is perturbed in other frames.
    const anew = split !== undefined || address !== undefined;
    const kept = anew ? this.cutAnew : this.asFound;
    const key = JSON.stringify([index, part, split, address]);
    const known = kept.get(key);
    if (known) return known;
    const cut = anew
      ? overriddenRep(
          this.clip.reps[index]!,
          {
            ...(split ? { split } : {}),
            ...(address === undefined ? {} : { events: { address } }),
          },
          this.clip.whole,
          this.asked,
        )
      : null;
    const copies = [...this.make(cut ?? this.clip.reps[index]!, index, part)];
    this.cutAnew.clear();
    kept.set(key, copies);
    return copies;
  }

  private make({ motion, rep }: FoundRep, index: number, part: CopiesPart): Iterable<Motion> {
    const seed = (this.asked.options.seed ?? 1) + index;
    return perturbed(motion, this.clip.scene, zeroErrorSpell(rep), part, seed);
  }

  /** A rep as found, read from copies that are not kept. */
  sampleOnce(index: number): Sampled {
    const found = this.clip.reps[index]!;
    const count = this.asked.options.samples ?? SAMPLES;
    return sampled(this.make(found, index, [0, count]), count, found);
  }

  /** A corrected rep, read from some of its copies. @param part all of them unless it is given */
  sample(
    found: FoundRep,
    index: number,
    overrides: Overrides,
    part: CopiesPart = [0, this.asked.options.samples ?? SAMPLES],
  ): Sampled {
    return sampled(this.of(index, overrides, part), part[1] - part[0], found);
  }
}

const sampled = (
  copies: Iterable<Motion>,
  count: number,
  { rep, window, context }: FoundRep,
): Sampled => sample(copies, count, rep, window, context);
