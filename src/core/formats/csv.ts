import Papa from "papaparse";

/**
 * A table as CSV (RFC 4180, UTF-8, comma, point as the decimal mark). A word that a spreadsheet
 * would run as a formula (it begins with `=`, `+`, `-` or `@`) gets an apostrophe before it;
 * numbers stay as they are.
 *
 * @example writeCsv(["name", "cm"], [["=1+1", -2]]) // name,cm, then "'=1+1",-2
 */
export const writeCsv = (
  fields: readonly string[],
  rows: readonly (readonly unknown[])[],
): string =>
  Papa.unparse(
    { fields: [...fields], data: rows.map((row) => [...row]) },
    { newline: "\r\n", escapeFormulae: true },
  );
