import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { Liquid } from "liquidjs";

import { addBankingDays, formatDay, type Day } from "@/core/calendar";
import { letterTemplate } from "@/core/followup";
import { add, formatAmount, negate, sumOf, ZERO, type Currency, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { letterById, setDelivery, type LetterRow } from "@/db/followup";
import type { OpenItemRow } from "@/db/openItems";
import { readSettings, type Settings } from "@/db/settings";

import { outboxFile } from "./folders";
import type { OverdueRow } from "./queries/overdue";

export type LetterDraft = { to: string | null; subject: string; body: string; step: number; sum: Minor; items: OpenItemRow[]; credit: Minor };

const engine = new Liquid({ strictVariables: true, strictFilters: true });

/** One letter for all of it: every overdue item of the customer and its sites, credit taken off, fields filled. */
export function draftLetter(row: OverdueRow, settings: Settings, today: Day): Result<LetterDraft> {
  const items = row.items.filter((item) => item.balance > 0 && item.dueOn < today);
  const sum = add(sumOf(items, (item) => item.bookBalance), -row.credit);
  const owed = owedBy(items, row, settings.currency);
  const step = row.next.step.act === "call" ? Math.max(1, row.next.step.step - 1) : row.next.step.step;
  const fields: Record<string, string | number> = {
    customer: row.customer.name, business: settings.name, count: items.length, count_words: items.length === 1 ? "One invoice" : `${items.length} invoices`,
    sum: owed.map(({ currency, sum: own }) => `${currency} ${formatAmount(own, currency)}`).join(" and "), oldest_days: row.oldestDays, reply_by: formatDay(addBankingDays(today, 5), today), table: owed.map((one) => tableOf(items.filter(({ currency }) => currency === one.currency), one, owed.length > 1, today)).join("\n\n"),
  };
  const empty = Object.entries(fields).find(([, value]) => value === "");
  if (empty) return fail("letter.empty_field", { field: empty[0] });
  const template = letterTemplate(step);
  const render = (text: string): string => String(engine.parseAndRenderSync(text, fields));
  return ok({ to: row.customer.email, subject: render(template.subject), body: render(template.body), step, sum, items, credit: row.credit });
}

type Owed = { currency: Currency; credit: Minor; sum: Minor };

/** What is asked for, currency by currency: what is overdue in it less what is to the customer's credit in it. */
function owedBy(items: readonly OpenItemRow[], row: OverdueRow, book: Currency): Owed[] {
  const currencies = [...new Set(items.map(({ currency }) => currency))];
  return currencies.map((currency) => {
    const own = row.creditIn.get(currency) ?? ZERO;
    // Credit in a currency in which nothing is owed is taken off the book's own.
    const credit = currencies.length === 1 && currency === book ? row.credit : own;
    return { currency, credit, sum: add(sumOf(items.filter((item) => item.currency === currency), (item) => item.balance), -credit) };
  });
}

function tableOf(items: readonly OpenItemRow[], { currency, credit, sum }: Owed, several: boolean, today: Day): string {
  const amount = (value: number): string => `${several ? `${currency} ` : ""}${formatAmount(value, currency)}`;
  const rows = items.map((item) => [item.number, `due ${formatDay(item.dueOn, today)}`, amount(item.balance)]);
  if (credit !== 0) rows.push(["", "credit on your account", amount(negate(credit))]);
  rows.push(["", "together", amount(sum)]);
  const width = (at: number): number => Math.max(...rows.map((row) => row[at]?.length ?? 0));
  return rows.map(([number = "", words = "", value = ""]) => `  ${number.padEnd(width(0))}  ${words.padEnd(width(1))}  ${value.padStart(width(2))}`).join("\n");
}

/**
 * Brings a recorded letter to the outbox as an RFC 5322 file, and by SMTP where
 * the book has a server. Its Message-ID and file name were fixed when it was
 * recorded, so doing this again after a crash writes the same file.
 */
export async function deliverLetter(db: Db, book: string, letterId: number): Promise<void> {
  const letter = letterById(db, letterId);
  if (letter?.delivery !== "queued") return;
  const settings = readSettings(db);
  const message = messageOf(letter, settings);
  const { default: MailComposer } = await import("nodemailer/lib/mail-composer");
  const bytes = await new MailComposer(message).compile().build();
  const path = outboxFile(book, letter.fileName);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(`${path}.part`, bytes);
  renameSync(`${path}.part`, path);
  db.transaction(() => setDelivery(db, letterId, "outbox"));
  if (settings.smtpUrl === null) return;
  const { default: nodemailer } = await import("nodemailer");
  const outcome = await nodemailer.createTransport(settings.smtpUrl).sendMail({ ...message, raw: bytes, envelope: { from: settings.replyTo, to: letter.toAddress } }).then(() => "sent", () => "not sent: the mail server refused it or was not reached");
  db.transaction(() => setDelivery(db, letterId, outcome));
}

function messageOf(letter: LetterRow, settings: Settings): { from: { name: string; address: string }; to: string; subject: string; text: string; messageId: string; date: Date } {
  return { from: { name: settings.name, address: settings.replyTo }, to: letter.toAddress, subject: letter.subject, text: letter.body, messageId: letter.messageId, date: new Date(`${letter.onDay}T12:00:00Z`) };
}
