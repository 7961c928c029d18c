import { describe, expect, it } from "vitest";
import { Rival } from "./rival";

const at = (x: number, size: number, t = 0) => ({ t, x, y: 400, size });

describe("somebody larger than who is followed", () => {
  it("is the golfer once they have stayed in one place for three looks", () => {
    const rival = new Rival();
    expect(rival.among([at(600, 500)], 300)).toBeNull();
    expect(rival.among([at(610, 500)], 300)).toBeNull();
    expect(rival.among([at(605, 500, 7)], 300)).toEqual(at(605, 500, 7));
  });

  it("is only passing when they are elsewhere in each look", () => {
    const rival = new Rival();
    for (const x of [200, 400, 600, 800, 1000]) expect(rival.among([at(x, 500)], 300)).toBeNull();
  });

  it("begins anew after a look without them, and after they were taken", () => {
    const rival = new Rival();
    for (let k = 0; k < 2; k++) rival.among([at(600, 500)], 300);
    expect(rival.among([], 300)).toBeNull();
    for (let k = 0; k < 2; k++) expect(rival.among([at(600, 500)], 300)).toBeNull();
    expect(rival.among([at(600, 500)], 300)).not.toBeNull();
    expect(rival.among([at(600, 500)], 300)).toBeNull();
  });

  it("must be clearly larger: one as tall who stands beside never is the golfer", () => {
    const rival = new Rival();
    for (let k = 0; k < 6; k++) expect(rival.among([at(600, 340)], 300)).toBeNull();
  });

  it("is the largest of several", () => {
    const rival = new Rival();
    const both = [at(200, 360), at(900, 500)];
    rival.among(both, 300);
    rival.among(both, 300);
    expect(rival.among(both, 300)?.x).toBe(900);
  });
});
