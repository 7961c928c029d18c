/** What a pair of pressure insoles measured: time on their own clock, ms, and the load under heel and toe of each foot, in any one unit. */
export interface InsoleReading {
  t: Float64Array;
  left: { heel: Float64Array; toe: Float64Array };
  right: { heel: Float64Array; toe: Float64Array };
}
