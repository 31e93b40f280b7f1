import type { Language } from "@/core/followup";
import { coverTemplate } from "@/core/invoices";
import { formatMoney, type Minor, ZERO } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import { markReached, wayOf } from "@/db/documentWays";
import { followedRow } from "@/db/followed";
import { insertLetter } from "@/db/letters";
import { partsOfInvoice } from "@/db/openItems";
import { backFrom, personsOf } from "@/db/persons";
import { addressed, fill } from "@/server/overdue/letters";
import { dayIn } from "@/server/overdue/letterTable";
import type { CommandContext } from "@/server/runtime/context";

/** Other words than the book's, as they were looked at. */
export type OwnWords = { subject: string; body: string } | null;

/** Step of letters that bring a document: no rung of a ladder. */
const NO_RUNG = 0;

/**
 * Records the mail that brings a document to its customer, to the addresses that letters reach; it
 * leaves by the outbox, once. A document that was sent goes again only where that is asked for.
 */
export function sendOne(
  ctx: CommandContext,
  documentId: number,
  { own, again }: { own: OwnWords; again: boolean },
): Result<{ letterId: number; actId: number }> {
  const { db, settings } = ctx;
  const document = wayOf(db, documentId);
  const customer = document && customerById(db, document.customerId);
  if (!document || !customer) return fail("document.unknown", { id: documentId });
  if (document.doneOn !== null && !again)
    return fail("document.sent", { number: document.number, day: document.doneOn });
  const reach = { persons: personsOf(db, customer.id), customer };
  const { to, copies, back, greeting } = addressed(reach, (address) => backFrom(db, address));
  if (to === null)
    return back[0]
      ? fail("letter.came_back", back[0])
      : fail("letter.no_address", { customer: customer.name });
  const words = wordsOf(ctx, document, { greeting, own });
  if (!words.ok) return words;
  const actId = ctx.act(
    "letter",
    { kind: "open_item", id: document.itemId, customerId: customer.id },
    `${document.number} sent to ${to}`,
  );
  const name = `${ctx.today}-${document.number.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
  const letterId = insertLetter(
    db,
    {
      customerId: customer.id,
      step: NO_RUNG,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      ...words.value,
      currency: document.currency,
      sum: document.total,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach: "invoices",
      fee: ZERO,
      feeCurrency: settings.currency,
      actId,
    },
    broughtBy(ctx, document),
  );
  markReached(db, documentId, ctx.today, letterId);
  return ok({ letterId, actId });
}

/** The items that a document opened: what its mail asks for. */
function broughtBy(
  { db }: CommandContext,
  { number, itemId, total }: Reached,
): { openItemId: number; balance: Minor }[] {
  const parts = partsOfInvoice(db, number);
  if (parts.length === 0) return [{ openItemId: itemId, balance: total }];
  return parts.map((part) => ({ openItemId: part.id, balance: part.total }));
}

type Said = { greeting: string; own: OwnWords };
type Reached = NonNullable<ReturnType<typeof wayOf>>;

function wordsOf(
  { db, settings }: CommandContext,
  document: Reached,
  { greeting, own }: Said,
): Result<{ subject: string; body: string }> {
  const { language } = followedRow(db, document.customerId);
  const base = settings.linkBase;
  const account = base === null ? "" : `${base}/account/${linkOf(db, document.customerId)}`;
  const booked =
    settings.coverSubject === null || settings.coverBody === null
      ? coverTemplate(language)
      : { subject: settings.coverSubject, body: settings.coverBody };
  return fill(own ?? booked, {
    customer: greeting,
    business: settings.name,
    number: document.number,
    total: `${document.currency} ${formatMoney(document.total, document.currency, document.currency)}`,
    due: dueWords(db, document, language),
    is_credit: document.kind === "credit_note",
    link: account === "" ? "" : `${account}/invoices/${document.itemId}`,
    account,
  });
}

/** When it is due; where in parts, how much by which day. */
function dueWords(
  db: CommandContext["db"],
  { number, dueOn, currency }: Reached,
  language: Language,
): string {
  const parts = partsOfInvoice(db, number);
  if (parts.length === 0) return dayIn(dueOn, language);
  return parts
    .map(
      (part) => `${dayIn(part.dueOn, language)} (${formatMoney(part.total, currency, currency)})`,
    )
    .join(", ");
}
