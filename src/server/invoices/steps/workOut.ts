import type { DraftInput, PaperFacts } from "@/contracts/invoices";
import { type Day } from "@/core/calendar";
import { isBookDay } from "@/core/gate";
import {
  type DocumentDiscount,
  type Instalment,
  instalmentsOf,
  type PaymentPlan,
  readPlan,
  type TaxRules,
  type Totals,
  totalsOf,
} from "@/core/invoices";
import { type Currency, currencyOf, minor, type Minor, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { cardOf, type CustomerCard } from "@/db/customerCards";
import { type CustomerRow, customerById } from "@/db/customers";
import { type DocumentChargeRow, type DocumentLineRow } from "@/db/documentLines";
import { type DocumentContent, type DocumentKind } from "@/db/documents";
import { followedRow } from "@/db/followed";
import { taxCodes } from "@/db/taxCodes";
import type { Db } from "@/db/connection";
import type { Settings } from "@/db/settings";
import { lookOf } from "@/server/settings/lookOf";

/** What a document is worked out with: the book, what it is set to, and how it works out tax. */
export type Working = { db: Db; settings: Settings };

/** What kind of document it is, which invoice it corrects, and by which rules; without them the book's as it is set. */
type WrittenAs = { kind: DocumentKind; corrects: string | null; rules?: TaxRules };

/** A document worked out: what is kept of it, and what stands on its paper. */
export type WorkedOut = {
  content: DocumentContent;
  lines: DocumentLineRow[];
  charges: DocumentChargeRow[];
  totals: Totals;
  paper: PaperFacts;
};

/** Works a document out from what was typed; refused with the line and field that is wrong. */
export function workOut(
  { db, settings }: Working,
  input: DraftInput,
  as: WrittenAs = { kind: "invoice", corrects: null },
): Result<WorkedOut> {
  const customer = customerById(db, input.customerId);
  if (!customer) return fail("customer.unknown", { id: input.customerId });
  const card = cardOf(db, customer.id);
  const currency = currencyOf(input.currency ?? card.currency ?? settings.currency);
  if (!currency) return fail("currency.unknown", { text: input.currency });
  const due = dueOf(input, card.terms ?? settings.usualTerms);
  if (!due.ok) return due;
  const taxes = taxCodes(db);
  const rules = as.rules ?? { included: settings.taxIncluded, rounded: settings.taxRounded };
  const totals = totalsOf({
    currency,
    lines: input.lines,
    discount: discountOf(input),
    charges: input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) })),
    taxes,
    rules,
    withholdingPercent: input.withholdingPercent,
  });
  if (!totals.ok) return totals;
  return ok(
    put(input, {
      settings,
      customer,
      card,
      language: followedRow(db, customer.id).language,
      currency,
      due: due.value,
      totals: totals.value,
      ...as,
      rules,
    }),
  );
}

function discountOf({ discountPercent, discountSum }: DraftInput): DocumentDiscount | null {
  if (discountPercent !== null) return { percent: discountPercent };
  return discountSum === null || discountSum === 0 ? null : { sum: minor(discountSum) };
}

/** `dueOn`: the day by which all of it is due; the plan has the parts, where there are several. */
type Due = { terms: string; plan: PaymentPlan; dueOn: Day; reason: string | null };

/** When a document is due: by its terms, or on another day, which is never before the document's own. */
function dueOf(input: DraftInput, usual: string): Result<Due> {
  const { terms, issuedOn, dueOn, dueReason } = input;
  const said = terms ?? usual;
  const plan = readPlan(said);
  if (!plan.ok) return plan;
  const fits = plan.value.length === 1 ? ok(null) : fitsParts(input);
  if (!fits.ok) return fits;
  const byTerms = instalmentsOf(plan.value, issuedOn, ALL_OF_IT).at(-1)?.dueOn ?? issuedOn;
  const due = dueOn ?? byTerms;
  if (due < issuedOn) return fail("document.due", { field: "due_on" });
  if (!isBookDay(due)) return fail("day.range", { field: "due_on", text: due });
  return ok({
    terms: said,
    plan: plan.value,
    dueOn: due,
    reason: due === byTerms ? null : (dueReason ?? "as agreed"),
  });
}

/** What is due in parts has no other due day, and nothing withheld. */
function fitsParts({ dueOn, withholdingPercent }: DraftInput): Result<null> {
  if (dueOn !== null) return fail("plan.due", { field: "due_on" });
  return withholdingPercent === null ? ok(null) : fail("plan.withheld");
}

/** Large enough that each part of a plan is something: for its days alone. */
const ALL_OF_IT = minor(100_000_000);

/** The parts that a document falls due in; undefined where it does in one. */
function partsOf({ plan }: Due, { issuedOn }: DraftInput, total: Minor): Instalment[] | undefined {
  const parts = plan.length > 1 ? instalmentsOf(plan, issuedOn, total) : [];
  return parts.length > 1 ? parts : undefined;
}

type Facts = {
  settings: Settings;
  customer: CustomerRow;
  card: CustomerCard;
  language: string;
  currency: Currency;
  due: Due;
  totals: Totals;
  kind: DocumentKind;
  corrects: string | null;
  rules: TaxRules;
};

function put(input: DraftInput, facts: Facts): WorkedOut {
  const { due, totals, currency, rules } = facts;
  const lines = input.lines.map((line, at): DocumentLineRow => ({
    ...line,
    amount: totals.lines[at] ?? minor(0),
    net: totals.nets[at] ?? minor(0),
  }));
  const charges = input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) }));
  const content: DocumentContent = {
    customerId: input.customerId,
    issuedOn: input.issuedOn,
    dueOn: due.dueOn,
    dueReason: due.reason,
    terms: due.terms,
    currency,
    poNumber: input.poNumber,
    note: input.note,
    taxIncluded: rules.included,
    taxRounded: rules.rounded,
    discountPercent: input.discountPercent,
    discountSum: input.discountSum === null ? null : minor(input.discountSum),
    withholdingPercent: input.withholdingPercent,
    paysBy: input.paysBy,
    net: totals.net,
    tax: totals.tax,
    total: totals.total,
  };
  return { content, lines, charges, totals, paper: paperOf(input, facts, lines) };
}

function paperOf(input: DraftInput, facts: Facts, lines: readonly DocumentLineRow[]): PaperFacts {
  const { settings, customer, card, totals, currency, due, kind, corrects, rules } = facts;
  return {
    kind,
    look: lookOf(settings, card.look),
    language: facts.language,
    number: null,
    issuedOn: input.issuedOn,
    dueOn: due.dueOn,
    terms: due.terms,
    parts: kind === "invoice" ? partsOf(due, input, totals.total) : undefined,
    currency,
    poNumber: input.poNumber,
    note: input.note,
    corrects,
    seller: {
      name: settings.name,
      address: settings.address,
      taxNumber: settings.taxNumber,
      email: settings.replyTo,
      country: settings.country,
    },
    customer: {
      id: customer.externalId,
      name: customer.name,
      email: customer.email,
      address: card.address,
      country: card.country,
      taxNumber: card.taxNumber,
    },
    lines: lines.map((line) => ({ ...line, net: rules.included ? line.net : line.amount })),
    lineSum: totals.lineSum,
    discount: totals.discount,
    charges: input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) })),
    taxIncluded: rules.included,
    taxes: taxesOf(input, totals, rules.included),
    net: totals.net,
    tax: totals.tax,
    total: totals.total,
    withheld: totals.withheld,
    payable: totals.payable,
  };
}

function taxesOf(input: DraftInput, totals: Totals, included: boolean): PaperFacts["taxes"] {
  return totals.taxes.map(({ tax, net, sum }) => {
    const inCode = (code: string | null): boolean => (code ?? "") === tax.code;
    return {
      code: tax.code,
      category: tax.category,
      percent: tax.percent,
      net,
      sum,
      note: tax.note,
      discount: sumOf(
        included
          ? []
          : totals.discounts.filter((_, at) => inCode(input.lines[at]?.taxCode ?? null)),
        (share) => share,
      ),
      charges: sumOf(
        totals.chargeNets.filter((_, at) => inCode(input.charges[at]?.taxCode ?? null)),
        (charge) => charge,
      ),
    };
  });
}
