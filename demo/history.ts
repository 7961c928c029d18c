import { body } from "../src/core/figure/anthropometry";
import { doubleStep } from "../src/core/figure/scripts/doubleStep";
import type { MovementScript } from "../src/core/figure/script";
import { swing } from "../src/core/figure/scripts/swing";
import { DRILLS } from "../src/core/drills";
import { simulate } from "../src/core/figure/simulate";
import { truths } from "../src/core/figure/truth/truth";
import { writeTrack } from "../src/core/formats/trackFile";
import { seeded, type Seeded } from "../src/core/maths/seeded";
import type { Flight } from "../src/core/practice/flight";
import { laterDay } from "../src/core/practice/plan/week";
import { filmed } from "../tools/study/simulatedRep";

/** The golfers as they are filmed. */
const PEOPLE = {
  inka: { body: () => body(170, "female", 0.95), hand: "right", distance: 405 },
  tobin: { body: () => body(178, "male", 1), hand: "right", distance: 380 },
  marek: { body: () => body(184, "male", 1.08), hand: "left", distance: 430 },
} as const;

/** A bout of the made-up past: what was done, and what was written beside it. */
export interface PastBout {
  golfer: keyof typeof PEOPLE;
  at: string;
  place: string;
  weather: string;
  drill: "double-step" | "normal-swing" | "feet-together";
  club: string;
  note: string | null;
  tags: string[];
  feltShare: number | null;
  flight: Flight | null;
  /**
   * Each with how long it stands still first; where that is not said the simulated truth tells it.
   */
  scripts: { script: MovementScript; stillMs?: number }[];
}

/** Six months of Inka's: from a week in May to the week before the shipped films. */
const [FIRST, WEEKS] = ["2026-05-25", 25];
/**
 * She learns for eight weeks, stands still for five, is sore in one and comes back a little worse,
 * then learns on.
 */
const SORE_WEEK = 16;
const skillAt = (week: number): number => {
  const learnt = week < 8 ? week / 8 : week < 13 ? 1 : 1 + (week - 13) / 8;
  return (
    0.62 * (1 - Math.exp(-learnt)) +
    0.2 * Math.max(0, Math.min(1, (week - 13) / 10)) -
    (week > SORE_WEEK && week < SORE_WEEK + 3 ? 0.12 : 0)
  );
};
const PLACES = [
  ["Towpath Nine", "range"],
  ["carport net", "home"],
  ["village hall", "home"],
] as const;
const WEATHER = ["dry", "wind along the canal", "light rain", "low sun", "cold"];
const NOTES = [
  "The foot goes first when I count it.",
  "Rushed.",
  "Wet mat, small steps.",
  "Quiet head today.",
  "Lost it after the third, then back.",
  null,
  null,
  null,
];

/**
 * The made-up past, the same every time: two bouts of double step a week, five normal swings every
 * third week; the foot comes to go before the hands, the lead foot to land before the top, and the
 * weight to the trail foot, each at its own pace and with her spread from rep to rep.
 */
export const pastBouts = (): PastBout[] => [...inkas(), ...tobins(), ...mareks()];

function inkas(): PastBout[] {
  const random = seeded(2026);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random.uniform() * of.length)]!;
  const out: PastBout[] = [];
  for (let week = 0; week < WEEKS; week++) {
    if (week === SORE_WEEK) continue;
    const days = [1 + Math.floor(random.uniform() * 2), 5];
    for (const day of days) {
      const [place] = pick(PLACES);
      const skill = skillAt(week);
      const date = laterDay(FIRST, 7 * week + day);
      const own = {
        golfer: "inka" as const,
        place,
        weather: place === "Towpath Nine" ? pick(WEATHER) : "indoors",
        club: "iron",
        tags: week % 6 === 2 && day === 5 ? ["lesson"] : [],
      };
      const steps = Array.from({ length: week === SORE_WEEK + 1 ? 3 : 5 }, () =>
        step(skill, random),
      );
      out.push({
        ...own,
        at: `${date}T16:${10 + Math.floor(random.uniform() * 40)}:00Z`,
        drill: "double-step",
        note: week === SORE_WEEK + 1 ? "Back again after a sore week, half of it." : pick(NOTES),
        feltShare: week % 2 ? null : felt(44 - 34 * skill, week, random),
        flight:
          place === "Towpath Nine"
            ? { strike: pick(random.uniform() < skill ? ["clean"] : ["heavy", "thin"]) }
            : null,
        scripts: steps,
      });
      // Now and then an evening of nothing else: two bouts more, each a little better than the one
      // before.
      if (week % 6 === 5 && day !== 5)
        for (const [k, hour] of ["17:40", "18:30"].entries())
          out.push({
            ...own,
            at: `${date}T${hour}:00Z`,
            drill: "double-step",
            note: null,
            feltShare: null,
            flight: null,
            scripts: Array.from({ length: 5 }, () => step(skill + 0.1 * (k + 1), random)),
          });
      if (week % 3 === 0 && day === 5)
        out.push({
          ...own,
          at: `${date}T17:10:00Z`,
          drill: "normal-swing",
          note: null,
          feltShare: null,
          flight: null,
          scripts: Array.from({ length: 3 }, () => ownSwing(skill, random)),
        });
    }
  }
  return out;
}

/**
 * Tobin at his carport net, once a week for two months: feet together, of which he makes each fault
 * less often, but tips forward to the last.
 */
function tobins(): PastBout[] {
  const random = seeded(178);
  const { target, faults } = DRILLS.find((d) => d.id === "feet-together")!.stages.find(
    (s) => s.main,
  )!;
  return Array.from({ length: 8 }, (_, week): PastBout => ({
    golfer: "tobin",
    at: `${laterDay("2026-09-22", 7 * week)}T18:15:00Z`,
    place: "carport net",
    weather: "indoors",
    drill: "feet-together",
    club: "iron",
    note: week === 3 ? "Neighbour watched. Worse." : null,
    tags: [],
    feltShare: null,
    flight: null,
    scripts: Array.from({ length: 5 }, () => {
      const fault =
        random.uniform() < 0.75 - 0.09 * week
          ? faults![
              random.uniform() < 0.15 * week ? 0 : Math.floor(random.uniform() * faults!.length)
            ]
          : undefined;
      return { script: (fault?.script ?? target!)() };
    }),
  }));
}

/**
 * Marek in the village hall, five evenings: the double step as a left-hander, the foot mostly
 * first.
 */
function mareks(): PastBout[] {
  const random = seeded(184);
  return Array.from({ length: 5 }, (_, k): PastBout => ({
    golfer: "marek",
    at: `${laterDay("2026-10-18", 7 * k)}T10:30:00Z`,
    place: "village hall",
    weather: "indoors",
    drill: "double-step",
    club: "iron",
    note: null,
    tags: [],
    feltShare: null,
    flight: null,
    scripts: Array.from({ length: 4 }, () => step(0.45 + 0.08 * k, random)),
  }));
}

/**
 * What she feels on the lead foot when it bears least, % in fives: more than is there, less and
 * less so.
 */
const felt = (loaded: number, week: number, r: Seeded): number =>
  5 *
  Math.round(Math.min(95, Math.max(5, loaded + 18 * Math.exp(-week / 14) + 5 * r.normal())) / 5);

const about = (r: Seeded, middle: number, spread: number): number => middle + spread * r.normal();

function step(skill: number, r: Seeded): PastBout["scripts"][number] {
  const still = Math.max(0.5, about(r, 0.75, 0.06));
  // It is there or it is not: in some reps the hands still go first.
  const first = r.uniform() < 0.25 + 0.75 * skill ? about(r, 0.13, 0.04) : about(r, -0.17, 0.03);
  return {
    stillMs: 1000 * still,
    script: doubleStep({
      still,
      back: about(r, 1.02, 0.04),
      down: about(r, 0.31, 0.012),
      trailFirst: first,
      trailStep: Math.min(-5, about(r, -15 + 6 * skill, 1.6)),
      leadBeforeTop: about(r, -0.16 + 0.26 * skill, 0.035),
      leadStep: about(r, 9.5, 1),
      loadedShare: Math.max(6, about(r, 44 - 34 * skill, 4)),
      sentShare: Math.min(86, about(r, 74 + 10 * skill, 2)),
      tiltTop: about(r, 3, 1.2),
      gap: about(r, 22, 0.8),
    }),
  };
}

function ownSwing(skill: number, r: Seeded): PastBout["scripts"][number] {
  const still = Math.max(0.45, about(r, 0.6, 0.05));
  return {
    stillMs: 1000 * still,
    script: swing({
      still,
      back: about(r, 0.88, 0.03),
      down: about(r, 0.27, 0.008),
      gap: about(r, 43, 1),
      share: {
        loaded: about(r, 30 - 20 * skill, 2),
        top: about(r, 34 + 12 * skill, 3),
        impact: about(r, 52 + 10 * skill, 3),
        finish: about(r, 84, 2),
      },
      tilt: { address: 3, top: about(r, -6, 1), impact: about(r, 10, 1) },
    }),
  };
}

/** A rep's track, as a phone and the network might have seen the simulated golfer. */
export function trackOf(
  { script, stillMs }: PastBout["scripts"][number],
  golfer: PastBout["golfer"],
  seed: number,
): Uint8Array {
  const { body: who, hand, distance } = PEOPLE[golfer];
  const sim = simulate(who(), script);
  const still = stillMs ?? truths(sim, "face-on")[0]!.events.address!;
  return writeTrack(filmed(sim, still, { hand, distance }, seed));
}
