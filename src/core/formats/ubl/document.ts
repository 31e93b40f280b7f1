import type { Currency, Minor } from "@/core/money";

/** A tax category of UNCL5305 with its percent; the reason where nothing is taxed. */
export type UblTax = { code: string; percent: string | null; reason: string | null };

export type UblLine = {
  id: string;
  item: string | null;
  description: string;
  quantity: string;
  /** Without tax, for `baseQuantity` of it; never below zero. */
  price: string;
  baseQuantity: string | null;
  /** Off the line, within `net`. */
  allowance: Minor;
  net: Minor;
  tax: UblTax;
};

/** A sum off or on top of the whole document, within one tax category. */
export type UblAllowance = { charge: boolean; reason: string; sum: Minor; tax: UblTax };

export type UblParty = {
  id: string | null;
  name: string;
  address: readonly string[];
  country: string;
  taxNumber: string | null;
  email: string | null;
};

/** An invoice or credit note in the terms of EN 16931-1; sums in minor units of its currency, positive for both. */
export type UblDocument = {
  kind: "invoice" | "credit_note";
  number: string;
  issuedOn: string;
  dueOn: string;
  currency: Currency;
  note: string | null;
  terms: string | null;
  poNumber: string | null;
  corrects: string | null;
  seller: UblParty;
  buyer: UblParty;
  lines: readonly UblLine[];
  allowances: readonly UblAllowance[];
  taxes: readonly { tax: UblTax; net: Minor; sum: Minor }[];
  net: Minor;
  tax: Minor;
  total: Minor;
};
