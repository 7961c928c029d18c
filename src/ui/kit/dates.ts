/**
 * The zone of the computer that keeps the reps: the page it sends says it, so that both write the
 * same hours.
 */
const zone = (): string =>
  typeof document === "undefined"
    ? hostZone()
    : (document.documentElement.dataset.zone ?? hostZone());

export const hostZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

const made = new Map<string, Intl.DateTimeFormat>();
function format(at: Date, options: Intl.DateTimeFormatOptions): string {
  const key = JSON.stringify(options);
  let known = made.get(key);
  if (!known)
    made.set(key, (known = new Intl.DateTimeFormat("en-GB", { ...options, timeZone: zone() })));
  return known.format(new Date(at));
}

/** When something was filmed: 'Tue 24 Nov, 18:05'. */
export const shortTime = (at: Date): string =>
  format(at, {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });

/** 'Tuesday 24 November at 18:05'. */
export const longTime = (at: Date): string =>
  format(at, {
    weekday: "long",
    day: "numeric",
    month: "long",
    hour: "2-digit",
    minute: "2-digit",
  });

/** '24 November 2026 at 18:05', as a report has it. */
export const fullTime = (at: Date): string => format(at, { dateStyle: "long", timeStyle: "short" });

/** '24 Nov'. */
export const dayOf = (at: Date): string => format(at, { day: "numeric", month: "short" });

/** '24 November'. */
export const longDay = (at: Date): string => format(at, { day: "numeric", month: "long" });

/** '18:05'. */
export const hourOf = (at: Date): string => format(at, { hour: "2-digit", minute: "2-digit" });

/** A day as written, in its own week: 'Wednesday'. */
export const weekDay = (day: string): string => inUtc(day, { weekday: "long" });

/** 'Wed 25'. */
export const shortDay = (day: string): string => inUtc(day, { weekday: "short", day: "numeric" });

/** A day has no zone. */
const inUtc = (day: string, options: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat("en-GB", { ...options, timeZone: "UTC" }).format(
    new Date(`${day}T00:00:00Z`),
  );

/** 'Tuesday 24 November'. */
export const weekDayOf = (day: string): string =>
  inUtc(day, { weekday: "long", day: "numeric", month: "long" });

/** '24 November', of a day as written. */
export const dayWords = (day: string): string => inUtc(day, { day: "numeric", month: "long" });
