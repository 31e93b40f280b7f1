import type { DraftListed, EditorFacts, TypedDraft } from "@/contracts/editor";
import type { Day } from "@/core/calendar";
import type { BilledBefore } from "@/core/invoices";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { documentById, type DocumentRow, linesOf } from "@/db/documents";
import { lastPrices, unapprovedDocuments } from "@/db/documentLists";
import { taxCodes } from "@/db/taxCodes";
import { readSettings, type Settings } from "@/db/settings";

const EMPTY_LINE = {
  item: "",
  description: "",
  quantity: "1",
  rate: "",
  discountPercent: "",
  taxCode: "",
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
      currency: settings.currency,
      taxCodes: taxCodes(db),
      rules: { included: settings.taxIncluded, rounded: settings.taxRounded },
    };
  const document = documentById(db, id);
  if (!document || (document.stage !== "draft" && document.stage !== "waiting")) return null;
  return {
    id,
    kind: document.kind,
    stage: document.stage,
    version: document.version,
    draft: typedOf(db, document),
    currency: document.currency,
    taxCodes: taxCodes(db),
    rules: { included: document.taxIncluded, rounded: document.taxRounded },
  };
}

type Beginning = { settings: Settings; today: Day; customerId: number | null };

function emptyFor(db: Db, { settings, today, customerId }: Beginning): TypedDraft {
  const customer = customerId === null ? undefined : customerById(db, customerId);
  return {
    customer: customer ? { id: customer.id, name: customer.name } : null,
    issuedOn: today,
    terms: settings.usualTerms,
    poNumber: "",
    note: "",
    discountPercent: "",
    lines: [EMPTY_LINE],
  };
}

/** A document that is kept as the editor shows it. */
export function typedOf(db: Db, document: DocumentRow): TypedDraft {
  const customer = customerById(db, document.customerId);
  return {
    customer: customer ? { id: customer.id, name: customer.name } : null,
    issuedOn: document.issuedOn,
    terms: document.terms ?? "",
    poNumber: document.poNumber ?? "",
    note: document.note ?? "",
    discountPercent: document.discountPercent ?? "",
    lines: linesOf(db, document.id).map((line) => ({
      item: line.item ?? "",
      description: line.description,
      quantity: line.quantity,
      rate: line.rate,
      discountPercent: line.discountPercent ?? "",
      taxCode: line.taxCode ?? "",
    })),
  };
}

/** What was written for a customer before, then for others; each description once, with its latest rate. */
export function pricesFor(db: Db, customerId: number): BilledBefore[] {
  return lastPrices(db, customerId);
}

/** All that is written and not approved yet. */
export function draftsOf(db: Db): DraftListed[] {
  return unapprovedDocuments(db).flatMap(({ stage, ...row }) =>
    stage === "draft" || stage === "waiting" ? [{ ...row, stage }] : [],
  );
}
