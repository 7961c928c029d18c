import { expose } from "comlink";
import { readInsolesCsv } from "@/core/formats";
import {
  laidAt,
  placesOf,
  type Alignment,
  type InsoleReading,
  toRows,
  type InsoleRows,
} from "@/core/practice";
import type { RepSeries } from "@/core/reps";

let reading: InsoleReading | null = null;

/**
 * Reads an insoles' file and finds a rep in it, beside the page: a practice's file has a hundred
 * thousand rows and more.
 */
const worker = {
  /**
   * @returns where the rep may be in the file, the best first, with the time from the file's start,
   * s; or what is wrong with the file
   */
  find(
    text: string,
    series: Pick<RepSeries, "t" | "leadShare">,
    hand: "left" | "right",
  ): { places: (Alignment & { fromStartS: number })[] } | { message: string } {
    const read = readInsolesCsv(text);
    if (!read.ok) return { message: read.message };
    reading = read.reading;
    const began = reading.t[0]!;
    return {
      places: placesOf(reading, series, hand).map((p) => ({
        ...p,
        fromStartS: (series.t[0]! - p.offsetMs - began) / 1000,
      })),
    };
  },
  lay(series: Pick<RepSeries, "t">, offsetMs: number): InsoleRows {
    return toRows(laidAt(reading!, series, offsetMs));
  },
};

export type InsolesWorker = typeof worker;

expose(worker);
