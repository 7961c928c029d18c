/** Where reading a clip spent its time, ms. */
export interface ReadTimings {
  decodeMs: number;
  cropMs: number;
  networkMs: number;
  patchesMs: number;
  totalMs: number;
  networkRuns: number;
  detectorRuns: number;
}
