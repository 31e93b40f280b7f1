import type { Day } from "@/core/calendar";
import {
  type Language,
  LANGUAGES,
  letterTemplate,
  type LetterTemplate,
  TONES,
} from "@/core/followup";
import type { Proposal } from "@/core/matching";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { readSettings } from "@/db/settings";

import { draftLetter, fill } from "./letters";
import { overdueRows } from "./queries/overdue";

/** The fields a letter's words can use, each with what it says; the page lists them. */
export const LETTER_FIELDS = [
  ["customer", "the contact person, or the customer"],
  ["business", "your name"],
  ["sum", "what is asked for, with its currency"],
  ["count", "how many invoices"],
  ["oldest_days", "days since the oldest was due"],
  ["reply_by", "five banking days from now"],
  ["table", "the invoices with their days and sums"],
  ["link", "the address of the account page; empty where Set-up has none"],
  ["fee", "what is charged with the letter; empty where nothing is"],
  ["ahead", "true while nothing is late yet"],
] as const;

/**
 * Every kind of letter that words must be able to become: one invoice and several, before the due
 * day and after it, with a link and a fee, and without.
 */
const KINDS = [1, 3].flatMap((count) =>
  [true, false].flatMap((ahead) =>
    ["", "https://accounts.example/account/1"].map((link) => ({
      fee: link === "" ? "" : "USD 25.00",
      customer: "Alder Lane Pottery School",
      business: "Kestrel Row Clay & Kiln",
      count,
      ahead,
      sum: "USD 864.50",
      oldest_days: ahead ? 0 : 24,
      reply_by: "Tue, Dec 1, 2026",
      table: "  20401  due Sat, Oct 31, 2026  864.50",
      link,
    })),
  ),
);

/**
 * Whether words can be filled in for every kind of letter, and say what a
 * letter must: the sum, somewhere, and to whom they go. Errors: letter.words,
 * letter.empty_field, wording.sum.
 */
export function readsWell(template: LetterTemplate): Result<null> {
  for (const fields of KINDS) {
    const filled = fill(template, fields);
    if (!filled.ok) return filled;
    const { subject, body } = filled.value;
    if (subject === "" || body.trim() === "")
      return fail("letter.empty_field", { field: subject === "" ? "subject" : "letter" });
    if (!body.includes(fields.sum) && !body.includes(fields.table)) return fail("wording.sum");
  }
  return ok(null);
}

type PreviewAsked = { customerId: number; tone: number; language: Language };

/**
 * What words say to a customer today, in a language of one's choice. Errors besides those of
 * readsWell: customer.unknown, letter.nothing.
 */
export function previewFor(
  db: Db,
  today: Day,
  proposals: readonly Proposal[],
  { customerId, language, ...template }: LetterTemplate & PreviewAsked,
): Result<LetterTemplate> {
  const row = overdueRows(db, today, proposals, customerId).find(
    ({ customer }) => customer.id === customerId,
  );
  if (!row) return fail("letter.nothing", { customer: "This customer" });
  const well = readsWell(template);
  if (!well.ok) return well;
  // Where today's step names nothing (all of it left out), all that is late is shown.
  const detail = row.detail();
  const named = detail.named.length > 0 ? detail.named : detail.items.map(({ id }) => id);
  const draft = draftLetter(
    db,
    { ...row, detail: () => ({ ...detail, named }), followed: { ...row.followed, language } },
    { settings: readSettings(db), today, own: template },
  );
  return draft.ok ? ok({ subject: draft.value.subject, body: draft.value.body }) : draft;
}

/** The words that ship, as they are before anything is filled in. */
export function shippedWords(): (LetterTemplate & {
  ladderId: number;
  tone: number;
  language: Language;
})[] {
  return LANGUAGES.flatMap((language) =>
    TONES.map((_, at) => ({
      ladderId: 0,
      tone: at + 1,
      language,
      ...letterTemplate(at + 1, language),
    })),
  );
}
