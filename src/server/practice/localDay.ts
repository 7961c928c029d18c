import { format } from "date-fns";

/** The day on which something happens where this computer stands: '2026-11-26'. */
export const localDay = (at: Date): string => format(at, "yyyy-MM-dd");
