import {
  type FileKind,
  type MappingSpec,
  plainWords,
  type Refusal,
  type Table,
} from "@/core/formats";

import { bankTable } from "./bank/bankTable";
import { canonicalMapping, canonicalTable, type Made, type Reading, unreadable } from "./canonical";
import { Cells, type Row } from "./cells";
import { customerTable } from "./customerTable";
import { daysOfFile } from "./days/daysOfFile";
import { doubtsOfFormat } from "./doubtsOfFormat";
import { cutIds } from "./lines/cutIds";
import { totalsOf } from "./lines/totals/totals";
import { splitRows } from "./lines/parts/splitRows";
import { headSaid } from "./lines/headOfFile";
import { dueOfFormat } from "./invoices/dueOfFormat";
import { invoiceTable } from "./invoices/invoiceTable";
import { linesOf } from "./lines/linesOfFile";
import { ofOneAccount } from "./lines/whose/ofOneAccount";
import { momentsOfFormat } from "./momentsOfFormat";
import { withSaidCodes } from "./columns/customerCodes";
import { withOurNumbers } from "./columns/ourNumbers";
import { remittanceTable } from "./remittance/remittanceTable";
import { returnsTable } from "./returnsTable";
import { otherColumns } from "./lines/otherColumns";
import { withTimes } from "./days/timesBeside";
import { spanAbove, spanUnder } from "./days/ownSpan";
import { asPayouts } from "./activity/asPayouts";
import { processorTable } from "./activity/processorTable";
import { withReserves } from "./activity/reserves";
import { withTotals } from "./activity/totalOfParts";
import { withWays } from "./activity/waysSaid";
import { withinSpan } from "./days/spans";
import { sumsOfFile } from "./sums/sumsOfFile";
import { twoCurrencies } from "./sums/twoCurrencies";
import type { EndedRow, LeftOut, Question, ReadingContext, Understood, Unread } from "./types";

export type UnderstoodFile = Understood & {
  readonly mapping: MappingSpec;
  readonly refused: readonly Refusal[];
  /** What was declined, voided or failed: it may have been money in a file before. */
  readonly ended: readonly EndedRow[];
};

/** How the rows of each kind are put into the agreed layout. */
const TABLES: Readonly<Record<FileKind, (reading: Reading, rows: readonly Row[]) => Made>> = {
  processor: processorTable,
  bank: bankTable,
  invoices: invoiceTable,
  customers: customerTable,
  remittance: remittanceTable,
  returns: returnsTable,
};

/**
 * Reads a file as far as it proves what it says: each line becomes one in the agreed layout, is left
 * out by a rule with a name, or is refused by its cell. What the file leaves open comes as questions;
 * nothing may be taken in while one stands. Lines taken + left out + refused = lines of the file.
 */
export function understand(asCame: Unread, context: ReadingContext): UnderstoodFile {
  if (asCame.table.kind === asCame.kind) return understoodFormat(asCame, context);
  const said = { ...asCame, table: headSaid(asCame.table, asCame.answers) };
  const file = withSaidCodes(
    withOurNumbers(asPayouts(withTotals(withReserves(withWays(withTimes(said)))))),
  );
  const lines = linesOf(file, context);
  const { cells, rows } = lines;
  const days = daysOfFile(cells, rows, context);
  const sums = sumsOfFile(cells, rows, context);
  const reading: Reading = {
    cells,
    daysOf: days.readingOf,
    sums: sums.reading,
    currencyOf: sums.currencyOf,
    wayOf: lines.wayOf,
    today: context.today,
  };
  const bad = [...cutIds(cells, rows), ...rows.flatMap((row) => unreadable(reading, row))];
  const badLines = new Set(bad.map(({ line }) => line));
  const split = splitRows(
    reading,
    rows.filter(({ line }) => !badLines.has(line)),
  );
  const made = TABLES[file.kind](reading, split.rows);
  const totals = totalsOf(reading, made.questions, {
    rows: cells.file.table.rows,
    leftOut: [...lines.leftOut, ...split.leftOut, ...made.leftOut],
    made: made.rows,
  });
  const own = spanUnder(spanAbove(file.table), days.readingOf(""));
  const span = withinSpan(file.kind, made.rows, file.answers, { ...context, own });
  const questions = [
    ...lines.questions,
    ...days.questions,
    ...sums.questions,
    ...twoCurrencies({ cells, rows, reading: sums.reading, context }, sums.currencyOf),
    ...split.questions,
    ...made.questions,
    ...totals.questions,
    ...otherColumns(
      { cells, rows, reading: sums.reading, context },
      footed(file.kind, cells, made),
    ),
    ...span.questions,
  ];
  return {
    table: canonicalTable(file.kind, { ...made, rows: span.lines }),
    mapping: canonicalMapping(file.kind),
    questions: onceEach(questions),
    leftOut: sorted([...lines.leftOut, ...split.leftOut, ...made.leftOut, ...span.leftOut]),
    ended: [...lines.ended, ...(made.ended ?? [])],
    refused: [...lines.refused, ...bad, ...made.refused],
    proofs: [...lines.proofs, ...made.proofs, ...totals.proofs],
  };
}

/** A file of a published format says all by itself: only its span, and what does not foot, is asked. */
function understoodFormat(file: Unread, context: ReadingContext): UnderstoodFile {
  const { table, kind, columns, answers } = file;
  const cells = new Cells(file);
  const one = ofOneAccount(cells, table.rows, context);
  const aside = new Map(table.aside?.map(({ line, mark }) => [line, mark]));
  const booked = one.rows.filter(({ line }) => !aside.has(line));
  const rows = booked.map((row) => ({
    line: row.line,
    fields: Object.fromEntries(Object.keys(columns).map((field) => [field, cells.of(row, field)])),
  }));
  const clear = doubtsOfFormat(
    rows,
    [...(table.doubts ?? []), ...ownBills(table, context)],
    answers,
  );
  const due =
    kind === "invoices" ? dueOfFormat(clear.lines, answers) : { lines: clear.lines, questions: [] };
  const moments = momentsOfFormat(due.lines, table.moments ?? [], answers, context);
  const span = withinSpan(kind, moments.lines, answers, { ...context, own: table.span ?? null });
  const { off = null, proofs = [] } = table;
  const questions: Question[] = [
    ...one.questions,
    ...(off !== null && answers.balance === undefined ? [offQuestion(off)] : []),
    ...clear.questions,
    ...due.questions,
    ...moments.questions,
    ...span.questions,
  ];
  return {
    table: canonicalTable(kind, { rows: span.lines }),
    mapping: canonicalMapping(kind),
    questions,
    leftOut: sorted([
      ...one.leftOut,
      ...one.rows.flatMap(({ line }) => {
        const why = aside.get(line);
        return why ? [{ line, why }] : [];
      }),
      ...clear.leftOut,
      ...span.leftOut,
    ]),
    ended: [],
    refused: [],
    proofs: [...one.proofs, ...proofs, ...(off === null ? [] : [off])],
  };
}

/** Documents that are made out to whom the book is of. */
function ownBills(
  { madeOutTo, rows }: Table,
  { ownName }: ReadingContext,
): NonNullable<Table["doubts"]> {
  const [to, own] = [madeOutTo, ownName].map((name) => plainWords(name ?? ""));
  return own !== "" && to === own ? rows.map(({ line }) => ({ line, mark: "own_bill" })) : [];
}

const offQuestion = (off: string): Question => ({
  key: "balance",
  words: `The file does not add up: ${off}.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }],
});

/** A column that two rules ask about is asked about once. */
const onceEach = (questions: readonly Question[]): Question[] =>
  questions.filter(({ key }, at) => questions.findIndex((other) => other.key === key) === at);

const sorted = (leftOut: readonly LeftOut[]): LeftOut[] =>
  [...leftOut].sort((a, b) => a.line - b.line);

/** Whether the sums of a file check one another, so that no other column can change them. */
function footed(kind: FileKind, cells: Cells, { proofs }: Made): boolean {
  if (kind === "invoices") return cells.has("balance");
  if (kind === "customers" || kind === "returns") return true;
  return proofs.some((proof) => /^all |^gross less|are the sum/.test(proof));
}
