import {
  add,
  type Currency,
  LARGEST_SUM,
  minor,
  type Minor,
  mulDiv,
  negate,
  split,
  sumOf,
} from "@/core/money";
import { fail, ok, type Result } from "@/core/result";

import { decimalOf } from "./decimal";
import { type DocumentProblem, isPercent, lineAmount, type LineInput } from "./line";
import { groupsOf, type Part, partOf, taxOf } from "./taxParts";
import { type TaxCode, type TaxRules, UNTAXED } from "./taxes";

/** Shipping or another charge of the whole document. */
export type ChargeInput = {
  readonly words: string;
  readonly sum: Minor;
  readonly taxCode: string | null;
};

/** Off the whole document: a sum, or a percent of the lines that bill. */
export type DocumentDiscount = { readonly percent: string } | { readonly sum: Minor };

export type DocumentInput = {
  readonly currency: Currency;
  readonly lines: readonly LineInput[];
  readonly discount: DocumentDiscount | null;
  readonly charges: readonly ChargeInput[];
  readonly taxes: readonly TaxCode[];
  readonly rules: TaxRules;
  /** What the customer keeps back for its tax office, in percent of the net; null for none. */
  readonly withholdingPercent: string | null;
};

/** The tax of one code: on what, and how much. */
export type TaxSum = { readonly tax: TaxCode; readonly net: Minor; readonly sum: Minor };

/**
 * A document worked out, in minor units. `lines` are the amounts that stand on the paper (with tax
 * where prices include it); `nets` are the same without tax and with their share of the discount:
 * what goes to income. net + tax = total; total - withheld = payable.
 */
export type Totals = {
  readonly lines: readonly Minor[];
  readonly lineSum: Minor;
  readonly discount: Minor;
  /** The discount's share of each line. */
  readonly discounts: readonly Minor[];
  readonly charges: Minor;
  readonly nets: readonly Minor[];
  readonly chargeNets: readonly Minor[];
  readonly net: Minor;
  readonly taxes: readonly TaxSum[];
  readonly tax: Minor;
  readonly total: Minor;
  readonly withheld: Minor;
  readonly payable: Minor;
};

/**
 * Works a document out: lines, the discount split over them by largest remainder, charges, tax by
 * code or by line, total. Whatever the order of its lines, the totals are the same where tax is
 * rounded by code. A total below zero is refused: that is a credit note.
 * @example 2 x 50.00 less 10 %, tax 8 %: lines 100.00, discount 10.00, tax 7.20, total 97.20
 */
export function totalsOf(document: DocumentInput): Result<Totals, DocumentProblem> {
  const { currency, lines, charges } = document;
  if (lines.length === 0) return fail("document.empty", { field: "lines" });
  const amounts: Minor[] = [];
  for (const [at, line] of lines.entries()) {
    const amount = lineAmount(line, currency);
    if (!amount.ok) return { ok: false, error: { ...amount.error, line: at + 1 } };
    amounts.push(amount.value);
  }
  const codes = codesOf(document);
  if (!codes.ok) return codes;
  const lineSum = sumOf(amounts, (amount) => amount);
  // What takes a deposit off was discounted where the deposit was asked for.
  const billed = sumOf(
    amounts.filter((_, at) => (lines[at]?.settles ?? null) === null),
    (amount) => amount,
  );
  const discount = discountOf(document, billed);
  if (!discount.ok) return discount;
  const discounts = sharesOf(discount.value, amounts);
  const parts = [
    ...amounts.map((amount, at): Part =>
      partOf(add(amount, -(discounts[at] ?? 0)), codes.value[at]),
    ),
    ...charges.map(({ sum }, at): Part => partOf(sum, codes.value[lines.length + at])),
  ];
  const chargeSum = sumOf(charges, ({ sum }) => sum);
  return finished(document, parts, {
    lines: amounts,
    lineSum,
    discount: discount.value,
    discounts,
    charges: chargeSum,
  });
}

/** The tax code of each line, then of each charge. */
function codesOf({ lines, charges, taxes }: DocumentInput): Result<TaxCode[], DocumentProblem> {
  const known = new Map(taxes.map((tax) => [tax.code, tax]));
  const codes: TaxCode[] = [];
  for (const [at, { taxCode }] of [...lines, ...charges].entries()) {
    const code = taxCode === null || taxCode === "" ? UNTAXED : known.get(taxCode);
    if (!code)
      return fail("document.tax_unknown", {
        field: "tax_code",
        text: taxCode,
        ...(at < lines.length ? { line: at + 1 } : {}),
      });
    codes.push(code);
  }
  return ok(codes);
}

function discountOf(
  { discount, currency }: DocumentInput,
  billed: Minor,
): Result<Minor, DocumentProblem> {
  if (discount === null) return ok(minor(0));
  if ("sum" in discount)
    return discount.sum >= 0 && discount.sum <= billed
      ? ok(discount.sum)
      : fail("document.discount", { field: "discount" });
  const percent = decimalOf(discount.percent);
  if (!percent.ok) return fail("document.number", { field: "discount", text: discount.percent });
  if (!isPercent(percent.value))
    return fail("document.discount", { field: "discount", text: discount.percent, currency });
  const { units, places } = percent.value;
  return ok(mulDiv(Math.max(billed, 0), units, 100n * 10n ** BigInt(places), "half-up"));
}

/** A discount over the lines by what they come to; a line below zero bears none. */
const sharesOf = (discount: Minor, amounts: readonly Minor[]): Minor[] =>
  split(
    discount,
    amounts.map((amount) => Math.max(amount, 0)),
  );

function finished(
  { rules, withholdingPercent, lines }: DocumentInput,
  parts: readonly Part[],
  before: Pick<Totals, "lines" | "lineSum" | "discount" | "discounts" | "charges">,
): Result<Totals, DocumentProblem> {
  const groups = groupsOf(parts);
  const taxed = groups.map((group) => taxOf(group, rules));
  const nets: Minor[] = parts.map(({ amount }) => amount);
  for (const { at, nets: own } of taxed)
    at.forEach((place, index) => (nets[place] = own[index] ?? minor(0)));
  const taxes = taxed.map(({ tax, nets: own, sum }): TaxSum => ({
    tax,
    net: sumOf(own, (net) => net),
    sum,
  }));
  const net = sumOf(nets, (amount) => amount);
  const tax = sumOf(taxes, ({ sum }) => sum);
  const total = add(net, tax);
  if (total < 0) return fail("document.negative", { field: "total" });
  if (total > LARGEST_SUM) return fail("document.large", { field: "total" });
  const withheld = withheldOf(withholdingPercent, net);
  if (!withheld.ok) return withheld;
  return ok({
    ...before,
    nets: nets.slice(0, lines.length),
    chargeNets: nets.slice(lines.length),
    net,
    taxes,
    tax,
    total,
    withheld: withheld.value,
    payable: add(total, negate(withheld.value)),
  });
}

function withheldOf(percent: string | null, net: Minor): Result<Minor, DocumentProblem> {
  if (percent === null) return ok(minor(0));
  const read = decimalOf(percent);
  if (!read.ok || !isPercent(read.value))
    return fail("document.withholding", { field: "withholding", text: percent });
  return ok(mulDiv(net, read.value.units, 100n * 10n ** BigInt(read.value.places), "half-up"));
}
