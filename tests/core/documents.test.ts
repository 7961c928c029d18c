import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { judgedDoc } from "../../scripts/judgedDoc";
import { measuresDoc } from "../../scripts/measuresDoc";

it("the lists of measures and of what is judged are those of their definitions", () => {
  expect(readFileSync("docs/measures.md", "utf8")).toBe(measuresDoc());
  expect(readFileSync("docs/judged.md", "utf8")).toBe(judgedDoc());
});
