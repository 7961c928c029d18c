import ical from "ical-generator";
import type { PlannedBout } from "../practice";

/** A planned bout with the words that a calendar shows. */
export interface CalendarBout extends PlannedBout {
  title: string;
  note: string;
}

/** A line break that a program takes for one would begin another entry of the file. */
const oneLine = (text: string): string =>
  text.replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, " ");

/**
 * A week's bouts as a calendar file (iCalendar, RFC 5545): one entry a bout on its day, without an
 * hour; the same bout has the same name in every file, so that a calendar takes a later plan for a
 * change and not for one more.
 */
export function calendarFile(name: string, bouts: readonly CalendarBout[]): string {
  const calendar = ical({
    name: oneLine(name),
    prodId: { company: "Kingfisher", product: "Practice" },
  });
  for (const b of bouts) {
    const start = new Date(`${b.day}T00:00:00Z`);
    calendar.createEvent({
      id: `${b.day}-${b.drillId}@kingfisher`,
      start,
      allDay: true,
      summary: `${oneLine(b.title)}, ${b.minutes} min`,
      description: oneLine(b.note),
      location: b.place === "home" ? "At home" : "On the range",
    });
  }
  return calendar.toString();
}
