import { ROW_KINDS, type RowKind } from "@/core/activity/index";
import { headWords } from "@/core/formats";

import type { Cells, Row } from "../cells";
import type { Question } from "../types";

/** Heads of the ids of what is no charge, by the kind that they name. */
const ID_OF: readonly (readonly [RegExp, RowKind])[] = [
  [/\brefund\b/, "refund"],
  [/\b(?:dispute|chargeback|case)\b/, "dispute"],
  [/\b(?:return|reversal)\b/, "ach_return"],
  [/\badjustment\b/, "adjustment"],
];
const ID = /\b(?:id|number|key|reference|case|token)\b/;

/** Heads that name a line alone, where they stand above ids. */
const ALONE = /^(?:refund|dispute|chargeback|return|reversal|adjustment)$/;
const areIds = (rows: readonly Row[], at: number): boolean =>
  rows.every((row) => /^(?=.*\d)(?=.*[A-Za-z])[\w-]{2,40}$/.test((row.cells[at] ?? "").trim()));

/** Heads of sums that are no charges', likewise. */
const OF_SUMS: readonly (readonly [RegExp, RowKind])[] = [
  [/\b(?:refund(?:ed)?|erstattung|remboursement)\b/, "refund"],
  [/\b(?:disputed?|chargeback)\b/, "dispute"],
  [/\b(?:returned|reversed)\b/, "ach_return"],
  [/\b(?:fees?|commissions?|gebuhr(?:en)?|frais)\b/, "fee"],
  [/\bheld\b/, "reserve"],
];

/** A column that names each line as something else than a charge: its head, and what that is. */
type Named = { readonly head: string; readonly kind: RowKind };

/** The column by whose ids every line may be a refund, a dispute, a return; null where none is. */
export function linesNamed(cells: Cells, rows: readonly Row[]): Named | null {
  if (cells.file.kind !== "processor" || cells.has("kind") || rows.length === 0) return null;
  for (const [at, head] of cells.file.table.headers.entries()) {
    const plain = headWords(head);
    const isOfIds = ID.test(plain) || (ALONE.test(plain) && areIds(rows, at));
    const kind = isOfIds ? ID_OF.find(([words]) => words.test(plain))?.[1] : undefined;
    if (kind === undefined) continue;
    const ids = rows.map((row) => (row.cells[at] ?? "").trim());
    if (ids.every((id) => id !== "") && new Set(ids).size === ids.length) return { head, kind };
  }
  return null;
}

/** The column of the sums, where it names them as something else than charges. */
function sumsNamed(cells: Cells, rows: readonly Row[]): Named | null {
  if (cells.file.kind !== "processor" || cells.has("kind") || rows.length === 0) return null;
  const head = cells.head("gross");
  const kind = OF_SUMS.find(([words]) => words.test(headWords(head)))?.[1];
  return kind === undefined ? null : { head, kind };
}

const namedBy = (cells: Cells, rows: readonly Row[]): Named | null =>
  linesNamed(cells, rows) ?? sumsNamed(cells, rows);

/** Whether a column may say what every line is. */
export const areLinesNamed = (cells: Cells, rows: readonly Row[]): boolean =>
  namedBy(cells, rows) !== null;

/** Whether every line may be a dispute: one that was won took nothing in the end. */
export const mayBeDisputes = (cells: Cells, rows: readonly Row[]): boolean =>
  namedBy(cells, rows)?.kind === "dispute";

/** Lines whose ids, or sums, are all those of a refund or of a dispute, and no word for what they are: asked. */
export function linesAreQuestion(cells: Cells, rows: readonly Row[]): Question[] {
  if (cells.file.answers.lines_are !== undefined) return [];
  const byId = linesNamed(cells, rows);
  const named = byId ?? sumsNamed(cells, rows);
  if (named === null) return [];
  const { head, kind } = named;
  const has = byId === null ? "a sum" : "an id";
  return [
    {
      key: "lines_are",
      words: `“${head}” has ${has} on each line, and no column says what the lines are.`,
      choices: ([kind, "charge"] as const).map((answer) => ({
        answer,
        result: `${rows.length === 1 ? "it" : `each of the ${rows.length}`} is a ${ROW_KINDS[answer].label}`,
      })),
    },
  ];
}

/** What every line without a word of its own was said to be. */
export const saidOfLines = (cells: Cells): RowKind | undefined => {
  const said = cells.file.answers.lines_are;
  const kinds = [...ID_OF, ...OF_SUMS].map(([, kind]) => kind);
  return [...kinds, "charge" as const].find((kind) => kind === said);
};

/** The head of the ids of what every line was said to be; null where the lines are charges, or nobody said so. */
export function idSaid(cells: Cells, rows: readonly Row[]): string | null {
  const said = saidOfLines(cells);
  return said === undefined || said === "charge" ? null : (linesNamed(cells, rows)?.head ?? null);
}
