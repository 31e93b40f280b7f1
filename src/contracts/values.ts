import { z } from "zod";

import type { Day } from "@/core/calendar";
import { isBookDay, isEmailAddress } from "@/core/gate";
import { type Currency, currencyOf } from "@/core/money";

import "./problems";

/** The gate for single values: what a page, a script or the command line sends is read here and nowhere else. */

/** A calendar day, as 2026-11-24. */
export const isoDay = z.iso
  .date()
  .refine(isBookDay, "a day from 1900 to 2199, please.")
  .transform((text) => text as Day);

/** One e-mail address, and nothing else. */
export const emailAddress = z
  .string()
  .trim()
  .refine(isEmailAddress, "An e-mail address is needed, like office@example.com.");

/** The short name of an account, as it stands in files and addresses. */
export const code = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9-]{0,30}$/, "Use small letters, digits and hyphens.");

/** What something is called. */
export const name = z.string().trim().min(1, "A name is needed.").max(200);

/** An ISO 4217 code. */
export const currencyCode = z.string().transform((text, context) => {
  const found = currencyOf(text);
  if (!found) context.addIssue({ code: "custom", message: "Use a code of ISO 4217, like USD." });
  return found ?? ("USD" as Currency);
});

/** A country of ISO 3166, by its two letters. */
export const country = z.string().regex(/^[A-Z]{2}$/, "A country by its two letters, like US.");

/** A zone of the IANA time zone database. */
export const timeZone = z.string().refine(isTimeZone, "Use a time zone, like America/Chicago.");

/** Whether a text names a time zone. */
export function isTimeZone(text: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: text });
    return true;
  } catch {
    return false;
  }
}
