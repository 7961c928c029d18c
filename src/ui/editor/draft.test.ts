import fc from "fast-check";
import { expect, it } from "vitest";
import { DRILLS } from "@/core/drills";
import { fileOf } from "@/core/formats/drillFile";
import { begunDraft, changeCheck, changeStage, edit, type Draft } from "./draft";

const file = fileOf(DRILLS.find((d) => d.id === "double-step")!);
const named = (draft: Draft, name: string, place: string) =>
  edit(draft, { type: "change", place, change: (f) => ({ ...f, name }) });

it("goes back through every change to the beginning, and forth again, in whatever order they came", () => {
  const step = fc.record({
    name: fc.string({ maxLength: 5 }),
    place: fc.constantFrom("name", "why", "dose"),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
      let draft = begunDraft(file);
      for (const { name, place } of steps) draft = named(draft, name, place);
      const end = draft;
      while (draft.before.length) draft = edit(draft, { type: "undo" });
      expect(draft.now).toBe(file);
      expect(edit(draft, { type: "undo" })).toBe(draft);
      while (draft.after.length) draft = edit(draft, { type: "redo" });
      expect(draft.now).toBe(end.now);
    }),
  );
});

it("takes typing on in one place as one step, until it is kept or another place is changed", () => {
  let draft = begunDraft(file);
  for (const name of ["L", "La", "Lat", "Late"]) draft = named(draft, name, "name");
  expect(draft.before).toEqual([file]);
  draft = named(edit(draft, { type: "kept" }), "Later", "name");
  expect(edit(draft, { type: "undo" }).now.name).toBe("Late");
  draft = named(named(draft, "a", "why"), "b", "name");
  expect(draft.before.map((f) => f.name)).toEqual([file.name, "Late", "Later", "a"]);
});

it("forgets what was taken back once something else is changed, and takes no change for a step", () => {
  const draft = named(
    edit(named(begunDraft(file), "one", "name"), { type: "undo" }),
    "two",
    "name",
  );
  expect(draft.after).toEqual([]);
  expect(edit(draft, { type: "redo" })).toBe(draft);
  expect(edit(draft, { type: "change", place: "name", change: (f) => f })).toBe(draft);
});

it("changes one check of one stage and nothing else", () => {
  const [stage] = file.stages;
  const [first, second] = stage!.checks;
  const changed = changeCheck(stage!.id, second!.id, (c) => ({ ...c, band: [1, 2] }))(file);
  expect(changed.stages[0]!.checks[1]!.band).toEqual([1, 2]);
  expect(changed.stages[0]!.checks[0]).toBe(first);
  expect({ ...changed, stages: file.stages }).toEqual(file);
  expect(
    changeStage("nothing-like-it", () => {
      throw new Error("no such stage");
    })(file),
  ).toEqual(file);
});
