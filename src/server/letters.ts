import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { Liquid } from "liquidjs";

import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { letterTemplate, tableWords, type Attached, type Language } from "@/core/followup";
import { add, formatAmount, negate, sumOf, ZERO, type Currency, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { itemsOfLetter, letterById, setDelivery, type LetterRow } from "@/db/followup";
import type { FollowItem } from "@/db/openItems";
import { readSettings, type Settings } from "@/db/settings";

import { outboxFile } from "./folders";
import type { OverdueRow } from "./queries/overdue";

export type LetterDraft = { to: string | null; subject: string; body: string; step: number; sum: Minor; items: FollowItem[]; credit: Minor; attach: Attached };

const engine = new Liquid({ strictVariables: true, strictFilters: true });

/** One letter for all of it: every item that today's step names, of the customer and its sites, credit taken off, fields filled, in the customer's language. */
export function draftLetter(row: OverdueRow, settings: Settings, today: Day): Result<LetterDraft> {
  const named = new Set(row.named);
  const items = row.items.filter(({ id }) => named.has(id));
  const sum = add(sumOf(items, (item) => item.bookBalance), -row.credit);
  const owed = owedBy(items, row, settings.currency);
  const { language } = row.followed;
  const { step, tone, attach } = letterStep(row);
  const fields: Record<string, string | number | boolean> = {
    customer: row.followed.contactName || row.customer.name, business: settings.name, count: items.length, ahead: row.oldestDays <= 0, sum: owed.map(({ currency, sum: own }) => `${currency} ${formatAmount(own, currency)}`).join(" + "), oldest_days: Math.max(0, row.oldestDays), reply_by: dayIn(addBankingDays(today, 5), language),
    table: owed.map((one) => tableOf(items.filter(({ currency }) => currency === one.currency), one, owed.length > 1, language)).join("\n\n"),
  };
  const empty = Object.entries(fields).find(([, value]) => value === "");
  if (empty) return fail("letter.empty_field", { field: empty[0] });
  const template = letterTemplate(tone, language);
  const render = (text: string): string => String(engine.parseAndRenderSync(text, fields));
  return ok({ to: row.followed.contactEmail || row.customer.email, subject: render(template.subject), body: render(template.body), step, sum, items, credit: row.credit, attach });
}

/** The rung that a letter of today is: a call that is written instead has the tone of the last letter. */
function letterStep({ next, followed }: OverdueRow): { step: number; tone: number; attach: Attached } {
  const { step } = next;
  return step.act === "letter" ? step : { step: step.step, tone: followed.language === "en" && step.act === "stop" ? 4 : 3, attach: "statement" };
}

/** A day as the language writes it. */
function dayIn(on: Day, language: Language): string {
  return new Intl.DateTimeFormat(language === "en" ? "en-US" : language, { weekday: "short", day: "numeric", month: "short", year: "numeric", timeZone: "UTC" }).format(new Date(`${on}T12:00:00Z`));
}

type Owed = { currency: Currency; credit: Minor; sum: Minor };

/** What is asked for, currency by currency: what is overdue in it less what is to the customer's credit in it. */
function owedBy(items: readonly FollowItem[], row: OverdueRow, book: Currency): Owed[] {
  const currencies = [...new Set(items.map(({ currency }) => currency))];
  return currencies.map((currency) => {
    const own = row.creditIn.get(currency) ?? ZERO;
    // Credit in a currency in which nothing is owed is taken off the book's own.
    const credit = currencies.length === 1 && currency === book ? row.credit : own;
    return { currency, credit, sum: add(sumOf(items.filter((item) => item.currency === currency), (item) => item.balance), -credit) };
  });
}

function tableOf(items: readonly FollowItem[], { currency, credit, sum }: Owed, several: boolean, language: Language): string {
  const words = tableWords(language);
  const amount = (value: number): string => `${several ? `${currency} ` : ""}${formatAmount(value, currency)}`;
  const rows = items.map((item) => [item.number, `${words.due} ${dayIn(item.dueOn, language)}`, amount(item.balance)]);
  if (credit !== 0) rows.push(["", words.credit, amount(negate(credit))]);
  rows.push(["", words.together, amount(sum)]);
  const width = (at: number): number => Math.max(...rows.map((row) => row[at]?.length ?? 0));
  return rows.map(([number = "", says = "", value = ""]) => `  ${number.padEnd(width(0))}  ${says.padEnd(width(1))}  ${value.padStart(width(2))}`).join("\n");
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
  const message = { ...messageOf(letter, settings), attachments: await attachmentsOf(db, letter) };
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

type Attachment = { filename: string; content: Buffer; contentType: string };

/** What goes with a letter: the statement as of its day, and the invoices that it names. */
async function attachmentsOf(db: Db, letter: LetterRow): Promise<Attachment[]> {
  if (letter.attach === "none") return [];
  const { invoicePdf, statementPdf } = await import("./papers");
  const pdf = (filename: string, content: Buffer | null): Attachment[] => (content ? [{ filename, content, contentType: "application/pdf" }] : []);
  const papers = pdf(`statement-${letter.onDay}.pdf`, await statementPdf(db, letter.customerId, addDays(letter.onDay, -STATEMENT_DAYS), letter.onDay));
  if (letter.attach === "invoices") for (const item of itemsOfLetter(db, letter.id)) papers.push(...pdf(`${item.number.replace(/[^A-Za-z0-9-]/g, "_")}.pdf`, await invoicePdf(db, item.id)));
  return papers;
}

/** How far back the statement of a letter goes. */
const STATEMENT_DAYS = 92;

function messageOf(letter: LetterRow, settings: Settings): { from: { name: string; address: string }; to: string; subject: string; text: string; messageId: string; date: Date } {
  return { from: { name: settings.name, address: settings.replyTo }, to: letter.toAddress, subject: letter.subject, text: letter.body, messageId: letter.messageId, date: new Date(`${letter.onDay}T12:00:00Z`) };
}
