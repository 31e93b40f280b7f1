import { headWords } from "../plainWords";

type Row = { readonly line: number; readonly cells: readonly string[] };
type List = { readonly headers: readonly string[]; readonly rows: readonly Row[] };

/** Labels of what an advice says of its payment above the list of what was paid (common practice, no source). */
const OF_PAYMENT =
  /^(?:payment date|paid on|date paid|pay date|remittance date|check date|cheque date|eft date|eft amount|payment (?:number|no|reference|ref|id)|(?:check|cheque|eft|ach|trace) (?:(?:check|cheque|eft) )?(?:number|no|reference|ref)|eft|reference|trace|payer|payor|paid by|remitter|payment amount|payment total|total paid|check amount|cheque amount)$/;
/** A sum without more words is that of the payment. */
const SUM = /^(?:amount|total)$/;
/** A head that names what was paid, and those that a list has that is no advice. */
const DOCUMENT = /\b(?:invoice|document|bill|your ref|your reference|rechnung|facture|factura)\b/;
const OF_OTHERS = /\b(?:due|balance|fees?)\b/;
/** A fact is short; a sentence is none. */
const LONGEST = 60;

type Fact = { readonly head: string; readonly value: string };

/**
 * An advice with what stands above its list, such as the day, the payer and the sum of its payment, in
 * columns of their own beside each line. Any other list stays as it is.
 * @param above The records above the head of the list.
 * @example "Paid on,2026-10-20" above "Invoice,Amount" // "Invoice,Amount,Paid on (above)"
 */
export function withFacts(list: List, above: readonly (readonly string[])[]): List {
  const heads = list.headers.map(headWords);
  if (!heads.some((head) => DOCUMENT.test(head)) || heads.some((head) => OF_OTHERS.test(head)))
    return list;
  const facts = above
    .flatMap(factsIn)
    .filter(({ head }, at, all) => all.findIndex((other) => other.head === head) === at)
    .filter(({ head }) => !heads.includes(headWords(head)));
  if (facts.length === 0) return list;
  const values = facts.map(({ value }) => value);
  return {
    headers: [...list.headers, ...facts.map(({ head }) => head)],
    rows: list.rows.map((row) => {
      const isLine = filled(row.cells).length > 1 && row.cells[0] !== list.headers[0];
      const short = Array<string>(Math.max(0, list.headers.length - row.cells.length)).fill("");
      return isLine ? { ...row, cells: [...row.cells, ...short, ...values] } : row;
    }),
  };
}

/** A label and its value, or several in cells of their own. */
function factsIn(cells: readonly string[]): Fact[] {
  const all = filled(cells);
  const areAll = all.length > 1 && all.every((cell) => WITH_COLON.test(cell));
  return areAll ? all.flatMap((cell) => factIn([cell])) : factIn(cells);
}

/** A label and its value, in two cells or in one. */
function factIn(cells: readonly string[]): Fact[] {
  const [first = "", ...others] = filled(cells);
  const [label = first, inOne] = others.length === 0 ? partedIn(first) : [first];
  const value = inOne ?? (others.length === 1 ? others[0] : undefined);
  if (value === undefined || value.length > LONGEST) return [];
  const bare = label.replace(/:\s*$/, "");
  const words = headWords(bare);
  if (SUM.test(words)) return [{ head: "Payment amount (above)", value }];
  return OF_PAYMENT.test(words) ? [{ head: `${bare} (above)`, value }] : [];
}

/** A label before its value in one cell: `Paid by: Ada`, `Payment date 20.10.2026`. */
const partedIn = (cell: string): string[] =>
  (WITH_COLON.exec(cell) ?? BEFORE_DIGITS.exec(cell))?.slice(1) ?? [];
const WITH_COLON = /^([^:\d]{3,40}):\s{1,5}([^:]{1,60})$/;
const BEFORE_DIGITS = /^([^:\d]{3,40})\s(\d[\d./-]{2,20})$/;

const filled = (cells: readonly string[]): string[] =>
  cells.map((cell) => cell.trim()).filter((cell) => cell !== "");
