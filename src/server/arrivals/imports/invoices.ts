import type { InvoiceRecord } from "@/core/formats";
import { inBook, postCreditNote, postInvoice, postOpening } from "@/core/ledger";
import { add, minor } from "@/core/money";
import { customerByExternalId } from "@/db/customers";
import { insertOpenItem, openItemByNumber } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { type Tallying, withoutTwins } from "./report";

/**
 * Takes in open invoices and credit notes: up to the cut-over day at their
 * balance as opening balances, after it as new ones at their total, with
 * income and tax.
 */
export function importInvoices(
  ctx: CommandContext,
  records: readonly InvoiceRecord[],
  fileId: number,
  actId: number,
  tally: Tallying,
): void {
  const rows = withoutTwins(
    records,
    (row) => row.number,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  for (const row of rows) {
    const customer = customerByExternalId(ctx.db, row.customerId);
    if (!customer) {
      tally.refuseLine(row.line, "customerId", { code: "customer.unknown", id: row.customerId });
      continue;
    }
    const known = openItemByNumber(ctx.db, row.number);
    if (known) {
      if (known.total === row.total && known.customerId === customer.id) tally.know(row.line);
      else
        tally.change(row.line, "number", {
          code: "invoice.changed",
          was: ctx.sum(known.total, known.currency),
        });
      continue;
    }
    takeIn(ctx, row, customer.id, fileId, actId, tally);
  }
}

function takeIn(
  ctx: CommandContext,
  row: InvoiceRecord,
  customerId: number,
  fileId: number,
  actId: number,
  tally: Tallying,
): void {
  const opening = row.issuedOn <= ctx.settings.cutOverOn;
  if (opening && row.balance === 0) return tally.know(row.line);
  const stale = ctx.staleRate(row.currency, opening ? ctx.settings.cutOverOn : row.issuedOn);
  if (stale) return tally.refuseLine(row.line, "currency", stale);
  const opened = opening ? row.balance : row.total;
  const openedOn = opening ? ctx.settings.cutOverOn : row.issuedOn;
  const kind = row.total < 0 ? "credit_note" : "invoice";
  const id = insertOpenItem(ctx.db, {
    kind,
    number: row.number,
    customerId,
    issuedOn: row.issuedOn,
    dueOn: row.dueOn,
    currency: row.currency,
    total: row.total,
    tax: row.tax,
    opened,
    balance: opened,
    openedOn,
    poNumber: row.poNumber,
    terms: row.terms,
    description: row.description,
    fileId,
    lineNo: row.line,
  });
  const head = {
    on: openedOn,
    partyId: customerId,
    document: {
      kind: "open_item" as const,
      id,
      text: `${kind === "invoice" ? "invoice" : "credit note"} ${row.number}`,
    },
  };
  if (opening) {
    ctx.post(
      postOpening({
        ...head,
        account: { role: "receivables" },
        sum: inBook(opened, row.currency),
        item: { kind: "open_item", id },
      }),
      actId,
    );
    return tally.take(row.line, "come over as opening balances", opened, row.currency);
  }
  const sign = kind === "invoice" ? 1 : -1;
  const [total, tax] = [minor(sign * row.total), minor(sign * row.tax)];
  const parts = {
    itemId: id,
    income: [{ sum: inBook(add(total, -tax), row.currency) }],
    tax: tax === 0 ? null : inBook(tax, row.currency),
  };
  ctx.post(
    kind === "invoice" ? postInvoice({ ...head, ...parts }) : postCreditNote({ ...head, ...parts }),
    actId,
  );
  tally.take(
    row.line,
    kind === "invoice" ? "invoices taken in as new" : "credit notes taken in as new",
    row.total,
    row.currency,
  );
}
