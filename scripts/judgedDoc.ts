import { type Check, DRILLS, isJudged, questionsOf, type Stage } from "../src/core/drills";
import { CATALOGUE } from "../src/core/measures";

const band = ({ band: [lo, hi], measure }: Check): string => {
  const { unit } = CATALOGUE[measure];
  const range =
    lo !== null && hi !== null ? `${lo} to ${hi}` : lo !== null ? `${lo} or more` : `${hi} or less`;
  return `${range} ${unit}`;
};
const checks = (stage: Stage, level: Check["level"]): string =>
  stage.checks
    .filter((c) => c.level === level)
    .map((c) => `${c.name}${c.point ? " ●" : ""} (${band(c)})`)
    .join("; ") || "–";

/** What every stage is judged by, as docs/judged.md has it. */
export function judgedDoc(): string {
  const rows = DRILLS.flatMap((d) =>
    d.stages.map((s) => {
      const name = `${d.number} ${d.name}: ${s.name}, ${s.view}`;
      const asked = questionsOf(d, s).join(" ") || "–";
      const actions = s.actions.map((a) => a.name).join("; ") || "–";
      return isJudged(s)
        ? `| ${[name, actions, checks(s, "must"), checks(s, "limit"), asked].join(" | ")} |`
        : `| ${[name, actions, "a rehearsal: counted and shown", "–", asked].join(" | ")} |`;
    }),
  );
  return `# What each stage is judged by

Written by \`npm run lists\` from the drills themselves. A pass needs every must surely inside and one check of the drill's point (●) decided; a must or a limit that is surely outside fails; a limit in doubt holds no pass back, and the pass says so. Why some checks have the role they have is in [decision 17](decisions/17-which-checks-are-musts.md).

| stage | must happen | musts | limits | asked after the bout |
| --- | --- | --- | --- | --- |
${rows.join("\n")}
`;
}
