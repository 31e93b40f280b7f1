import { z } from "zod";

import { country, currencyCode, isoDay, name, timeZone } from "./values";

/** What is asked when a book is started. */
export const bookSchema = z.object({
  name,
  currency: currencyCode,
  timeZone,
  country: country.default("US"),
  cutOverOn: isoDay,
  replyTo: z.email("An e-mail address is needed."),
  clock: isoDay.nullable().default(null),
});
