import type { PaperFacts } from "@/contracts/invoices";
import {
  type UblAllowance,
  type UblDocument,
  type UblLine,
  type UblTax,
  writeUbl,
} from "@/core/formats";
import { decimalOf, decimalText, lineAmount, TAX_CATEGORIES } from "@/core/invoices";
import { minor, toDecimal } from "@/core/money";

/** The paper of an approved document as UBL 2.1. */
export function ublOf(paper: PaperFacts): string {
  return writeUbl(documentOf(paper));
}

function documentOf(paper: PaperFacts): UblDocument {
  const taxed = taxOf(paper);
  return {
    kind: paper.kind,
    number: paper.number ?? "",
    issuedOn: paper.issuedOn,
    // BT-9 is the first day of payments in parts (EN 16931-1, from memory); BT-20 says all of them.
    dueOn: paper.parts?.[0]?.dueOn ?? paper.dueOn,
    currency: paper.currency,
    note: noteOf(paper),
    terms: termsOf(paper),
    poNumber: paper.poNumber,
    corrects: paper.corrects,
    seller: { ...paper.seller, id: null },
    buyer: {
      id: paper.customer.id,
      name: paper.customer.name,
      address: paper.customer.address ?? [],
      country: paper.customer.country ?? paper.seller.country,
      taxNumber: paper.customer.taxNumber ?? null,
      email: paper.customer.email,
    },
    lines: paper.lines.map((line, at) => lineOf(paper, line, { at, tax: taxed(line.taxCode) })),
    allowances: paper.taxes.flatMap((tax) => allowancesOf(tax, taxed(tax.code))),
    taxes: paper.taxes.map(({ code, net, sum }) => ({ tax: taxed(code), net, sum })),
    net: paper.net,
    tax: paper.tax,
    total: paper.total,
  };
}

function termsOf({ terms, parts = [], currency }: PaperFacts): string | null {
  const said = parts.map(({ sum, dueOn }) => `${toDecimal(sum, currency)} by ${dueOn}`);
  return said.length === 0 ? terms : said.join("; ");
}

const noteOf = ({ note, withheld, payable, currency }: PaperFacts): string | null =>
  withheld === 0
    ? note
    : [
        note,
        `Withheld: ${toDecimal(withheld, currency)}; to be paid: ${toDecimal(payable, currency)}`,
      ]
        .filter((part) => part !== null)
        .join(". ");

/**
 * The category of each code. What is not subject to tax may stand alone only (BR-O-11): beside what
 * is taxed it is exempt, with its reason.
 */
function taxOf({ taxes }: PaperFacts): (code: string | null) => UblTax {
  const alone = taxes.every(({ category }) => category === "none");
  const known = new Map(
    taxes.map(({ code, category, percent, note }): [string, UblTax] => {
      const traits = TAX_CATEGORIES[category];
      if (category === "none" && alone)
        return [code, { code: "O", percent: null, reason: note ?? traits.note }];
      const own = category === "none" ? "E" : traits.code;
      return [code, { code: own, percent, reason: note ?? traits.note }];
    }),
  );
  return (code) =>
    known.get(code ?? "") ?? { code: "O", percent: null, reason: TAX_CATEGORIES.none.note };
}

const allowancesOf = (
  { discount, charges }: PaperFacts["taxes"][number],
  tax: UblTax,
): UblAllowance[] => [
  ...(discount === 0 ? [] : [{ charge: false, reason: "Discount", sum: discount, tax }]),
  ...(charges === 0 ? [] : [{ charge: true, reason: "Charges", sum: charges, tax }]),
];

type At = { at: number; tax: UblTax };

/**
 * A line. A price is never below zero (BR-27): its sign goes to the quantity. Where rates contain the
 * tax, the price is what all of the quantity comes to without it.
 */
function lineOf(
  { currency, taxIncluded }: PaperFacts,
  line: PaperFacts["lines"][number],
  { at, tax }: At,
): UblLine {
  const whole = lineAmount({ ...line, discountPercent: null }, currency);
  const base = {
    id: String(at + 1),
    item: line.item,
    description: line.description,
    net: line.net,
    tax,
  };
  const [size, below] = [line.quantity.replace(/^-/, ""), line.net < 0];
  if (taxIncluded)
    return {
      ...base,
      quantity: below ? `-${size}` : size,
      price: toDecimal(Math.abs(line.net), currency),
      baseQuantity: size === "0" ? null : size,
      allowance: minor(0),
    };
  const rate = decimalOf(line.rate);
  const turned = rate.ok && rate.value.units < 0n;
  const allowance = whole.ok ? minor(whole.value - line.net) : minor(0);
  return {
    ...base,
    quantity: turned ? turnedText(line.quantity) : line.quantity,
    price: turned ? line.rate.replace("-", "") : line.rate,
    baseQuantity: null,
    allowance,
  };
}

function turnedText(quantity: string): string {
  const read = decimalOf(quantity);
  return read.ok ? decimalText({ ...read.value, units: -read.value.units }) : quantity;
}
