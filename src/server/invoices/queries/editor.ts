import type { DraftListed, EditorFacts, TypedDraft, TypedLine } from "@/contracts/editor";
import type { DraftInput } from "@/contracts/invoices";
import type { Day } from "@/core/calendar";
import { type BilledBefore, STAGE_WORDS } from "@/core/invoices";
import { type Currency, formatAmount } from "@/core/money";
import type { Db } from "@/db/connection";
import { cardOf } from "@/db/customerCards";
import { customerById } from "@/db/customers";
import { chargesOf, linesOf } from "@/db/documentLines";
import { documentById, type DocumentRow } from "@/db/documents";
import { depositsOf } from "@/db/deposited";
import { lastPrices, unapprovedDocuments } from "@/db/documentLists";
import { items } from "@/db/items";
import { currenciesWithRates } from "@/db/rates";
import { taxCodes } from "@/db/taxCodes";
import { readSettings, type Settings } from "@/db/settings";

import { postsTo } from "./postsTo";

const EMPTY_LINE = {
  item: "",
  description: "",
  quantity: "1",
  rate: "",
  discountPercent: "",
  taxCode: "",
  settles: null,
};

/** What the editor begins with: a draft that is kept, or an empty one; null where there is none. */
export function editorOf(
  db: Db,
  today: Day,
  { id, customerId }: { id: number | null; customerId: number | null },
): EditorFacts | null {
  const settings = readSettings(db);
  if (id === null)
    return {
      id,
      kind: "invoice",
      stage: "draft",
      version: 0,
      draft: emptyFor(db, { settings, today, customerId }),
      currencies: currenciesFor(db, settings),
      taxCodes: taxCodes(db),
      rules: { included: settings.taxIncluded, rounded: settings.taxRounded },
      deposits: [],
      isDeposit: false,
      postsTo: postsTo(db, false),
    };
  const document = documentById(db, id);
  if (!document || (document.stage !== "draft" && document.stage !== "waiting")) return null;
  return {
    id,
    kind: document.kind,
    stage: document.stage,
    version: document.version,
    draft: typedOf(db, document),
    currencies: currenciesFor(db, settings),
    taxCodes: taxCodes(db),
    rules: { included: document.taxIncluded, rounded: document.taxRounded },
    deposits: depositsOf(db, id).map((deposit) => ({
      id: deposit.id,
      itemId: deposit.itemId,
      words: deposit.number ?? STAGE_WORDS[deposit.stage],
      total: deposit.total,
    })),
    isDeposit: document.depositOf !== null,
    postsTo: postsTo(db, document.depositOf !== null),
  };
}

type Beginning = { settings: Settings; today: Day; customerId: number | null };

function emptyFor(db: Db, { settings, today, customerId }: Beginning): TypedDraft {
  const customer = customerId === null ? undefined : customerById(db, customerId);
  const card = customer && cardOf(db, customer.id);
  return {
    customer: customer ? { id: customer.id, name: customer.name } : null,
    issuedOn: today,
    terms: card?.terms ?? settings.usualTerms,
    poNumber: "",
    note: "",
    currency: card?.currency ?? settings.currency,
    dueOn: "",
    dueReason: "",
    discountPercent: "",
    discountSum: "",
    charges: [],
    withholdingPercent: "",
    paysBy: "",
    lines: [EMPTY_LINE],
  };
}

/** A sum as it stands in a field; nothing where there is none. */
export const sumText = (sum: number | null, currency: Currency): string =>
  sum === null || sum === 0 ? "" : formatAmount(sum, currency);

/** The book's currency first, then those whose rates are known. */
const currenciesFor = (db: Db, { currency }: Settings): Currency[] => [
  ...new Set([currency, ...currenciesWithRates(db)]),
];

/** A document that is kept as the editor shows it. */
export function typedOf(db: Db, document: DocumentRow): TypedDraft {
  const customer = customerById(db, document.customerId);
  return {
    customer: customer ? { id: customer.id, name: customer.name } : null,
    issuedOn: document.issuedOn,
    terms: document.terms ?? "",
    poNumber: document.poNumber ?? "",
    note: document.note ?? "",
    currency: document.currency,
    dueOn: document.dueReason === null ? "" : document.dueOn,
    dueReason: document.dueReason ?? "",
    discountPercent: document.discountPercent ?? "",
    discountSum: sumText(document.discountSum, document.currency),
    charges: chargesOf(db, document.id).map(({ words, sum, taxCode }) => ({
      words,
      sum: sumText(sum, document.currency),
      taxCode: taxCode ?? "",
    })),
    withholdingPercent: document.withholdingPercent ?? "",
    paysBy: document.paysBy ?? "",
    lines: linesOf(db, document.id).map(typedLine),
  };
}

/** A line that is kept as the editor shows it. */
export const typedLine = (line: DraftInput["lines"][number]): TypedLine => ({
  item: line.item ?? "",
  description: line.description,
  quantity: line.quantity,
  rate: line.rate,
  discountPercent: line.discountPercent ?? "",
  taxCode: line.taxCode ?? "",
  settles: line.settles,
});

/** A new draft: empty, for a customer, or like a document that was written before. */
export function newDraft(
  db: Db,
  today: Day,
  { customerId, likeId }: { customerId: number | null; likeId: number | null },
): EditorFacts | null {
  const like = likeId === null ? undefined : documentById(db, likeId);
  const facts = editorOf(db, today, { id: null, customerId: like?.customerId ?? customerId });
  if (!facts || !like) return facts;
  return {
    ...facts,
    draft: {
      ...withoutDeposits(typedOf(db, like)),
      issuedOn: today,
      dueOn: "",
      dueReason: "",
      poNumber: "",
    },
  };
}

/** A deposit is taken off once. */
export const withoutDeposits = (draft: TypedDraft): TypedDraft => ({
  ...draft,
  lines: draft.lines.filter(({ settles }) => settles === null),
});

/** What was written for a customer before, then for others; each description once, with its latest rate. */
export function pricesFor(db: Db, customerId: number): BilledBefore[] {
  const billed = lastPrices(db, customerId);
  const known = new Set(billed.map(({ description }) => description));
  // The list of items completes what was not billed to anybody yet.
  const listed = items(db).map(({ code, description, rate, taxCode }): BilledBefore => ({
    item: code,
    description,
    rate,
    taxCode,
  }));
  return [...billed, ...listed.filter(({ description }) => !known.has(description))];
}

/** All that is written and not approved yet. */
export function draftsOf(db: Db): DraftListed[] {
  return unapprovedDocuments(db).flatMap(({ stage, ...row }) =>
    stage === "draft" || stage === "waiting" ? [{ ...row, stage }] : [],
  );
}
