import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { measuresDoc } from "../../scripts/measuresDoc";

it("the list of measures is that of their definitions", () => {
  expect(readFileSync("docs/measures.md", "utf8")).toBe(measuresDoc());
});
