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
import { remittanceIn } from "./remittance";

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

type Balance = { readonly minor: number; readonly currency: string; readonly on: string };

/** `C261102USD18240,55`: mark, day, currency, sum with a comma. */
function balanceOf(text: string): Balance | null {
  const match = /^([CD])(\d{6})([A-Z]{3})([\d,]{1,16})/.exec(text);
  if (!match) return null;
  const currency = match[3] ?? "";
  const minor = minorOf(match[4] ?? "", currency);
  return minor === null
    ? null
    : {
        minor: match[1] === "D" ? -minor : minor,
        currency,
        on: iso(match[2] ?? ""),
      };
}

/** A sum of SWIFT: digits, a comma, decimals that may be missing. */
function minorOf(text: string, currency: string): number | null {
  const match = /^(\d{1,12}),(\d{0,3})$/.exec(text);
  const digits = digitsOf(currency);
  if (!match || /[1-9]/.test((match[2] ?? "").slice(digits))) return null;
  return Number(`${match[1] ?? "0"}${(match[2] ?? "").slice(0, digits).padEnd(digits, "0")}`);
}

const iso = (day: string): string => `20${day.slice(0, 2)}-${day.slice(2, 4)}-${day.slice(4, 6)}`;

/** The booking day beside a value day: of the same year, or of the one beside it at its turn. */
function bookingDay(value: string, entry: string | undefined): string {
  if (entry === undefined) return iso(value);
  const year = 2000 + Number(value.slice(0, 2));
  const shift = Number(entry.slice(0, 2)) - Number(value.slice(2, 4));
  const turned = shift > 6 ? year - 1 : year;
  return `${shift < -6 ? year + 1 : turned}-${entry.slice(0, 2)}-${entry.slice(2)}`;
}

const LINE =
  /^(\d{6})(\d{4})?(R?[CD])([A-Z])?([\d,]{1,16})([NSF][A-Z0-9]{3})([^\n/]*(?:\/(?!\/)[^\n/]*)*)(?:\/\/([^\n]*))?(?:\n([\s\S]*))?$/;

type Line = { readonly minor: number; readonly fields: Record<string, string> };
type Words = {
  readonly information: string;
  readonly reference: string;
  readonly bank: string;
  readonly more: string;
};

/** One `:61:` with the `:86:` behind it; null where it is none. */
function lineOf(text: string, information: string, currency: string): Line | null {
  const match = LINE.exec(text);
  const part = (at: number): string => match?.[at] ?? "";
  const size = minorOf(part(5), currency);
  if (!match || size === null) return null;
  const mark = part(3);
  // A reversed credit takes, a reversed debit brings.
  const minor = mark === "C" || mark === "RD" ? size : -size;
  return {
    minor,
    fields: {
      id: "",
      postedOn: bookingDay(part(1), match[2]),
      currency,
      amount: decimalOf(minor, digitsOf(currency)),
      description: wordsOf({
        information,
        reference: part(7),
        bank: part(8),
        more: part(9),
      }),
    },
  };
}

const wordsOf = ({ information, reference, bank, more }: Words): string =>
  [
    remittanceIn(information),
    /^(NONREF)?$/i.test(reference.trim()) ? "" : reference.trim(),
    bank.trim(),
    more.replaceAll("\n", " ").trim(),
  ]
    .filter((part) => part !== "")
    .join(" ")
    .slice(0, 500);

type Statement = {
  account: string;
  opening: Balance | null;
  closing: Balance | null;
  sums: number[];
  currency: string;
};

const anew = (): Statement => ({
  ...{ account: "", opening: null, closing: null },
  ...{ sums: [], currency: "USD" },
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
    here.sums.push(read.minor);
    rows.push({ line: field.line, fields: { account: here.account, ...read.fields } });
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

function checkOf({ opening, closing, sums, currency }: Statement): ReturnType<typeof balanceCheck> {
  const digits = digitsOf(currency);
  return balanceCheck(opening?.minor ?? null, sums, closing?.minor ?? null, (sum) =>
    decimalOf(sum, digits),
  );
}
