/**
 * Is a film asked about that is not what it is read as? `npm run bench:asked`. Sixty rendered clips,
 * read by the real network: a third under the other hand, a third as a mirror shows them, a third as
 * films of another drill whose stance or steps differ. A verdict without the question ends it with
 * 1. The same clips as what they are show how often the question comes for nothing.
 */
import { analyse, questionOf, type Analysis } from "../../src/core/analysis";
import { findStage } from "../../src/core/drills";
import { foundByArms } from "../../src/core/reps";
import type { Track } from "../../src/core/track/track";
import { mirrored } from "../study/mirrored";
import { truthClips, type Truth, type TruthClip } from "../study/truthClip";
import { report } from "./report";

const EACH = 20;
const ofDrills = truthClips("tools/study/kept/drills");
const ofStudy = truthClips("tools/study/kept/report");

/** Swings and steps of the drills as they are asked for, one of each stage first. */
const TARGETS = ofDrills
  .filter(
    ({ truth: t }) =>
      t.about === "target" &&
      t.view === "face-on" &&
      foundByArms(findStage(t.drill, t.stage).stage.rules),
  )
  .sort((a, b) => Number(/\d$/.test(a.id)) - Number(/\d$/.test(b.id)));
/** Films by the beginning of their name, and the drills that they are read as. */
const OTHERS: readonly [clips: readonly TruthClip[], name: string, as: readonly string[]][] = [
  [ofStudy, "swing-", ["double-step", "early-lead-step", "feet-together"]],
  [ofStudy, "together-", ["heel-on-prop"]],
  [ofDrills, "feet-together-whole-fo-target", ["arch-rod", "heel-on-prop", "double-step"]],
  [ofDrills, "double-step-whole-fo-target", ["bent-knee-driver", "feet-together"]],
  [ofDrills, "early-lead-step-whole-fo-target", ["arch-rod", "hip-burst", "feet-together"]],
];

interface Read {
  name: string;
  analysis: Analysis;
}

function read(
  truth: Truth,
  track: Track,
  { drill, stage }: { drill: string; stage?: string | undefined },
  hand = truth.golfer.hand,
): Analysis {
  return analyse(track, {
    golfer: { statureCm: truth.golfer.stature, hand },
    drill,
    ...(stage ? { stage } : {}),
    view: truth.view,
  });
}

const otherOf = ({ hand }: Truth["golfer"]) => (hand === "left" ? "right" : "left");
const own = TARGETS.slice(0, EACH).map(({ id, truth, track }): Read => ({
  name: id,
  analysis: read(truth, track(), truth),
}));
const GROUPS: Record<string, Read[]> = {
  "other hand": TARGETS.slice(0, EACH).map(({ id, truth, track }) => ({
    name: id,
    analysis: read(truth, track(), truth, otherOf(truth.golfer)),
  })),
  mirrored: TARGETS.slice(-EACH).map(({ id, truth, track }) => ({
    name: id,
    analysis: read(truth, mirrored(track()), truth),
  })),
  "another drill": OTHERS.flatMap(([clips, begins, as]) => {
    const films = clips.filter((c) => c.id.startsWith(begins) && c.truth.view === "face-on");
    return films.flatMap(({ id, truth, track }, i) => {
      const drill = as[i % as.length]!;
      return [{ name: `${id} as ${drill}`, analysis: read(truth, track(), { drill }) }];
    });
  }).slice(0, EACH),
};

const verdicts = ({ reps }: Analysis) =>
  reps.flatMap(({ verdict }) =>
    verdict && verdict.result !== "not judged"
      ? [`${verdict.result} ${verdict.cue?.id ?? ""}`]
      : [],
  );
const figures = Object.entries(GROUPS).map(([group, clips]) => ({
  group,
  clips: clips.length,
  asked: clips.filter((c) => questionOf(c.analysis)).length,
  noRep: clips.filter((c) => !c.analysis.reps.length).map((c) => c.name),
  judgedUnasked: clips.flatMap(({ name, analysis }) =>
    questionOf(analysis) ? [] : verdicts(analysis).map((v) => `${name}: ${v}`.trim()),
  ),
}));
for (const f of figures) {
  console.log(
    `${f.group}: ${f.asked} of ${f.clips} asked about, ${f.noRep.length} without a rep, ` +
      `${f.judgedUnasked.length} verdicts without the question`,
  );
  for (const line of f.judgedUnasked) console.log(`  ${line}`);
}
const needless = own.filter((c) => questionOf(c.analysis)).map((c) => c.name);
console.log(
  `as what they are: ${needless.length} of ${own.length} asked about ${needless.join(", ")}`,
);
report("asked", { groups: figures, askedForNothing: { clips: own.length, which: needless } });
if (figures.some((f) => f.judgedUnasked.length)) process.exitCode = 1;
