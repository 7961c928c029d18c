/** What the program reads and writes: tracks, measures, drills, curves, calendars, packages. */
export { readFlightCsv } from "./flightCsv";
export { analysisJson, type AnalysisJson } from "./analysisJson";
export { backupManifest, type BackupManifest } from "./backup";
export { calendarFile } from "./calendar";
export {
  checkDrillFile,
  type DrillFile,
  drillSchema,
  fileOf,
  type FileProblem,
  ownDrillSchema,
  readDrillFile,
} from "./drillFile";
export { DRILL_FILE_TOO_LARGE, LARGEST_DRILL_FILE } from "./drillFileSize";
export { armSpan, golferAnswers, type GolferAnswers } from "./golferAnswers";
export { insolesCsv, readInsolesCsv } from "./insolesCsv";
export { type MeasuredRep, measuresCsv } from "./measuresCsv";
export { progressCsv } from "./progressCsv";
export { repManifest, type RepManifest } from "./repPackage";
export { CANT_SHOW, isLine, isShown } from "./shownText";
export { readTrack, TrackFileError, writeTrack } from "./trackFile";
