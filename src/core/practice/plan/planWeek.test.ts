import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DRILLS } from "../../drills";
import { clashes } from "./clashes";
import { planWeek } from "./planWeek";
import { BOUTS_A_DAY, DRILLS_A_WEEK, SPACING } from "./spacing";
import { daysBetween, laterDay, type DayRoom, type Due, type PlannedBout } from "./week";

const MONDAY = "2026-11-30";
const find = (id: string) => DRILLS.find((d) => d.id === id) ?? null;

const room = fc
  .array(
    fc.record({
      minutes: fc.integer({ min: 0, max: 90 }),
      place: fc.constantFrom("home" as const, "range" as const),
      easy: fc.boolean(),
    }),
    { minLength: 7, maxLength: 7 },
  )
  .map((days): DayRoom[] => days.map((d, i) => ({ ...d, day: laterDay(MONDAY, i) })));
const due = fc.shuffledSubarray([...DRILLS], { minLength: 1, maxLength: 12 }).chain((drills) =>
  fc.tuple(
    ...drills.map((drill) =>
      fc
        .record({
          stage: fc.constantFrom(...drill.stages),
          back: fc.option(fc.integer({ min: 1, max: 9 }), { nil: null }),
        })
        .map(({ stage, back }): Due => ({
          drill,
          stage,
          why: { kind: "goesOn" },
          last: back === null ? null : laterDay(MONDAY, -back),
        })),
    ),
  ),
);

describe("a planned week", () => {
  it("keeps to minutes, places, spacing and what is open, whoever asks", () => {
    fc.assert(
      fc.property(room, due, (days, wanted) => {
        const bouts = planWeek({ days, due: wanted });
        // Not an expectation each: a thousand weeks have too many.
        const wrong: string[] = [];
        const must = (holds: boolean, what: string) => void (holds || wrong.push(what));
        for (const d of days) {
          const own = bouts.filter((b) => b.day === d.day);
          must(
            own.reduce((sum, b) => sum + b.minutes, 0) <= (d.easy ? d.minutes / 2 : d.minutes),
            "over the minutes",
          );
          must(own.length <= BOUTS_A_DAY, "too many bouts");
          must(
            own.every(
              (b) =>
                b.place === d.place &&
                find(b.drillId)!.places.includes(d.place) &&
                (!d.easy || find(b.drillId)!.level === 1),
            ),
            "in the wrong place, or not easy",
          );
        }
        must(clashes(bouts, find).length === 0, "two that pull against each other");
        must(new Set(bouts.map((b) => b.drillId)).size <= DRILLS_A_WEEK, "too many drills");
        for (const b of bouts) {
          if (
            find(b.drillId)!.dose.school === "single focus" &&
            find(b.drillId)!.group !== "baseline"
          )
            must(
              bouts.every((o) => o === b || o.day !== b.day),
              "not alone",
            );
          const asked = wanted.find((w) => w.drill.id === b.drillId)!;
          must(b.stageId === asked.stage.id, "a stage that is not open");
          const { apart, aWeek } = SPACING[asked.drill.dose.school];
          const days = bouts.filter((o) => o !== b && o.drillId === b.drillId).map((o) => o.day);
          must(days.length < aWeek, "too often");
          must(
            [...days, ...(asked.last === null ? [] : [asked.last])].every(
              (other) => Math.abs(daysBetween(other, b.day)) >= apart,
            ),
            "too soon",
          );
        }
        expect(wrong).toEqual([]);
      }),
      { numRuns: 1000 },
    );
  });

  it("lets drills take turns, the most wanted first, with as many sets as there is time for", () => {
    const [rocker, pivot] = [find("lead-foot-rocker")!, find("trail-foot-pivot")!];
    const wanted: Due[] = [rocker, pivot].map((drill) => ({
      drill,
      stage: drill.stages[0]!,
      why: { kind: "goesOn" },
      last: null,
    }));
    const days = [0, 1, 2, 3].map((i) => ({
      day: laterDay(MONDAY, i),
      minutes: Math.max(rocker.minutes, pivot.minutes),
      place: "home" as const,
    }));
    const bouts = planWeek({ days, due: wanted });
    expect(bouts[0]!.drillId).toBe(rocker.id);
    expect(new Set(bouts.map((b) => b.drillId))).toEqual(new Set([rocker.id, pivot.id]));
    const short = planWeek({
      days: [{ ...days[0]!, minutes: Math.ceil(pivot.minutes / 2) }],
      due: [wanted[1]!],
    });
    expect(short[0]!.sets).toBe(
      Math.floor((pivot.dose.sets * Math.ceil(pivot.minutes / 2)) / pivot.minutes),
    );
  });

  it("leaves what the golfer put there, plans round it, and says what pulls against each other", () => {
    const [one, other] = [find("feet-together")!, DRILLS.find((d) => d.number === 12)!];
    const put = (drillId: string): PlannedBout => ({
      id: drillId,
      day: MONDAY,
      place: "home",
      drillId,
      stageId: find(drillId)!.stages[0]!.id,
      sets: 1,
      reps: 4,
      minutes: 10,
      why: { kind: "goesOn" },
      fixed: true,
    });
    const both = [put(one.id), put(other.id)];
    expect(clashes(both, find)).toEqual([
      {
        day: MONDAY,
        one: one.id,
        other: other.id,
        conflicts: expect.arrayContaining([
          expect.objectContaining({ measure: "pelvisBeforeHands" }),
        ]),
      },
    ]);
    const days = [{ day: MONDAY, minutes: 60, place: "home" as const }];
    const planned = planWeek({
      days,
      due: DRILLS.map((drill) => ({
        drill,
        stage: drill.stages[0]!,
        why: { kind: "goesOn" },
        last: null,
      })),
      fixed: [put(one.id)],
      drillOf: find,
    });
    expect(planned).toContainEqual(put(one.id));
    expect(planned.length).toBeGreaterThan(1);
    expect(clashes(planned, find)).toEqual([]);
  });
});
