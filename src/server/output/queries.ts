import { z } from "zod";

import { type Day, parseDay } from "@/core/calendar";

/** What may be asked of sheets, as it stands in an address. What cannot be read counts as not asked. */

/** Rows of a list that is given whole. */
export const ALL = 1_000_000;

export const noQuery = z.object({});

/** A text that is looked for; null where none is. */
export const searched = z
  .string()
  .catch("")
  .transform((text) => text || null);

/** A number of a document or an account; not a number where none is given. */
export const numbered = z.coerce.number().catch(Number.NaN);

/** A day; null where none is given. */
export const asDay = z
  .string()
  .catch("")
  .transform((text): Day | null => {
    const parsed = parseDay(text, "ymd");
    return parsed.ok ? parsed.value : null;
  });

/** The first day of a month (`2026-11`), or of that of a day where the text is none. */
export function monthOr(text: string, today: Day): Day {
  const parsed = /^\d{4}-\d\d$/.test(text) ? parseDay(`${text}-01`, "ymd") : null;
  return parsed?.ok ? parsed.value : (`${today.slice(0, 7)}-01` as Day);
}

/** The days a report is for. */
export type Period = { asOf: Day; from: Day; to: Day };
export const aPeriod = z.custom<Period>();
