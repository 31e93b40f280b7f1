import type { TypedDraft, TypedLine } from "@/contracts/editor";
import {
  calculate,
  type ChargeInput,
  decimalOf,
  decimalText,
  type DocumentInput,
  type DocumentProblem,
  rateFor,
  type TaxCode,
  type TaxRules,
  type Totals,
  totalsOf,
} from "@/core/invoices";
import { type Currency, type Minor, parseAmount } from "@/core/money";
import { fail, type Failure, ok, type Result } from "@/core/result";

/** A line before anything was typed in it. */
export const EMPTY_LINE: TypedLine = {
  item: "",
  description: "",
  quantity: "1",
  rate: "",
  discountPercent: "",
  taxCode: "",
  settles: null,
};

/** Whether anything was typed in a line. */
export const isBegun = ({ description, rate }: TypedLine): boolean =>
  description.trim() !== "" || rate.trim() !== "";

/** The lines that count: one that was not begun is the place of the next. */
export const begunLines = ({ lines }: TypedDraft): TypedLine[] => lines.filter(isBegun);

/**
 * A number as it stands in a field when it is left: worked out, without needless zeros.
 * @example settled("24.25*2") // "48.5"
 */
export function settled(text: string): string {
  const read = calculate(text);
  return read.ok ? decimalText(read.value) : text;
}

/** The rate that makes a typed amount of a line; null where none does. */
export function rateOfAmount(line: TypedLine, amount: string, currency: Currency): string | null {
  const [quantity, sum] = [decimalOf(line.quantity), parseAmount(settled(amount), ".", currency)];
  if (!quantity.ok || !sum.ok) return null;
  const rate = rateFor(sum.value, quantity.value, currency);
  return rate && decimalText(rate);
}

export type Worked = { totals: Totals | null; problem: Failure<DocumentProblem> | null };

/** A draft worked out as far as it is typed; a rate that is missing counts as nothing. */
export function workedOut(
  draft: TypedDraft,
  with_: { taxCodes: readonly TaxCode[]; rules: TaxRules },
): Worked {
  const lines = begunLines(draft).map((line) => ({
    quantity: settled(line.quantity || "0"),
    rate: settled(line.rate || "0"),
    discountPercent: line.discountPercent.trim() || null,
    taxCode: line.taxCode || null,
    settles: line.settles,
  }));
  if (lines.length === 0) return { totals: null, problem: null };
  const sums = sumsOf(draft);
  if (!sums.ok) return { totals: null, problem: sums.error };
  const worked = totalsOf({
    currency: draft.currency,
    lines,
    ...sums.value,
    taxes: with_.taxCodes,
    rules: with_.rules,
    withholdingPercent: draft.withholdingPercent.trim() || null,
  });
  return worked.ok
    ? { totals: worked.value, problem: null }
    : { totals: null, problem: worked.error };
}

/**
 * Rows of a spreadsheet as lines: description, quantity, rate, and a tax code where there are more
 * cells; a row of one cell is a description, of two a description and its rate.
 */
export function pastedLines(text: string): TypedLine[] {
  return text
    .split(/\r?\n/)
    .filter((row) => row.trim() !== "")
    .map((row) => {
      const cells = row.split("\t").map((cell) => cell.trim());
      const [description = "", second = "", third, taxCode = ""] = cells;
      return third === undefined
        ? { ...EMPTY_LINE, description, rate: plain(second) }
        : {
            ...EMPTY_LINE,
            description,
            quantity: plain(second) || "1",
            rate: plain(third),
            taxCode,
          };
    });
}

/** A number of a spreadsheet without its currency sign and grouping. */
const plain = (cell: string): string =>
  cell.replace(/[$€£\s]/g, "").replace(/,(?=\d{3}(?:\D|$))/g, "");

/** Discount and charges of a draft in minor units. */
function sumsOf({
  currency,
  discountPercent,
  discountSum,
  charges,
}: TypedDraft): Result<Pick<DocumentInput, "discount" | "charges">, DocumentProblem> {
  const sum = (text: string, field: string): Result<Minor, DocumentProblem> => {
    const read = parseAmount(settled(text), ".", currency);
    return read.ok ? ok(read.value) : fail("document.number", { field, text });
  };
  const counted: ChargeInput[] = [];
  for (const charge of charges.filter(({ words, sum: of }) => words.trim() !== "" || of !== "")) {
    const read = sum(charge.sum || "0", "charges");
    if (!read.ok) return read;
    counted.push({ words: charge.words.trim(), sum: read.value, taxCode: charge.taxCode || null });
  }
  if (discountPercent.trim() !== "")
    return ok({ discount: { percent: discountPercent.trim() }, charges: counted });
  if (discountSum.trim() === "") return ok({ discount: null, charges: counted });
  const off = sum(discountSum, "discount");
  return off.ok ? ok({ discount: { sum: off.value }, charges: counted }) : off;
}

/** The same for the server; what cannot be read is said before. */
function sumsInput(draft: TypedDraft): object {
  const read = sumsOf(draft);
  if (!read.ok) return {};
  const { discount, charges } = read.value;
  return {
    charges,
    discountPercent: discount && "percent" in discount ? discount.percent : null,
    discountSum: discount && "sum" in discount ? discount.sum : null,
  };
}

/** A draft as the server takes it. */
export const asInput = (draft: TypedDraft, customerId: number): object => ({
  customerId,
  issuedOn: draft.issuedOn,
  terms: draft.terms || null,
  poNumber: draft.poNumber || null,
  note: draft.note || null,
  currency: draft.currency,
  dueOn: draft.dueOn || null,
  dueReason: draft.dueReason.trim() || null,
  ...sumsInput(draft),
  withholdingPercent: draft.withholdingPercent.trim() || null,
  paysBy: draft.paysBy || null,
  lines: begunLines(draft).map((line) => ({
    ...line,
    item: line.item || null,
    description: line.description.trim(),
    quantity: settled(line.quantity || "0"),
    rate: settled(line.rate || "0"),
    discountPercent: line.discountPercent.trim() || null,
    taxCode: line.taxCode || null,
  })),
});
