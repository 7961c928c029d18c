/**
 * What the program can measure: id → plain name, unit, view and definition. Every check of every
 * drill names one of these.
 */
export type View = "face-on" | "down-the-line";
type Unit = "cm" | "ms" | "%" | "ratio" | "°" | "s" | "times" | "°/s" | "cm/s" | "a minute";

export interface MeasureInfo {
  name: string;
  unit: Unit;
  family: "sway" | "posture" | "weight" | "feet" | "legs" | "order" | "balance";
  /** Views from which it can be measured. */
  views: readonly View[];
  definition: string;
}

const FACE_ON = ["face-on"] as const;
const BEHIND = ["down-the-line"] as const;
const BOTH = ["face-on", "down-the-line"] as const;

type Cap = "Address" | "Top" | "HalfwayDown" | "Impact" | "Release" | "MidThrough" | "Finish";
type Moment = "Top" | "HalfwayDown" | "Impact" | "Release" | "Finish";
type Span =
  | "AddressToTop"
  | "AddressToImpact"
  | "TopToImpact"
  | "ImpactToFinish"
  | "HalfwayDownToImpact"
  | "AddressToFinish"
  | "ImpactToMidThrough";
type Side = "lead" | "trail";

export const MOMENTS: readonly Moment[] = ["Top", "HalfwayDown", "Impact", "Release", "Finish"];
export const SPANS: readonly Span[] = [
  "AddressToTop",
  "AddressToImpact",
  "TopToImpact",
  "ImpactToFinish",
  "HalfwayDownToImpact",
  "AddressToFinish",
  "ImpactToMidThrough",
];
export const SIDES: readonly Side[] = ["lead", "trail"];
const HEEL_MOMENTS = ["Address", "Top", "Impact", "MidThrough", "Finish"] as const;

/** How events are called in names and definitions. */
const SAID: Record<Cap, string> = {
  Address: "still",
  Top: "at the top",
  HalfwayDown: "halfway down",
  Impact: "at the strike",
  Release: "at the release",
  MidThrough: "halfway through",
  Finish: "at the finish",
};
const SPAN_SAID: Record<Span, string> = {
  AddressToTop: "from still to the top",
  AddressToImpact: "from still to the strike",
  TopToImpact: "from the top to the strike",
  ImpactToFinish: "from the strike to the finish",
  HalfwayDownToImpact: "from halfway down to the strike",
  AddressToFinish: "from still to the finish",
  ImpactToMidThrough: "from the strike to halfway through",
};

const info = (
  name: string,
  unit: Unit,
  family: MeasureInfo["family"],
  views: readonly View[],
  definition: string,
): MeasureInfo => ({ name, unit, family, views, definition });

const PLAIN = {
  pelvisSway: info(
    "Hips away from the target",
    "cm",
    "sway",
    FACE_ON,
    "Largest move of the middle of your hips away from the target, from still to the top. After a trail step it counts from that landing, against the middle of the feet as they then stand.",
  ),
  pelvisSlide: info(
    "Hips toward the target",
    "cm",
    "sway",
    FACE_ON,
    "Move of the middle of your hips toward the target, from the top to the strike.",
  ),
  headDrift: info(
    "Head drift",
    "cm",
    "sway",
    FACE_ON,
    "How far your head wanders along the target line, from still to the strike.",
  ),
  counterMove: info(
    "Head and hips apart",
    "cm",
    "sway",
    FACE_ON,
    "Largest move of hips and head in opposite directions at one instant (the smaller of the two), from still to the strike.",
  ),
  headRise: info(
    "Head rises",
    "cm",
    "sway",
    FACE_ON,
    "Highest place of your head against where it was still, until the strike.",
  ),
  pelvisDropTransition: info(
    "Hips sink",
    "cm",
    "sway",
    FACE_ON,
    "Lowest place of the middle of your hips from the top to halfway down, against the top.",
  ),
  pelvisRiseToImpact: info(
    "Hips rise",
    "cm",
    "sway",
    FACE_ON,
    "Height of the middle of your hips at the strike against that lowest place.",
  ),
  pelvisDriftAtImpact: info(
    "Hips move through the strike",
    "cm",
    "sway",
    FACE_ON,
    "How far the middle of your hips moves along the target line within 75 ms of the strike.",
  ),
  sideTiltAddress: info(
    "Side tilt, still",
    "°",
    "posture",
    FACE_ON,
    "Lean of the line from mid-hip to mid-shoulder, + away from the target, while you stand still.",
  ),
  sideTiltTop: info("Side tilt, top", "°", "posture", FACE_ON, "The same lean at the top."),
  sideTiltChange: info(
    "Side tilt, still to top",
    "°",
    "posture",
    FACE_ON,
    "Change of that lean from still to the top; minus = a reverse tilt.",
  ),
  handHeightTop: info(
    "Hands over shoulders, top",
    "cm",
    "posture",
    FACE_ON,
    "Height of the middle of your hands over the middle of your shoulders at the top.",
  ),
  elbowAngleMinAddressToTop: info(
    "Sharpest elbow on the way back",
    "°",
    "posture",
    FACE_ON,
    "Smallest angle at either elbow from still to the top.",
  ),
  thoraxRange: info(
    "Chest turn",
    "°",
    "posture",
    FACE_ON,
    "How far your chest turns from still to the strike (in a rhythm drill: over one period).",
  ),
  pelvisRange: info(
    "Hip turn",
    "°",
    "posture",
    FACE_ON,
    "How far your hips turn from still to the strike (in a rhythm drill: over one period).",
  ),
  pelvisPeakTurnRate: info(
    "Fastest hip turn",
    "°/s",
    "order",
    FACE_ON,
    "Largest turning speed of your hips from the top to the strike.",
  ),
  pelvisRateAtImpact: info(
    "Hip turn left at the strike",
    "%",
    "order",
    FACE_ON,
    "Turning speed of your hips at the strike as a share of its peak.",
  ),
  peakPelvisTurnAt: info(
    "Fastest hip turn, when",
    "%",
    "order",
    FACE_ON,
    "When the hips turn fastest, in % of the way down (0 = top, 100 = strike).",
  ),
  pelvisPeakBeforeThorax: info(
    "Hips peak before chest",
    "ms",
    "order",
    FACE_ON,
    "From the hips' fastest turn to the chest's, on the way down.",
  ),
  thoraxPeakBeforeArms: info(
    "Chest peaks before arms",
    "ms",
    "order",
    FACE_ON,
    "From the chest's fastest turn to the arms', on the way down.",
  ),
  hipsToBall: info(
    "Hips toward the ball, strike",
    "cm",
    "posture",
    BEHIND,
    "Move of the rear edge of your body at hip height toward the ball from still to the strike; minus = deeper.",
  ),
  hipsToBallTop: info(
    "Hips toward the ball, top",
    "cm",
    "posture",
    BEHIND,
    "The same move from still to the top.",
  ),
  bendChange: info(
    "Forward bend lost or won",
    "°",
    "posture",
    BEHIND,
    "Change of your forward bend from still to the strike; minus = you stood up.",
  ),
  footStagger: info(
    "Trail foot behind",
    "cm",
    "feet",
    BEHIND,
    "How far the lead ankle stands nearer the ball than the trail ankle, while still.",
  ),
  trailKneeTowardBall: info(
    "Trail knee toward the ball",
    "cm",
    "legs",
    BEHIND,
    "Largest move of the trail knee toward the ball from the top to the strike.",
  ),
  trailKneeOut: info(
    "Trail knee outside the foot",
    "cm",
    "legs",
    FACE_ON,
    "Largest distance of the trail knee outside its ankle along the target line, from still to the top.",
  ),
  trailKneeIn: info(
    "Trail knee inside the foot",
    "cm",
    "legs",
    FACE_ON,
    "Largest distance of the trail knee inside its ankle along the target line, from still to the top.",
  ),
  kneeGapDown: info(
    "Knees closest on the way down",
    "ratio",
    "legs",
    FACE_ON,
    "Smallest distance between the knees over that between the ankles, from the top to the strike.",
  ),
  kneeGapAddressToImpact: info(
    "Knees widest",
    "ratio",
    "legs",
    FACE_ON,
    "Largest distance between the knees over that between the ankles, from still to the strike.",
  ),
  kneePart: info(
    "Knees part",
    "cm",
    "legs",
    FACE_ON,
    "Largest growth of the distance between the knees along the target line since still, until the strike.",
  ),
  leadSharePeakBeforeHands: info(
    "Lead share before the hands",
    "%",
    "weight",
    FACE_ON,
    "Largest estimated share on the lead foot in the second before the hands start.",
  ),
  trailSharePeak: info(
    "Weight on the trail foot",
    "%",
    "weight",
    FACE_ON,
    "Largest estimated share of your weight on the trail foot on the way back, while both feet are down.",
  ),
  trailSharePeakAt: info(
    "Weight on the trail foot, when",
    "%",
    "weight",
    FACE_ON,
    "When that is, in % of the way from still to the top.",
  ),
  shareReversals: info(
    "Weight turns",
    "times",
    "weight",
    FACE_ON,
    "How often the weight turns by at least 15 points between the first motion and the top.",
  ),
  recentreBeforeTop: info(
    "Weight across before the top",
    "ms",
    "weight",
    FACE_ON,
    "From the moment the weight crosses the middle toward the lead foot to the top; minus = after the top.",
  ),
  groundFirst: info(
    "Ground before hands",
    "ms",
    "weight",
    FACE_ON,
    "From the first push of the feet to the hands starting; plus = the ground first.",
  ),
  loadRate: info(
    "Fastest shift",
    "%",
    "weight",
    FACE_ON,
    "Largest rise of the lead share within 100 ms, from the top to the strike.",
  ),
  crossBeforeTrailHeelUp: info(
    "Weight across before the heel",
    "ms",
    "weight",
    FACE_ON,
    "From the weight crossing the middle to the trail heel rising.",
  ),
  beatSpread: info(
    "Beat, unevenness",
    "%",
    "order",
    FACE_ON,
    "Spread of the spacing of the last three turns of the weight before the strike.",
  ),
  footGapAddress: info(
    "Feet apart, still",
    "cm",
    "feet",
    FACE_ON,
    "Distance between the ankles along the target line at address.",
  ),
  footGapHipsAddress: info(
    "Feet apart in hip widths",
    "ratio",
    "feet",
    FACE_ON,
    "The same distance over the width of your hips.",
  ),
  trailStepBeforeHands: info(
    "Trail foot before hands",
    "ms",
    "feet",
    FACE_ON,
    "From the trail foot leaving the ground to the hands starting; minus = the hands were first.",
  ),
  leadLandBeforeTop: info(
    "Lead foot down before the top",
    "ms",
    "feet",
    FACE_ON,
    "From the lead foot's landing to the top; minus = after the top.",
  ),
  leadLiftFromMidBack: info(
    "Lead foot leaves, from halfway back",
    "ms",
    "feet",
    FACE_ON,
    "From the lead arm being level on the way back to the lead foot leaving the ground.",
  ),
  trailLandAfterImpact: info(
    "Trail foot down after the strike",
    "ms",
    "feet",
    FACE_ON,
    "From the strike to the trail foot's landing.",
  ),
  trailLandsPastLead: info(
    "Trail foot lands past the lead foot",
    "cm",
    "feet",
    FACE_ON,
    "How far beyond the lead toe the trail toe lands along the target line.",
  ),
  trailHeelUpAt: info(
    "Trail heel rises, when",
    "%",
    "feet",
    BOTH,
    "When the trail heel leaves the ground, in % of the way down (0 = top, 100 = strike).",
  ),
  heelRiseMatch: info(
    "Trail heel halfway through",
    "%",
    "feet",
    BOTH,
    "Share of its height at the finish that the trail heel has when the trail arm is level after the strike.",
  ),
  propDropAt: info(
    "Prop falls, when",
    "%",
    "feet",
    BOTH,
    "When the prop is heard to fall, in % of the way down.",
  ),
  trailFootRoll: info(
    "Trail foot rolls in",
    "cm",
    "feet",
    FACE_ON,
    "Move of the trail knee toward the target against the trail toe, from halfway down to the strike.",
  ),
  backTime: info("Way back", "ms", "order", BOTH, "From the hands starting to the top."),
  downTime: info("Way down", "ms", "order", BOTH, "From the top to the strike."),
  tempoRatio: info("Back : down", "ratio", "order", BOTH, "Way back over way down."),
  pelvisBeforeHands: info(
    "Hips turn back before hands",
    "ms",
    "order",
    FACE_ON,
    "From the hips' turning back to the top.",
  ),
  thoraxBeforeHands: info(
    "Chest turns back before hands",
    "ms",
    "order",
    FACE_ON,
    "From the chest's turning back to the top.",
  ),
  slideBeforeHands: info(
    "Hips shift before hands",
    "ms",
    "order",
    FACE_ON,
    "From the hips' starting toward the target to the top.",
  ),
  stillBefore: info(
    "Still before the start",
    "s",
    "order",
    BOTH,
    "How long you stood still before the hands started.",
  ),
  peakHandSpeed: info(
    "Fastest hands",
    "cm/s",
    "order",
    BOTH,
    "Largest speed of your hands across the picture.",
  ),
  holdTime: info("Held", "s", "balance", BOTH, "How long the position was held."),
  wobble: info(
    "Wobble",
    "cm",
    "balance",
    BOTH,
    "How far your centre of mass wanders across the picture while you hold, from 0.3 s on.",
  ),
  groundLeadsHands: info(
    "Ground leads hands",
    "ms",
    "order",
    FACE_ON,
    "From the turn of the weight to the turn of the hands, on the same side.",
  ),
  handRange: info(
    "Hands beyond the feet",
    "cm",
    "order",
    FACE_ON,
    "How far the hands go beyond the outer edges of your feet.",
  ),
  cadence: info("Cadence", "a minute", "order", BOTH, "Periods a minute."),
  landBeforeTurnaround: info(
    "Foot down before the turn",
    "ms",
    "order",
    FACE_ON,
    "From a foot's landing to the turn of the hands that follows.",
  ),
  leadPlantedTravel: info(
    "Lead foot slips",
    "cm",
    "feet",
    FACE_ON,
    "Largest move of the lead foot while it stands.",
  ),
  trailPlantedTravel: info(
    "Trail foot slips",
    "cm",
    "feet",
    FACE_ON,
    "Largest move of the trail foot while it stands.",
  ),
  leadFootTurn: info(
    "Lead foot turn",
    "°",
    "feet",
    FACE_ON,
    "How far the lead foot turns about its heel, + toward the target.",
  ),
  trailFootTurn: info(
    "Trail foot turn",
    "°",
    "feet",
    FACE_ON,
    "How far the trail foot turns about its heel, + toward the target.",
  ),
  leadHeelTravel: info(
    "Lead heel travels",
    "cm",
    "feet",
    FACE_ON,
    "Largest distance of the lead heel from its place.",
  ),
  trailHeelTravel: info(
    "Trail heel travels",
    "cm",
    "feet",
    FACE_ON,
    "Largest distance of the trail heel from its place.",
  ),
  pivotTime: info(
    "Turn and back",
    "ms",
    "order",
    FACE_ON,
    "From a tenth of the foot's turn to a tenth on the way back.",
  ),
  leadStepLength: info(
    "Lead step",
    "cm",
    "feet",
    FACE_ON,
    "How far the lead foot moves along the target line from leaving to landing; plus = toward the target.",
  ),
  trailStepLength: info(
    "Trail step",
    "cm",
    "feet",
    FACE_ON,
    "How far the trail foot moves along the target line from leaving to landing; minus = away from the target.",
  ),
  leadLandingOffset: info(
    "Lead landing off its mark",
    "cm",
    "feet",
    FACE_ON,
    "Feet apart after the lead foot's landing, against a shoulder's width (35 cm at 178 cm).",
  ),
  trailLandingOffset: info(
    "Trail landing off its mark",
    "cm",
    "feet",
    FACE_ON,
    "Feet apart after the trail foot's landing, against a shoulder's width (35 cm at 178 cm).",
  ),
  leadShareAddress: info(
    "Lead share, still",
    "%",
    "weight",
    FACE_ON,
    "Estimated share of your weight on the lead foot over the last 0.3 s of standing still.",
  ),
} as const satisfies Record<string, MeasureInfo>;

export type MeasureId =
  | keyof typeof PLAIN
  | `pelvisT${Moment}`
  | `headT${Moment}`
  | `leadLegStack${Moment}`
  | `pelvisTurn${Moment}`
  | `leadShare${Moment}`
  | `copDepth${"Address" | Moment}`
  | `${Side}ShinLean${"Address" | "Top" | "Impact"}`
  | `${Side}HeelHeight${(typeof HEEL_MOMENTS)[number]}`
  | `${Side}${"KneeAngleChange" | "KneeTravel" | "FootFlatFor" | "FootTravel" | "HeelTravel" | "FootTurn"}${Span}`;

/** Families of measures whose id is side + measure + event, or side + measure + span. */
function families(): [string, MeasureInfo][] {
  const out: [string, MeasureInfo][] = [];
  for (const m of MOMENTS) {
    out.push([
      `pelvisT${m}`,
      info(
        `Hips ${SAID[m]}`,
        "cm",
        "sway",
        FACE_ON,
        `Place of the middle of your hips along the target line ${SAID[m]}, against still; plus = toward the target.`,
      ),
    ]);
    out.push([
      `headT${m}`,
      info(
        `Head ${SAID[m]}`,
        "cm",
        "sway",
        FACE_ON,
        `Place of your head along the target line ${SAID[m]}, against still; plus = toward the target.`,
      ),
    ]);
    out.push([
      `leadLegStack${m}`,
      info(
        `Lead hip over lead foot, ${SAID[m]}`,
        "cm",
        "legs",
        FACE_ON,
        `How far the lead hip is nearer the target than the lead ankle ${SAID[m]}. One hip alone is uncertain by 2 to 3 cm.`,
      ),
    ]);
    out.push([
      `pelvisTurn${m}`,
      info(
        `Hip turn ${SAID[m]}`,
        "°",
        "posture",
        FACE_ON,
        `How far your hips have turned ${SAID[m]} against still; plus = toward the target.`,
      ),
    ]);
    out.push([
      `leadShare${m}`,
      info(
        `Lead share, ${SAID[m]}`,
        "%",
        "weight",
        FACE_ON,
        `Estimated share of your weight on the lead foot ${SAID[m]}.`,
      ),
    ]);
  }
  for (const m of ["Address", ...MOMENTS] as const)
    out.push([
      `copDepth${m}`,
      info(
        `Pressure along the feet, ${SAID[m]}`,
        "%",
        "weight",
        BEHIND,
        `Estimated place of your pressure from the heels (0) to the toes (100) ${SAID[m]}.`,
      ),
    ]);
  for (const side of SIDES) {
    const Side = side === "lead" ? "Lead" : "Trail";
    for (const m of ["Address", "Top", "Impact"] as const)
      out.push([
        `${side}ShinLean${m}`,
        info(
          `${Side} shin lean, ${SAID[m]}`,
          "°",
          "legs",
          FACE_ON,
          `Lean of the ${side} shin from upright ${SAID[m]}; plus = knee nearer the target.`,
        ),
      ]);
    for (const m of HEEL_MOMENTS)
      out.push([
        `${side}HeelHeight${m}`,
        info(
          `${Side} heel ${SAID[m]}`,
          "cm",
          "feet",
          BOTH,
          `Height of the ${side} heel ${SAID[m]} against where it stood.`,
        ),
      ]);
    for (const s of SPANS) {
      const said = SPAN_SAID[s];
      out.push([
        `${side}KneeAngleChange${s}`,
        info(
          `${Side} knee bends, ${said}`,
          "°",
          "legs",
          BOTH,
          `Change of the ${side} knee's angle ${said}; minus = more bent.`,
        ),
      ]);
      out.push([
        `${side}KneeTravel${s}`,
        info(
          `${Side} knee moves, ${said}`,
          "cm",
          "legs",
          FACE_ON,
          `How far the ${side} knee moves along the target line ${said}.`,
        ),
      ]);
      out.push([
        `${side}FootFlatFor${s}`,
        info(
          `${Side} foot flat, ${said}`,
          "%",
          "feet",
          BOTH,
          `Share of the time ${said} with heel and toe of the ${side} foot down.`,
        ),
      ]);
      out.push([
        `${side}FootTravel${s}`,
        info(
          `${Side} foot slides, ${said}`,
          "cm",
          "feet",
          BOTH,
          `Largest distance of the ${side} toe from its place while it is down, ${said}.`,
        ),
      ]);
      out.push([
        `${side}HeelTravel${s}`,
        info(
          `${Side} heel moves, ${said}`,
          "cm",
          "feet",
          FACE_ON,
          `Largest distance of the ${side} heel from its place, ${said}.`,
        ),
      ]);
      out.push([
        `${side}FootTurn${s}`,
        info(
          `${Side} foot turns, ${said}`,
          "°",
          "feet",
          FACE_ON,
          `How far the ${side} foot turns about its heel ${said}, + toward the target.`,
        ),
      ]);
    }
  }
  return out;
}

export const CATALOGUE = { ...PLAIN, ...Object.fromEntries(families()) } as Record<
  MeasureId,
  MeasureInfo
>;
export const MEASURE_IDS = Object.keys(CATALOGUE) as MeasureId[];

/**
 * A measure of one rep: NaN with a reason where it can't be had; `atMs` where in the rep it was
 * taken.
 */
export interface RawMeasure {
  value: number;
  atMs?: number;
  why?: WhyNot;
}

export type WhyNot =
  | "eventNotFound"
  | "footNotSeen"
  | "noStep"
  | "neverLoaded"
  | "otherView"
  | "otherKind"
  | "footMoved"
  | "headHidden"
  | "notHeard";

/** The event that a moment in an id names: `HalfwayDown` → `halfwayDown`. */
export const eventOf = (moment: Cap): Uncapitalize<Cap> =>
  (moment[0]!.toLowerCase() + moment.slice(1)) as Uncapitalize<Cap>;

/** What one part of the catalogue found in a rep; ids left out do not belong to this rep. */
export type Measures = Partial<Record<MeasureId, RawMeasure>>;

export const missing = (why: WhyNot): RawMeasure => ({ value: NaN, why });
/** A value, or why there is none. */
export const got = (value: number, atMs?: number, why: WhyNot = "eventNotFound"): RawMeasure =>
  Number.isFinite(value) ? (atMs === undefined ? { value } : { value, atMs }) : missing(why);
