import { headAt } from "./head";

/** The first cell of a record that begins a sheet of a workbook kept as one text; its name stands beside it. */
export const SHEET_MARK = "\u241e";

/** The first cell of the last record of a workbook kept as text, where it hides lines: they follow by number. */
export const HIDDEN_MARK = "\u241f";

/** The only cell of a record at the end of a workbook kept as text whose days are counted from 1904. */
export const FROM_1904_MARK = "\u2420";

type Records = readonly (readonly string[])[];

/** A sheet among the records of a workbook: from the record after its mark to the one before the next. */
export type Sheet = { readonly name: string; readonly from: number; readonly to: number };

/** What a workbook kept as text says of itself behind its lists. */
export type BookFacts = {
  /** Lines that are hidden. */
  readonly hidden: readonly number[];
  /** Whether days that are plain numbers are counted from 1904. */
  readonly isFrom1904: boolean;
};

/** The records without those behind the lists, and what they say. */
export function factsAside<Row extends readonly string[]>(
  records: readonly Row[],
): BookFacts & { records: Row[] } {
  const at = records.findLastIndex(([mark = ""]) => mark !== "");
  const [mark, ...numbers] = records[at] ?? [];
  if (mark === HIDDEN_MARK)
    return { ...factsAside(records.slice(0, at)), hidden: numbers.map(Number) };
  return mark === FROM_1904_MARK
    ? { records: records.slice(0, at), hidden: [], isFrom1904: true }
    : { records: [...records], hidden: [], isFrom1904: false };
}

/** The records that say so again. */
export const factRecords = ({ hidden, isFrom1904 }: BookFacts): string[][] => [
  ...(isFrom1904 ? [[FROM_1904_MARK]] : []),
  ...(hidden.length > 0 ? [[HIDDEN_MARK, ...hidden.map(String)]] : []),
];

const isMark = (record: readonly string[] | undefined): boolean => record?.[0] === SHEET_MARK;

/** The sheets of a workbook; none where the records are one list. */
export function sheetsOf(records: Records): Sheet[] {
  if (!isMark(records[0])) return [];
  const marks = records.flatMap((record, at) => (isMark(record) ? [at] : []));
  return marks.map((at, nth) => ({
    name: records[at]?.[1] ?? "",
    from: at + 1,
    to: marks[nth + 1] ?? records.length,
  }));
}

/** The records that belong to one list: those of the sheet that a record stands in, else all. */
export function listAround(records: Records, at: number): { from: number; to: number } {
  const own = sheetsOf(records).find(({ from, to }) => at >= from && at < to);
  return own ?? { from: 0, to: records.length };
}

/** Where the head stands; of a workbook that of its first list. */
export function headWithin(records: Records): number {
  const [first] = sheetsOf(records);
  return first ? headOfSheet(records, first) : headAt(records);
}

/** Where the head of a sheet stands. */
export const headOfSheet = (records: Records, { from, to }: Sheet): number =>
  from + Math.max(0, headAt(records.slice(from, to)));
