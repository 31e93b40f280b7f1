import type { InspectedTable } from "@/contracts/arrivals";
import { type FileKind, guessMapping, headedAt, SHEET_MARK, type Table } from "@/core/formats";
import type { Currency } from "@/core/money";
import { columnsOfFile, kindQuestion, kindsOf, sheetQuestion } from "@/core/readings";
import { ok, type Result } from "@/core/result";

import { tableOf } from "./read";

/** What was said of a file before: what it is, and on which line its head stands (0: it has none). */
type InspectedAs = {
  kind?: FileKind | undefined;
  currency: Currency;
  head?: number | undefined;
};

/** What a new file seems to be, with a first mapping and its first lines, for people to correct. */
export function inspectFile(
  book: string,
  sha256: string,
  { kind, currency, head }: InspectedAs,
): Result<InspectedTable> {
  const kept = tableOf(book, sha256);
  if (!kept.ok) return kept;
  const table = head === undefined ? kept.value : headedAt(kept.value, head);
  const found = kindsOf(table);
  const own = table.kind;
  const as = own ?? kind ?? likeliest(found);
  const columns = columnsOfFile(table, as);
  const answers: Record<string, string> = head === undefined ? {} : { head: String(head) };
  const mapping = { ...guessMapping(table, as, { currency, columns }), answers };
  const kindOpen =
    kind === undefined && own === undefined && found.sure === null
      ? kindQuestion(found.possible, "The file")
      : null;
  return ok({
    kind: as,
    mapping,
    headers: table.headers,
    sample: table.rows.slice(0, 5).map(({ cells }) => cells),
    lines: table.rows.length,
    agreed: own !== undefined,
    ...headOf(kept.value, table),
    sheets: sheetsOf(kept.value),
    rowWords: Object.keys(mapping.rowKinds),
    kindOpen: (head === undefined ? sheetQuestion(table) : null) ?? kindOpen,
  });
}

/** Where the head of a list stands, and its first lines as they came, for it is one of them. */
const headOf = (
  { kind, records = [] }: Table,
  { headLine = 1 }: Table,
): Pick<InspectedTable, "headLine" | "firstLines"> =>
  kind === undefined
    ? { headLine, firstLines: firstLines(records) }
    : { headLine: null, firstLines: [] };

const sheetsOf = (table: Table): InspectedTable["sheets"] =>
  (table.sheets ?? []).map(({ headLine }) => ({
    headLine,
    headers: headedAt(table, headLine).headers,
  }));

const firstLines = (records: NonNullable<Table["records"]>): string[] =>
  records.slice(0, MOST_ABOVE).map((cells) =>
    cells
      .map((cell) => cell.trim())
      .filter((cell) => cell !== "" && cell !== SHEET_MARK)
      .join(" · ")
      .slice(0, 60),
  );
/** A head further down is found by itself, or the list is mended outside. */
const MOST_ABOVE = 15;

/** What a file surely is, else what it may be first of all. */
const likeliest = ({ sure, possible }: ReturnType<typeof kindsOf>): FileKind =>
  sure ?? possible[0] ?? MOST;

/** What most files are. */
const MOST: FileKind = "processor";
