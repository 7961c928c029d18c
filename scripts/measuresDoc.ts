import { CATALOGUE, MEASURE_IDS } from "../src/core/measures";

/** docs/measures.md: the catalogue as a table a family. */
export function measuresDoc(): string {
  const families = [...new Set(MEASURE_IDS.map((id) => CATALOGUE[id].family))].sort();
  const tables = families.map((family) => {
    const rows = MEASURE_IDS.filter((id) => CATALOGUE[id].family === family).map((id) => {
      const { name, unit, views, definition, waitsFor } = CATALOGUE[id];
      return `| ${id} | ${name} | ${unit} | ${views.join(", ")} | ${definition} | ${waitsFor.join(", ")} |`;
    });
    return `## ${family[0]!.toUpperCase()}${family.slice(1)}\n\n| id | name | unit | views | meaning | known at |\n|---|---|---|---|---|---|\n${rows.join("\n")}\n`;
  });
  return `# Measures\n\nWritten by \`npm run lists\` from their definitions in src/core/measures/library.\n\n${tables.join("\n")}`;
}
