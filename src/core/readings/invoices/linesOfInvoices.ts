import { type Currency, formatAmount, minor, parseAmount, toDecimal } from "@/core/money";

import type { Made, Reading } from "../canonical";
import type { Row } from "../cells";
import { groupedBy } from "../grouped";
import type { LeftOut, Question } from "../types";
import { areTotals } from "./totalsOfLines";

type Line = Made["rows"][number];

/** What the lines of one invoice have in common, where each has all of its head. */
const HEAD = ["customerId", "issuedOn", "dueOn", "currency", "total", "balance"] as const;
const SUMS = ["total", "balance", "tax"] as const;

type Whole = {
  readonly rows: readonly Line[];
  readonly leftOut: readonly LeftOut[];
  readonly questions: readonly Question[];
};

/**
 * A list that gives a line for each item of an invoice. Sums that differ are those of its items, and
 * equal ones its own, told on each: asked, unless the file shows the one or the other.
 */
export function wholeInvoices(reading: Reading, lines: readonly Line[]): Whole {
  const byNumber = groupedBy(lines, ({ fields: { number = "", customerId = "" } }) =>
    number === "" ? null : `${number}\n${customerId}`,
  );
  const twice = [...byNumber.values()].filter((group) => group.length > 1);
  if (twice.length === 0) return { rows: lines, leftOut: [], questions: [] };
  const rowOf = rowsOf(reading);
  const currencyIn: CurrencyIn = ([first]) => reading.currencyOf(rowOf(first?.line ?? 0));
  const several = twice.filter((group) => isOfItems(rowOf, group));
  const isOnce = areTotals(reading, several.filter(isSame));
  const said = reading.cells.file.answers.lines;
  const open = several.filter((group) => !isSame(group) || !isOnce);
  const asItems = (group: readonly Line[]): boolean => said === "sum" && !(isSame(group) && isOnce);
  const joined = new Map<number, Line>();
  const leftOut: LeftOut[] = [];
  for (const group of several) {
    const [first, ...more] = group;
    if (!first || (!isSame(group) && said !== "sum")) continue;
    const currency = currencyIn(group);
    joined.set(
      first.line,
      asItems(group) ? summed(currency, group, SUMS) : summed(currency, group, taxOf(group)),
    );
    leftOut.push(...more.map(({ line }) => ({ line, why: "same_invoice" as const })));
  }
  const out = new Set(leftOut.map(({ line }) => line));
  return {
    rows: lines.filter(({ line }) => !out.has(line)).map((line) => joined.get(line.line) ?? line),
    leftOut,
    questions: said === undefined ? linesQuestion(currencyIn, open) : [],
  };
}

/** Lines of items differ somewhere: two that are equal in every cell are one line given twice. */
const isOfItems = (rowOf: RowOf, group: readonly Line[]): boolean =>
  new Set(group.map(({ line }) => rowOf(line).cells.join("\n"))).size === group.length;

type RowOf = (line: number) => Row;

/** The rows of a file by their lines. */
function rowsOf({ cells }: Reading): RowOf {
  const rows = new Map(cells.file.table.rows.map((row) => [row.line, row]));
  return (line) => rows.get(line) ?? { line, cells: [] };
}

const isSame = (group: readonly Line[]): boolean =>
  HEAD.every((field) => new Set(group.map(({ fields }) => fields[field] ?? "")).size === 1);

/** The tax of each item is a part of that of the invoice; one that is the same on each is its own. */
const taxOf = (group: readonly Line[]): readonly "tax"[] =>
  new Set(group.map(({ fields }) => fields.tax ?? "")).size > 1 ? ["tax"] : [];

function summed(
  currency: Currency,
  group: readonly Line[],
  of: readonly (typeof SUMS)[number][],
): Line {
  const first = group[0] as Line;
  const sums = of.flatMap((field) => {
    const sum = sumOf(currency, group, field);
    return sum === null ? [] : [[field, sum]];
  });
  return { line: first.line, fields: { ...first.fields, ...Object.fromEntries(sums) } };
}

/** The sum of a field over the lines, as the agreed layout writes it; null where none has it. */
function sumOf(currency: Currency, group: readonly Line[], field: string): string | null {
  const sums = group.flatMap(({ fields }) => {
    const read = parseAmount(fields[field] ?? "", ".", currency);
    return read.ok ? [read.value] : [];
  });
  const total = sums.reduce((a: number, b) => a + b, 0);
  return sums.length === 0 ? null : toDecimal(minor(total), currency);
}

/** Lines with one sum of the whole and several due days: what is to be paid when. */
const isInstallments = (group: readonly Line[]): boolean =>
  new Set(group.map(({ fields }) => fields.total)).size === 1 &&
  new Set(group.map(({ fields }) => fields.dueOn)).size === group.length;

const installmentsQuestion = (group: readonly Line[]): Question[] => [
  {
    key: "lines",
    words: `Invoice ${group[0]?.fields.number ?? ""} stands on ${group.length} lines with one sum and ${group.length} due days, as installments do (first line ${group[0]?.line ?? 0}). Choose the column of what is due on each day, and give each its own number.`,
    choices: [
      { answer: "apart", result: "those lines are refused, and the right ones are given again" },
    ],
  },
];

type CurrencyIn = (group: readonly Line[]) => Currency;

function linesQuestion(currencyIn: CurrencyIn, groups: readonly (readonly Line[])[]): Question[] {
  const differing = groups.find((group) => !isSame(group));
  const group = differing ?? groups[0];
  if (group && isInstallments(group)) return installmentsQuestion(group);
  const [first, second] = group ?? [];
  if (!group || !first || !second) return [];
  const currency = currencyIn(group);
  const shown = (text: string | null | undefined): string => {
    const read = parseAmount(text ?? "", ".", currency);
    return read.ok ? formatAmount(read.value, currency) : "nothing";
  };
  return [
    {
      key: "lines",
      words: `Invoice ${first.fields.number ?? ""} stands on ${group.length} lines with ${differing ? "different sums" : "the same sum"} (line ${first.line}: ${shown(first.fields.total)}, line ${second.line}: ${shown(second.fields.total)}). Are they the items of one invoice?`,
      choices: [
        {
          answer: "sum",
          result: `yes: it is made out for ${shown(sumOf(currency, group, "total"))}`,
        },
        differing
          ? {
              answer: "apart",
              result: "no: those lines are refused, and the right ones are given again",
            }
          : {
              answer: "once",
              result: `no: each of them tells what the whole is made out for, ${shown(first.fields.total)}`,
            },
      ],
    },
  ];
}
