import { expect, it } from "vitest";
import { DRILLS } from "./builtIn";
import { adviceFor, SELF_CHECK, type SelfCheckAnswers } from "./selfCheck";

const drill = (id: string) => DRILLS.find((d) => d.id === id)!;
const fine = Object.fromEntries(SELF_CHECK.map((c) => [c.id, c.fine])) as SelfCheckAnswers;

it("lets nobody begin in pain, whatever else is fine, and says who to see", () => {
  for (const bad of [{ pain: "yes" }, { injury: "yes" }] as const) {
    const advice = adviceFor({ ...fine, ...bad }, drill("ball-toss"))!;
    expect(advice.go).toBe(false);
    expect(advice.words).toContain("physiotherapist");
    expect(adviceFor(bad, drill("ball-toss"))!.go).toBe(false);
  }
});

it("keeps the unsteady from drills that ask for one leg, and only from those", () => {
  const unsteady: SelfCheckAnswers = { ...fine, balance: "no" };
  for (const id of ["feet-together", "trail-toe-behind", "rocking-board-side", "lead-foot-rocker"])
    expect(adviceFor(unsteady, drill(id))!.go, id).toBe(false);
  expect(adviceFor(unsteady, drill("ball-toss"))).toMatchObject({ go: true, title: "Go gently" });
});

it("waits for every answer, and sends back for floor and room", () => {
  const { space: _, ...open } = fine;
  expect(adviceFor(open, drill("ball-toss"))).toBeNull();
  expect(adviceFor({ ...fine, space: "no" }, drill("ball-toss"))!.go).toBe(false);
  expect(adviceFor({ ...fine, floor: "no" }, drill("ball-toss"))!.go).toBe(false);
  expect(adviceFor(fine, drill("ball-toss"))!.go).toBe(true);
});
