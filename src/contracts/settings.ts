import { z } from "zod";

import { isEmailAddress } from "@/core/gate";

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

/** Where mails are read (IMAP), and who may send files there: addresses, or `@example.com` for a domain. */
export const mailboxSchema = mailServerSchema.extend({
  user: z.string().trim().min(1, "The name of the mailbox, often its address.").max(200),
  from: z
    .array(
      z
        .string()
        .trim()
        .toLowerCase()
        .refine(
          (text) => isEmailAddress(text.startsWith("@") ? `x${text}` : text),
          "An address like ann@example.com, or @example.com for everybody there.",
        ),
    )
    .max(100),
});

export type MailboxFacts = z.output<typeof mailboxSchema>;
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

/** An account of the chart as Set-up lists it. */
export type ChartListed = {
  code: string;
  name: string;
  role: string;
  of: string | null;
  /** Whether it may be removed: it is nobody's fallback, and nothing was posted to it. */
  removable: boolean;
};

/** What is billed again and again, as Set-up lists it; `account`: the number of its income account. */
export type ItemListed = {
  code: string;
  description: string;
  rate: string;
  taxCode: string | null;
  account: string | null;
  /** Over how many months its income is earned; 1 for at once. */
  months: number;
};
