import { counting, type Outgoing } from "@/ui/film/outbox";

/** Bytes of films on this device. */
export const filmBytes = (rows: readonly Outgoing[]): number =>
  rows.reduce((sum, r) => sum + (r.film?.file.size ?? 0), 0);

/** Bytes of what is sent of some rows. */
export const bytesToSend = (rows: readonly Outgoing[]): number =>
  rows.reduce(
    (sum, r) => sum + r.track.bytes.byteLength + (r.keepFilm ? (r.film?.file.size ?? 0) : 0),
    0,
  );

/** '24 MB', '1.2 GB'. */
export const mb = (bytes: number): string =>
  bytes >= 1e9 ? `${(bytes / 1e9).toFixed(1)} GB` : `${Math.max(1, Math.round(bytes / 1e6))} MB`;

/** 'One rep', '12 reps'. */
export const repsIn = (rows: readonly Outgoing[]): string => {
  const n = rows.flatMap(counting).length;
  return n === 1 ? "One rep" : `${n} reps`;
};
