import { mkdirSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { Liquid } from "liquidjs";

import { addBankingDays, formatDay, type Day } from "@/core/calendar";
import { letterTemplate } from "@/core/followup";
import { add, formatAmount, negate, sumOf, type Minor } from "@/core/money";
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
  const sum = add(sumOf(items, (item) => item.balance), -row.credit);
  const step = row.next.step.act === "call" ? Math.max(1, row.next.step.step - 1) : row.next.step.step;
  const fields: Record<string, string | number> = {
    customer: row.customer.name, business: settings.name, count: items.length, count_words: items.length === 1 ? "One invoice" : `${items.length} invoices`,
    sum: `${settings.currency} ${formatAmount(sum, settings.currency)}`, oldest_days: row.oldestDays, reply_by: formatDay(addBankingDays(today, 5), today), table: tableOf(items, row.credit, sum, settings, today),
  };
  const empty = Object.entries(fields).find(([, value]) => value === "");
  if (empty) return fail("letter.empty_field", { field: empty[0] });
  const template = letterTemplate(step);
  const render = (text: string): string => String(engine.parseAndRenderSync(text, fields));
  return ok({ to: row.customer.email, subject: render(template.subject), body: render(template.body), step, sum, items, credit: row.credit });
}

function tableOf(items: readonly OpenItemRow[], credit: Minor, sum: Minor, settings: Settings, today: Day): string {
  const amount = (value: number): string => formatAmount(value, settings.currency);
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
