/**
 * Codecs that cameras write and that are not read here, by how a file names them; beginnings are
 * enough.
 */
const NAMES: readonly [RegExp, string][] = [
  [/^ap(ch|cn|cs|co|4h|4x)/, "Apple ProRes"],
  [/^(mp4v|xvid|divx)/i, "MPEG-4 Part 2"],
  [/^(jpeg|mjp)/i, "Motion JPEG"],
  [/^(dvh|dva)/, "Dolby Vision"],
  [/^(dv|AVd)/, "DV"],
  [/^(h263|s263)/i, "H.263"],
  [/^(hvc|hev)/, "HEVC (H.265)"],
  [/^avc/, "H.264"],
  [/^(vp0|vp8|vp9)/i, "VP8 or VP9"],
  [/^av0/, "AV1"],
];

/**
 * What a clip that can't be decoded is in, in words. @param known as the library names it; @param
 * inFile as the file does
 */
export function codecName(known: string | null, inFile: string | null): string {
  const code = inFile ?? known ?? "";
  const name = NAMES.find(([pattern]) => pattern.test(code))?.[1];
  return (
    name ??
    (/^[\w .-]{1,12}$/.test(code) && code.trim()
      ? `its codec is ${code.trim()}`
      : "its codec is not known")
  );
}
