import { fail, ok, type Result } from "@/core/result";

import {
  type AgreedRow,
  agreedTable,
  balanceCheck,
  decimalOf,
  digitsOf,
  endOfAccount,
  spanOf,
  statementGap,
} from "../agreedTable";
import type { Table } from "../csv/table";
import { type Control, controlOf, wrongControl } from "./controls";
import { lineOf } from "./line";
import { type Balance, balanceOf } from "./sums";

export const isMt940 = (text: string): boolean =>
  /(?:^|\n|\{4:\s*):20:/.test(text.slice(0, 2000)) &&
  /\n:(?:60[FM]|34F|61|28C?):/.test(text.slice(0, 20_000));

type Field = { readonly line: number; readonly tag: string; readonly text: string };

/** Fields with the lines that go on with them; what surrounds the text block is left off. */
function fieldsOf(text: string): Field[] {
  const fields: { line: number; tag: string; text: string }[] = [];
  text.split(/\r\n|\n|\r/).forEach((line, at) => {
    const begins = /^(?:\{4:)?:(\d{2}[A-Z]?):(.*)$/.exec(line.replace(/^(?:\{[1-3]:[^}]*\})+/, ""));
    const last = fields.at(-1);
    if (begins) fields.push({ line: at + 1, tag: begins[1] ?? "", text: begins[2] ?? "" });
    else if (/^-(?:\}|$)/.test(line)) fields.push({ line: at + 1, tag: "end", text: "" });
    else if (last && last.tag !== "end" && line.trim() !== "") last.text += `\n${line}`;
  });
  return fields;
}

type Statement = {
  account: string;
  opening: Balance | null;
  closing: Balance | null;
  /** Of what is booked, and of what is expected. */
  sums: number[];
  expected: number[];
  controls: Control[];
  currency: string;
};

const anew = (): Statement => ({
  ...{ account: "", opening: null, closing: null },
  ...{ sums: [], expected: [], controls: [], currency: "" },
});

/** Takes in what a field says of the statement as a whole. */
function noteOf(here: Statement, { tag, text }: Field): void {
  if (/^60[FM]$/.test(tag)) {
    here.opening = balanceOf(text);
    here.currency = here.opening?.currency ?? here.currency;
  }
  // The bank's own code may stand before a stroke, a currency behind the number.
  if (/^25P?$/.test(tag))
    here.account = endOfAccount((text.split("\n")[0] ?? "").replace(/[A-Z]{3}$/, ""));
  if (tag === "34F") here.currency = text.slice(0, 3);
  if (/^62[FM]$/.test(tag)) here.closing = balanceOf(text);
  const control = controlOf(tag, text);
  if (control) here.controls.push(control);
}

/**
 * MT940 and MT942 (SWIFT, category 9) as lines of a statement: day of booking, sign by the mark, words
 * from `:86:` as structured or free text. Opening balance and lines must come to the closing one.
 */
export function mt940Table(
  text: string,
): Result<Table, "mt940.line" | "mt940.broken" | "file.no_rows"> {
  const rows: AgreedRow[] = [];
  const statements: Statement[] = [];
  const fields = fieldsOf(text);
  let here = anew();
  for (const [at, field] of fields.entries()) {
    if (field.tag === "20") statements.push((here = anew()));
    noteOf(here, field);
    if (field.tag !== "61") continue;
    const next = fields[at + 1];
    const read = lineOf(field.text, next?.tag === "86" ? next.text : "", here.currency);
    if (!read) return fail("mt940.line", { line: field.line });
    (read.isExpected ? here.expected : here.sums).push(read.minor);
    rows.push({
      line: field.line,
      fields: { account: here.account, ...read.fields },
      aside: read.isExpected ? "not_yet" : null,
    });
  }
  // A statement that was opened and not closed was cut off.
  if (statements.some(({ opening, closing }) => opening !== null && closing === null))
    return fail("mt940.broken", { count: rows.length });
  return rows.length === 0 ? fail("file.no_rows") : ok(statementTable(rows, statements));
}

function statementTable(rows: readonly AgreedRow[], statements: readonly Statement[]): Table {
  const checks = statements.map(checkOf);
  return agreedTable("bank", rows, {
    proofs: checks.flatMap(({ proof }) => proof ?? []),
    off: checks.find(({ off }) => off !== null)?.off ?? gapOf(statements),
    // From the day of the balance before to that of the last.
    span: spanOf(
      statements.flatMap(({ opening, closing }) => [opening?.on ?? "", closing?.on ?? ""]),
    ),
  });
}

const gapOf = (statements: readonly Statement[]): string | null =>
  statementGap(
    statements.map(({ account, opening, closing }) => ({
      account,
      opening: opening?.minor ?? null,
      closing: closing?.minor ?? null,
    })),
    (sum) => decimalOf(sum, digitsOf(statements[0]?.currency ?? "")),
  );

function checkOf(statement: Statement): ReturnType<typeof balanceCheck> {
  const { opening, closing, sums, currency } = statement;
  const written = (sum: number): string => decimalOf(sum, digitsOf(currency));
  const check = balanceCheck(opening?.minor ?? null, sums, closing?.minor ?? null, written);
  const { controls } = statement;
  if (controls.length === 0) return check;
  const wrong = wrongControl(statement, written);
  return {
    proof:
      wrong === null ? (check.proof ?? "its lines are what its control totals say") : check.proof,
    off: check.off ?? wrong,
  };
}
