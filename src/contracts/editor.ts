import type { Day } from "@/core/calendar";
import type { TaxCode, TaxRules } from "@/core/invoices";
import type { Currency, Minor } from "@/core/money";
import type { PaysBy } from "@/core/paying";

/** A line as it stands in the editor: what was typed, as it was typed. */
export type TypedLine = {
  item: string;
  description: string;
  quantity: string;
  rate: string;
  discountPercent: string;
  taxCode: string;
  /** The deposit that it takes off, by its document. */
  settles: number | null;
};

/** A draft as it is typed; nothing of it is checked yet. */
export type TypedDraft = {
  customer: { id: number; name: string } | null;
  issuedOn: Day;
  terms: string;
  poNumber: string;
  note: string;
  currency: Currency;
  /** Another due day than the terms give, and why. */
  dueOn: Day | "";
  dueReason: string;
  discountPercent: string;
  /** Off the whole as a sum; only where there is no percent. */
  discountSum: string;
  charges: TypedCharge[];
  withholdingPercent: string;
  /** By which ways it may be paid; empty: as its customer. */
  paysBy: PaysBy | "";
  lines: TypedLine[];
};

/** Shipping or another charge of the whole document, as it is typed. */
export type TypedCharge = { words: string; sum: string; taxCode: string };

/** What the editor of a document begins with. */
export type EditorFacts = {
  id: number | null;
  kind: "invoice" | "credit_note";
  stage: "draft" | "waiting";
  /** How often it was written over when the page was made. */
  version: number;
  draft: TypedDraft;
  /** Currencies that it may be written in: the book's, and those whose rates are known. */
  currencies: Currency[];
  taxCodes: TaxCode[];
  rules: TaxRules;
  /** The number or state of what is asked for beforehand, each with its sum. */
  deposits: { id: number; itemId: number | null; words: string; total: Minor }[];
  /** Whether the draft is a deposit itself. */
  isDeposit: boolean;
  postsTo: PostsTo;
};

/** What the accounts are called that a document's net goes to: by item, for deposits, and for all else. */
export type PostsTo = { usual: string; deposits: string; items: Record<string, string> };

/** A document that is not approved yet, in the list of drafts. */
export type DraftListed = {
  id: number;
  kind: "invoice" | "credit_note";
  stage: "draft" | "waiting";
  customerId: number;
  customer: string;
  words: string | null;
  poNumber: string | null;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
};
