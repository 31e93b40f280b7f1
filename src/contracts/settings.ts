import { z } from "zod";

import { currencyCode, isoDay, name, timeZone } from "./values";

/** What is asked when a book is started. */
export const bookSchema = z.object({
  name,
  currency: currencyCode,
  timeZone,
  cutOverOn: isoDay,
  replyTo: z.email("An e-mail address is needed."),
  clock: isoDay.nullable().default(null),
});
