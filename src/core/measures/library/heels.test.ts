import { describe, expect, it } from "vitest";
import { follow, level, line, measured, spell, values } from "../../../../tests/core/handMade";

const rises = (u: Float64Array) => ({
  joints: { trail: { heel: { t: level(-16), u: u.map((v) => v + 3) } } },
});

describe("a heel's height", () => {
  it("is that over where it stood, and never under the ground", () => {
    const up = rises(line([1000, 0], [1300, 4], [1450, 9], [1800, 12]));
    expect(
      values(up, "trailHeelHeightTop", "trailHeelHeightImpact", "trailHeelHeightFinish"),
    ).toEqual([0, 4, 12]);
    expect(values(rises(line([900, 0], [1000, -2])), "trailHeelHeightTop")).toEqual([0]);
    expect(values(up, "leadHeelHeightFinish")).toEqual([0]);
  });

  it("is taken from the picture where the shoe was followed there", () => {
    const followed = spell(-18, 0, 2000, { heel: follow(level(0), line([1000, 0], [1300, 2])) });
    const drawn = { ...rises(line([1000, 0], [1300, 6])), spells: { trail: [followed] } };
    expect(values(drawn, "trailHeelHeightImpact")).toEqual([2]);
    // A likeness that fits five times worse than at rest has lost the shoe.
    followed.heel.residual.set(level(9).subarray(120), 120);
    expect(values(drawn, "trailHeelHeightImpact")).toEqual([6]);
  });

  it("at address is that over the toe, against the other foot's", () => {
    const joints = { lead: { heel: { t: level(16), u: level(7) } } };
    expect(values({ joints }, "leadHeelHeightAddress", "trailHeelHeightAddress")).toEqual([4, 0]);
  });

  it("halfway through is compared with that at the finish, where that is a rise", () => {
    expect(values(rises(line([1000, 0], [1450, 9], [1800, 12])), "heelRiseMatch")).toEqual([75]);
    expect(measured("heelRiseMatch", rises(line([1000, 0], [1800, 2.9]))).why).toBe(
      "eventNotFound",
    );
  });

  it("rises at a share of the way down: the first rise after the top", () => {
    const footEvents = [
      { foot: "lead", event: "heelUp", ms: 1050 },
      { foot: "trail", event: "liftOff", ms: 1100 },
      ...[500, 1150, 1250].map((ms) => ({ foot: "trail", event: "heelUp", ms })),
    ];
    expect(values({ rep: { footEvents: footEvents as never } }, "trailHeelUpAt")).toEqual([50]);
    expect(measured("trailHeelUpAt").why).toBe("eventNotFound");
  });
});

describe("a foot that stands", () => {
  it("is flat while heel and toe are both down", () => {
    // Up from 1,225 on, halfway between the top and the strike and more.
    const drawn = rises(line([1000, 0], [1210, 0], [1230, 3]));
    const [flat] = values(drawn, "trailFootFlatForTopToImpact");
    expect(flat).toBeGreaterThan(68);
    expect(flat).toBeLessThan(75);
    expect(values(drawn, "leadFootFlatForTopToImpact")).toEqual([100]);
    expect(measured("trailFootFlatForTopToImpact", { ...drawn, events: { top: NaN } }).why).toBe(
      "eventNotFound",
    );
  });

  it("travels by its toe while that is down, and by its heel always", () => {
    const slides = {
      lead: {
        toe: { t: line([1300, 24], [1800, 29]), u: level(2) },
        heel: { t: line([1300, 16], [1800, 9]), u: level(3) },
      },
    };
    const ids = ["leadFootTravelImpactToFinish", "leadHeelTravelImpactToFinish"] as const;
    expect(values({ joints: slides }, ...ids)).toEqual([5, 7]);
    slides.lead.toe.u = line([1300, 2], [1310, 6]);
    expect(values({ joints: slides }, ...ids)[0]).toBeLessThan(0.2);
    expect(values({ joints: slides }, "leadFootTravelTopToImpact")).toEqual([0]);
  });

  it("goes by the picture where its heel was followed there, from the place where it stands", () => {
    const heel = {
      times: Float64Array.of(1100, 1200, 1300),
      t: Float64Array.of(0, 2, 4),
      u: new Float64Array(3),
      residual: new Float64Array(3).fill(1),
    };
    const drawn = { spells: { trail: [spell(-18, 0, 2000, { heel })] } };
    // The network has it at −16 all the time; so does the foot's place.
    expect(values(drawn, "trailHeelTravelTopToImpact", "leadHeelTravelTopToImpact")).toEqual([
      4, 0,
    ]);
  });

  it("turns by the largest change of its direction, with its sign", () => {
    const lead = line([1300, 10], [1500, 45], [1800, 30]);
    const motion = { direction: { lead, trail: level(0).map(() => NaN) } };
    expect(values({ motion }, "leadFootTurnImpactToFinish")).toEqual([35]);
    expect(measured("trailFootTurnImpactToFinish", { motion }).why).toBe("footNotSeen");
  });

  it("does not turn from one place to another", () => {
    const motion = { direction: { lead: line([1300, 0], [1500, 40]), trail: level(0) } };
    const turn = (...lead: ReturnType<typeof spell>[]) =>
      measured("leadFootTurnImpactToFinish", { motion, spells: { lead } });
    expect(turn(spell(18, 0, 1400), spell(30, 1450)).why).toBe("footMoved");
    // Lost for a moment in one place it is the same foot.
    expect(turn(spell(18, 0, 1400), spell(19, 1450)).value).toBe(40);
    expect(turn(spell(18, 0, 1400), spell(19, 1560)).why).toBe("footMoved");
    // One that spins open on the way down leaves the place of its toe, and is no step.
    const opens = (direction: Float64Array, heelT = 17) =>
      measured("leadFootTurnTopToImpact", {
        motion: { direction: { lead: direction, trail: level(0) } },
        spells: { lead: [spell(18, 0, 1100), spell(30, 1150, 2000, { heelT })] },
      });
    const spins = line([1000, 0], [1300, 28]);
    expect(opens(spins).value).toBe(28);
    expect(opens(line([1000, 0], [1300, 12])).why).toBe("footMoved");
    expect(opens(line([1000, 0], [1300, -28])).why).toBe("footMoved");
    expect(opens(spins, 21).why).toBe("footMoved");
    // Where it stood before all that has nothing to do with it.
    expect(turn(spell(30, 0, 900), spell(18, 950)).value).toBe(40);
    // It was not there at the end, or not yet at the beginning.
    expect(turn(spell(18, 1350)).why).toBe("footMoved");
    expect(turn(spell(18, 0, 1700)).why).toBe("footMoved");
  });
});
