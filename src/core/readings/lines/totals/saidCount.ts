import { plainWords } from "@/core/formats";

const LINES =
  "(?:transactions?|records?|rows?|entries|lines|invoices|documents|payments|receipts|open items|umsatze|buchungen|zeilen)";
/** How a list says how many lines it has (common practice, no source); the number may stand in the next cell. */
const FORMS: readonly RegExp[] = [
  new RegExp(`^(?:total )?(?:number|no|nr|count|anzahl)(?: of| der)? ${LINES}(?: (\\d{1,7}))?$`),
  new RegExp(`^(?:total )?${LINES}(?: count)? (\\d{1,7})$`),
  /^(?:record|transaction|row|line) count(?: (\d{1,7}))?$/,
  new RegExp(
    `\\b(\\d{1,7}) ${LINES}(?: (?:exported|shown|listed|found|in total|total|returned))?$`,
  ),
];
/** What says how many there may be, and not how many there are. */
const AT_MOST = /^(?:last|latest|up to|max|maximum|first|top)\b/;

/** How many lines a row of cells says that its list has; null where it says nothing of it. */
export function saidCount(cells: readonly string[]): number | null {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== "");
  for (const [at, cell] of filled.entries()) {
    const count = countIn(cell, filled[at + 1] ?? "");
    if (count !== null) return count;
  }
  return null;
}

/** Whether a line says how many there are, and no more: its words and its number. */
export const isCountAlone = (cells: readonly string[]): boolean =>
  cells.filter((cell) => cell.trim() !== "").length <= 2 && saidCount(cells) !== null;

function countIn(cell: string, beside: string): number | null {
  if (!/[a-z]/i.test(cell) || cell.length > 80) return null;
  const plain = plainWords(cell);
  if (AT_MOST.test(plain)) return null;
  for (const form of FORMS) {
    const found = form.exec(plain);
    if (!found) continue;
    const digits = found[1] ?? (/^\d{1,7}$/.test(beside) ? beside : null);
    return digits === null ? null : Number(digits);
  }
  return null;
}
