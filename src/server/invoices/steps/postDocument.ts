import { endOfMonth } from "@/core/calendar";
import { type AccountRef, EARNED_LATER, inBook, postCreditNote, postInvoice } from "@/core/ledger";
import { add, minor, type Minor, mulDiv } from "@/core/money";
import { deferralsOf, insertDeferral, moveDeferral } from "@/db/deferrals";
import { documentById, type DocumentRow } from "@/db/documents";
import { items } from "@/db/items";
import { linesOfEntry } from "@/db/journal";
import type { CommandContext } from "@/server/runtime/context";

import { accountOfLater } from "./accountOfLater";
import type { Opened } from "./openItems";
import type { WorkedOut } from "./workOut";

type Posting = {
  document: DocumentRow;
  worked: WorkedOut;
  opened: readonly [Opened, ...Opened[]];
  actId: number;
  text: string;
};

/** A part of a document's net: to which account of income, and over how many months it is earned. */
type Earned = { incomeOf: string | null; months: number; isDeposit: boolean; net: Minor };

/** Receivables gross, income without tax by the accounts of its items, tax by code. */
export function postDocument(ctx: CommandContext, posting: Posting): void {
  const { document, worked, opened, actId, text } = posting;
  const [{ itemId }] = opened;
  const { currency } = document;
  const earned = earnedOf(ctx, document, worked);
  const parts = document.kind === "invoice" ? earned.map(billed) : takenBack(ctx, posting, earned);
  for (const later of Object.values(EARNED_LATER))
    if (parts.some(({ to }) => to.of === later.of)) accountOfLater(ctx, later.of);
  const drafted = {
    on: document.issuedOn,
    partyId: document.customerId,
    document: { kind: "open_item" as const, id: itemId, text },
    itemId,
    instalments:
      opened.length === 1
        ? undefined
        : opened.map(({ itemId, sum }) => ({ itemId, sum: inBook(sum, currency) })),
    income: parts.map(({ to, net }) => ({ to, sum: inBook(net, currency) })),
    taxes: worked.paper.taxes.map(({ code, sum }) => ({
      to: { role: "tax" as const, of: code },
      sum: inBook(sum, currency),
    })),
  };
  const isInvoice = document.kind === "invoice";
  const entryId = ctx.post(isInvoice ? postInvoice(drafted) : postCreditNote(drafted), actId);
  const receivables = opened.length;
  if (isInvoice) keepDeferrals(ctx, { entryId, document, itemId, receivables, earned });
}

const incomeAccount = (of: string | null): AccountRef =>
  of === null ? { role: "income" } : { role: "income", of };

function billed({ incomeOf, months, isDeposit, net }: Earned): { to: AccountRef; net: Minor } {
  if (isDeposit) return { to: EARNED_LATER.deposits, net };
  return { to: months > 1 ? EARNED_LATER.deferred : incomeAccount(incomeOf), net };
}

/** The net of a document by what it is earned as; charges go to the account of all income at once. */
function earnedOf(
  { db }: CommandContext,
  document: DocumentRow,
  { totals, lines }: WorkedOut,
): Earned[] {
  const itemOf = new Map(items(db).map((item) => [item.code, item]));
  const asksBefore = isDepositDocument(db, document);
  const sums = new Map<string, Earned>();
  const count = (part: Earned): void => {
    const key = JSON.stringify([part.incomeOf, part.months, part.isDeposit]);
    sums.set(key, { ...part, net: add(sums.get(key)?.net ?? minor(0), part.net) });
  };
  const atOnce = { incomeOf: null, months: 1, isDeposit: asksBefore };
  for (const net of totals.chargeNets) count({ ...atOnce, net });
  totals.nets.forEach((net, at) => {
    const line = lines[at];
    const isDeposit = asksBefore || (line?.settles ?? null) !== null;
    const item = isDeposit ? undefined : itemOf.get(line?.item ?? "");
    count({ incomeOf: item?.incomeOf ?? null, months: item?.months ?? 1, isDeposit, net });
  });
  return [...sums.values()];
}

/** A deposit invoice, or the credit note of one. */
function isDepositDocument(db: CommandContext["db"], document: DocumentRow): boolean {
  if (document.creditsId === null) return document.depositOf !== null;
  return documentById(db, document.creditsId)?.depositOf != null;
}

type Kept = {
  entryId: number;
  document: DocumentRow;
  itemId: number;
  /** How many lines of what is owed the entry begins with. */
  receivables: number;
  earned: readonly Earned[];
};

/** Keeps what is earned over months, at the value in the book's currency that it was posted with. */
function keepDeferrals(ctx: CommandContext, kept: Kept): void {
  const { entryId, document, itemId, receivables, earned } = kept;
  // What is owed stands first, a line for each part; the parts of the net follow in their order.
  const lines = linesOfEntry(ctx.db, entryId).slice(receivables);
  earned.forEach(({ incomeOf, months, isDeposit, net }, at) => {
    if (isDeposit || months === 1 || net === 0) return;
    insertDeferral(ctx.db, {
      openItemId: itemId,
      incomeOf,
      currency: document.currency,
      firstOn: endOfMonth(document.issuedOn),
      months,
      sum: net,
      bookSum: minor(-(lines[at]?.bookAmount ?? 0)),
    });
  });
}

/** Where a credit note takes from: first what was not earned yet of the invoice, then income. */
function takenBack(
  ctx: CommandContext,
  { document, actId }: Posting,
  earned: readonly Earned[],
): { to: AccountRef; net: Minor }[] {
  const invoice = document.creditsId === null ? null : documentById(ctx.db, document.creditsId);
  const left = invoice?.openItemId == null ? [] : deferralsOf(ctx.db, invoice.openItemId);
  return earned.flatMap((part) => {
    const account = { to: part.isDeposit ? EARNED_LATER.deposits : incomeAccount(part.incomeOf) };
    const from = left.find((one) => one.incomeOf === part.incomeOf && one.months === part.months);
    if (part.isDeposit || part.months === 1 || !from || from.left <= 0)
      return [{ ...account, net: part.net }];
    const sum = minor(Math.min(from.left, part.net));
    const bookSum =
      sum === from.left
        ? from.bookLeft
        : mulDiv(from.bookLeft, BigInt(sum), BigInt(from.left), "half-up");
    moveDeferral(ctx.db, { deferralId: from.id, monthNo: null, sum, bookSum }, actId);
    const rest = minor(part.net - sum);
    return [
      { to: EARNED_LATER.deferred, net: sum },
      ...(rest === 0 ? [] : [{ ...account, net: rest }]),
    ];
  });
}
