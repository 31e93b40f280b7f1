import type { PaperFacts } from "@/contracts/invoices";
import type { Day } from "@/core/calendar";
import { type Instalment, partNumber } from "@/core/invoices";
import { minor, type Minor, split } from "@/core/money";
import type { DocumentRow } from "@/db/documents";
import { insertOpenItem } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

/** What an approved document opened: one item, or one for each of its parts; sums as they are owed. */
export type Opened = { itemId: number; sum: Minor };

/** Opens what an approved document asks for, or gives back. */
export function openItems(
  ctx: CommandContext,
  document: DocumentRow,
  paper: PaperFacts & { number: string },
): [Opened, ...Opened[]] {
  const { parts, number } = paper;
  const whole = { number, dueOn: document.dueOn, terms: document.terms };
  const [first, ...others] = parts ?? [];
  if (!first) {
    const itemId = insertItem(ctx, document, paper, {
      ...whole,
      total: paper.total,
      tax: paper.tax,
    });
    return [{ itemId, sum: paper.total }];
  }
  // Each part bears its share of the tax.
  const taxes = split(
    paper.tax,
    [first, ...others].map(({ sum }) => sum),
  );
  const open = ({ dueOn, terms, sum }: Instalment, at: number): Opened => {
    const tax = taxes[at] ?? minor(0);
    const part = { number: partNumber(number, at), partOf: number, dueOn, terms, total: sum, tax };
    return { itemId: insertItem(ctx, document, paper, part), sum };
  };
  return [open(first, 0), ...others.map((part, at) => open(part, at + 1))];
}

type ToOpen = {
  number: string;
  partOf?: string;
  dueOn: Day;
  terms: string | null;
  total: Minor;
  tax: Minor;
};

function insertItem(
  ctx: CommandContext,
  document: DocumentRow,
  paper: PaperFacts,
  { terms, tax, ...item }: ToOpen,
): number {
  const sign = document.kind === "invoice" ? 1 : -1;
  const total = minor(sign * item.total);
  return insertOpenItem(ctx.db, {
    ...item,
    kind: document.kind,
    customerId: document.customerId,
    issuedOn: document.issuedOn,
    currency: document.currency,
    total,
    tax: minor(sign * tax),
    opened: total,
    balance: total,
    openedOn: document.issuedOn,
    poNumber: document.poNumber,
    terms: document.kind === "invoice" ? terms : null,
    description: paper.lines[0]?.description ?? null,
    fileId: null,
    lineNo: null,
  });
}
