import { z } from "zod";

import type { Day } from "@/core/calendar";
import type {
  DocumentState,
  Instalment,
  PaperLook,
  TaxCategory,
  ToReach,
  WrittenLine,
} from "@/core/invoices";
import type { Currency, Minor } from "@/core/money";
import { PAYS_BY } from "@/core/paying";

import { isoDay } from "./values";

/** A number as it is typed, as exact decimal text. */
const decimal = z.string().trim().max(40);
const cell = z.string().max(1000);
const words = z.string().trim().max(500);
/** Terms in parts take more letters than `2/10 n/30`. */
const LONGEST_TERMS = 400;
const orNone = (text: z.ZodString) => text.nullish().transform((value) => value || null);

export const lineInput = z.object({
  item: orNone(z.string().trim().max(60)),
  description: words.min(1, "A line says what it is for."),
  quantity: decimal,
  rate: decimal,
  discountPercent: orNone(decimal),
  taxCode: orNone(z.string().trim().max(20)),
  /** The deposit that the line takes off, by its document. */
  settles: z
    .number()
    .int()
    .nullish()
    .transform((value) => value ?? null),
});

/** A line of an order, as its file has it: numbers are checked when it is worked out. */
const orderLine = z.object({
  row: z.number().int(),
  item: cell.nullable(),
  description: cell,
  quantity: cell,
  rate: cell,
  discountPercent: cell.nullable(),
  taxCode: cell.nullable(),
  taxPercent: cell.nullable(),
});

/** A document as a file of orders asks for it. */
export const orderInput = z.object({
  document: cell.min(1),
  row: z.number().int(),
  customerId: cell,
  issuedOn: isoDay,
  terms: cell.nullable(),
  dueOn: isoDay.nullable(),
  currency: cell.nullable(),
  poNumber: cell.nullable(),
  lines: z.array(orderLine).min(1).max(1000).readonly(),
});

/** A document as it is written: an invoice, or what a credit note takes back. Sums in minor units. */
export const draftInput = z.object({
  customerId: z.number().int(),
  issuedOn: isoDay,
  terms: orNone(z.string().trim().max(LONGEST_TERMS)),
  /** Another due day than the terms give, and why. */
  dueOn: isoDay.nullish().transform((value) => value ?? null),
  dueReason: orNone(words),
  currency: z
    .string()
    .trim()
    .max(3)
    .nullish()
    .transform((value) => value || null),
  poNumber: orNone(z.string().trim().max(60)),
  note: orNone(z.string().trim().max(2000)),
  lines: z.array(lineInput).min(1, "A document has at least one line.").max(1000),
  discountPercent: orNone(decimal),
  discountSum: z
    .number()
    .int()
    .min(0)
    .nullish()
    .transform((value) => value ?? null),
  charges: z
    .array(
      z.object({
        words: words.min(1),
        sum: z.number().int().min(0),
        taxCode: orNone(z.string().trim().max(20)),
      }),
    )
    .max(20)
    .default([]),
  withholdingPercent: orNone(decimal),
  paysBy: z
    .enum(PAYS_BY)
    .nullish()
    .transform((value) => value ?? null),
});
export type DraftInput = z.output<typeof draftInput>;

/**
 * What stands on the paper of an invoice or credit note, kept as it was when it was approved. Sums
 * in minor units of its currency, positive for both kinds.
 */
export type PaperFacts = {
  /** How it looks, and in which language; papers of before have neither. */
  look?: PaperLook;
  language?: string;
  kind: "invoice" | "credit_note";
  number: string | null;
  issuedOn: Day;
  dueOn: Day;
  terms: string | null;
  /** What falls due when, the earliest first, where the whole does not fall due at once. */
  parts?: readonly Instalment[];
  currency: Currency;
  poNumber: string | null;
  note: string | null;
  /** The number of the invoice that a credit note corrects. */
  corrects: string | null;
  seller: {
    name: string;
    address: string[];
    taxNumber: string | null;
    email: string;
    country: string;
  };
  /** Address, country and tax number are not on papers of before they were kept. */
  customer: {
    id: string;
    name: string;
    email: string | null;
    address?: string[];
    country?: string | null;
    taxNumber?: string | null;
  };
  /** Net: without tax; where rates contain the tax, also less its share of the document's discount. */
  lines: readonly WrittenLine[];
  lineSum: Minor;
  discount: Minor;
  charges: { words: string; sum: Minor; taxCode: string | null }[];
  taxIncluded: boolean;
  taxes: {
    code: string;
    category: TaxCategory;
    percent: string;
    net: Minor;
    sum: Minor;
    note: string | null;
    /**
     * The parts of discount and charges that lie in this code, without tax; where rates contain
     * the tax the discount lies in the lines' nets.
     */
    discount: Minor;
    charges: Minor;
  }[];
  net: Minor;
  tax: Minor;
  total: Minor;
  withheld: Minor;
  payable: Minor;
};

/** A document that is still to go out; `to`: its addresses, where it goes by mail. */
export type ToSend = ToReach & {
  to: string | null;
  /** Why no mail reaches it; null where one does. */
  problem: string | null;
};

/** A document that was written here, on its page: its paper, how it stands, and what may still be taken back. */
export type Written = {
  id: number;
  paper: PaperFacts;
  /** Its instalments by their due days, each an open item; empty where it is due in one. */
  parts: { itemId: number; number: string; dueOn: Day; sum: Minor; balance: Minor }[];
  state: DocumentState;
  creditable: Minor;
  /** When it went out; null while it has not. */
  reachedOn: Day | null;
};
