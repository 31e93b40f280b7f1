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

/** The days a report is for. */
export type Period = { asOf: Day; from: Day; to: Day };
export const aPeriod = z.custom<Period>();
