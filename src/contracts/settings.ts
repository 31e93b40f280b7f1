import { z } from "zod";

import { country, currencyCode, emailAddress, isoDay, name, timeZone } from "./values";

/** How letters leave: by a server that is named by its parts, and nothing else reaches the mailer. */
export const mailServerSchema = z.object({
  host: z
    .string()
    .trim()
    .toLowerCase()
    .max(253)
    .regex(
      /^(?:[a-z0-9]|[a-z0-9][a-z0-9.:-]*[a-z0-9])$/,
      "A name or an address, like mail.example.com.",
    ),
  port: z.number().int().min(1).max(65_535),
  /** TLS from the first byte (RFC 8314); else it is asked for once connected (STARTTLS). */
  secure: z.boolean(),
  user: z.string().trim().min(1).max(200).nullable(),
});

export type MailServerFacts = z.output<typeof mailServerSchema>;

/** What is asked when a book is started. */
export const bookSchema = z.object({
  name,
  currency: currencyCode,
  timeZone,
  country: country.default("US"),
  cutOverOn: isoDay,
  replyTo: emailAddress,
  clock: isoDay.nullable().default(null),
});
