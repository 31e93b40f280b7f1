import type { Day } from "@/core/calendar";
import type { InvoiceRecord } from "@/core/formats";
import { inBook, postCreditNote, postInvoice, postOpening } from "@/core/ledger";
import { add, type Minor, minor } from "@/core/money";
import { insertOpenItem, openItemByNumber, type OpenItemRow } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { customerFinder } from "../steps/customerFinder";
import { type FileRun, withoutTwins } from "./report";

/**
 * Takes in open invoices and credit notes: up to the cut-over day at their
 * balance as opening balances, after it as new ones at their total, with
 * income and tax.
 */
export function importInvoices(
  ctx: CommandContext,
  records: readonly InvoiceRecord[],
  file: FileRun & { answers: Readonly<Record<string, string>> },
): void {
  const { tally } = file;
  const rows = withoutTwins(
    records,
    (row) => row.number,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const customerOf = customerFinder(ctx, file.answers);
  for (const row of rows) {
    const customer = customerOf(row.customerId);
    if (!customer) {
      tally.refuseLine(row.line, "customerId", { code: "customer.unknown", id: row.customerId });
      continue;
    }
    const known = openItemByNumber(ctx.db, row.number);
    if (known) {
      if (sameDocument(known, row) && known.customerId === customer.id) tally.know(row.line);
      else
        tally.change(row.line, "number", {
          code: known.dueOn === row.dueOn ? "invoice.changed" : "invoice.due_changed",
          was: ctx.sum(known.total, known.currency),
          due: known.dueOn,
          open: ctx.sum(known.balance, known.currency),
        });
      continue;
    }
    takeIn(ctx, row, customer.id, file);
  }
}

/** Whether a document that comes again says the same: what is open may be what it was, or what it is by now. */
const sameDocument = (known: OpenItemRow, row: InvoiceRecord): boolean =>
  known.total === row.total &&
  known.dueOn === row.dueOn &&
  [known.opened, known.balance, known.total].includes(row.balance);

function takeIn(ctx: CommandContext, row: InvoiceRecord, customerId: number, file: FileRun): void {
  const { cutOverOn } = ctx.settings;
  const { tally } = file;
  const opening = row.issuedOn <= cutOverOn;
  if (opening && row.balance === 0) return tally.know(row.line);
  const openedOn = opening ? cutOverOn : row.issuedOn;
  const stale = ctx.staleRate(row.currency, openedOn);
  if (stale) return tally.refuseLine(row.line, "currency", stale);
  const item = insertItem(ctx, row, {
    customerId,
    openedOn,
    opened: opening ? row.balance : row.total,
    fileId: file.fileId,
  });
  if (opening) {
    postAsOpening(ctx, item, file.actId);
    return tally.take(row.line, "come over as opening balances", item.opened, row.currency);
  }
  postAsNew(ctx, item, file.actId);
  tally.take(
    row.line,
    item.kind === "invoice" ? "invoices taken in as new" : "credit notes taken in as new",
    row.total,
    row.currency,
  );
  if (row.balance !== row.total)
    tally.also(
      "of these that were paid in part: what was paid comes as a receipt of its own",
      add(row.total, -row.balance),
      row.currency,
    );
}

type Opening = { customerId: number; openedOn: Day; opened: Minor; fileId: number };
type TakenItem = Omit<InvoiceRecord, "customerId"> &
  Opening & { id: number; kind: "invoice" | "credit_note" };

function insertItem(ctx: CommandContext, row: InvoiceRecord, opening: Opening): TakenItem {
  const kind = row.total < 0 ? "credit_note" : "invoice";
  const { number, issuedOn, dueOn, currency, total, tax, poNumber, terms, description } = row;
  const id = insertOpenItem(ctx.db, {
    ...opening,
    kind,
    number,
    issuedOn,
    dueOn,
    currency,
    total,
    tax,
    balance: opening.opened,
    poNumber,
    terms,
    description,
    lineNo: row.line,
  });
  return { ...row, ...opening, id, kind };
}

const headOf = ({ id, kind, number, openedOn, customerId }: TakenItem) => ({
  on: openedOn,
  partyId: customerId,
  document: {
    kind: "open_item" as const,
    id,
    text: `${kind === "invoice" ? "invoice" : "credit note"} ${number}`,
  },
});

function postAsOpening(ctx: CommandContext, item: TakenItem, actId: number): void {
  ctx.post(
    postOpening({
      ...headOf(item),
      account: { role: "receivables" },
      sum: inBook(item.opened, item.currency),
      item: { kind: "open_item", id: item.id },
    }),
    actId,
  );
}

/** With income and tax; of a credit note both are turned. */
function postAsNew(ctx: CommandContext, item: TakenItem, actId: number): void {
  const sign = item.kind === "invoice" ? 1 : -1;
  const [total, tax] = [minor(sign * item.total), minor(sign * item.tax)];
  const parts = {
    ...headOf(item),
    itemId: item.id,
    income: [{ sum: inBook(add(total, -tax), item.currency) }],
    taxes: [{ sum: inBook(tax, item.currency) }],
  };
  ctx.post(item.kind === "invoice" ? postInvoice(parts) : postCreditNote(parts), actId);
}
