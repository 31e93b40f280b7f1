/** The first cell of a record that begins a sheet of a workbook kept as one text; its name stands beside it. */
export const SHEET_MARK = "\u241e";

type Records = readonly (readonly string[])[];

/** A sheet among the records of a workbook: from the record after its mark to the one before the next. */
export type Sheet = { readonly name: string; readonly from: number; readonly to: number };

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
