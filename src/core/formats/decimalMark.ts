import { type Currency, type DecimalMark, parseAmount } from "@/core/money";

/** A sum as a cell gives it, and the currency that it is in. */
export type WrittenSum = { readonly text: string; readonly currency: Currency };

/**
 * The decimal mark of a column, and whether that is open: `sample` is then a sum of which the column
 * does not say what it is.
 */
export type MarkFound = { readonly mark: DecimalMark; readonly sample: string | null };

type Speaks = "." | "," | "open" | "nothing";

/**
 * Finds the decimal mark of a column by its own sums, each with its currency's digits. One that can
 * be read only one way decides: `12.50` is no sum with a comma. One that reads both ways as different
 * sums leaves it open (`1.234` in a currency of three digits), and so does a point before three
 * digits where the currency has fewer: thousands, or a sum that is no sum. Where nothing decides and
 * something is open, a person is asked.
 * @example decimalMarkOf([{ text: "5.005", currency: USD }]) // { mark: ",", sample: "5.005" }
 */
export function decimalMarkOf(sums: readonly WrittenSum[]): MarkFound {
  const count: Record<Speaks, number> = { ".": 0, ",": 0, open: 0, nothing: 0 };
  let sample: string | null = null;
  for (const sum of sums) {
    const says = spokenBy(sum);
    count[says] += 1;
    if (says === "open") sample ??= sum.text.trim();
  }
  const decided = count["."] + count[","] > 0;
  if (decided) return { mark: count[","] > count["."] ? "," : ".", sample: null };
  return { mark: sample !== null && readsOnlyWithComma(sums) ? "," : ".", sample };
}

/** A point before three digits and nothing else: thousands to some, a sum of three decimals to others. */
const POINT_AND_THREE = /^\D*\d{1,3}\.\d{3}\D*$/;

function spokenBy({ text, currency }: WrittenSum): Speaks {
  const [point, comma] = [parseAmount(text, ".", currency), parseAmount(text, ",", currency)];
  if (point.ok && comma.ok) return point.value === comma.value ? "nothing" : "open";
  if (!point.ok && !comma.ok) return "nothing";
  if (comma.ok) return POINT_AND_THREE.test(text.trim()) ? "open" : ",";
  return ".";
}

const readsOnlyWithComma = (sums: readonly WrittenSum[]): boolean =>
  sums.some(({ text, currency }) => !parseAmount(text, ".", currency).ok) &&
  sums.every(({ text, currency }) => text.trim() === "" || parseAmount(text, ",", currency).ok);
