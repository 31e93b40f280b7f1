import type { FileKind, Table } from "@/core/formats";
import type { DecimalMark } from "@/core/money";

import { Sheet, type Sums } from "./sheet";

type Columns = Readonly<Record<string, string>>;

/** Rows that have to hold for a proof. */
const ENOUGH = 2;

/**
 * Columns that no name gave a field, or that a name gave to a field of another, and that the sums of
 * the file prove: what is left of gross after the fees is the net, whatever the columns are called;
 * what goes on from line to line by the sums is the balance.
 */
export function provenColumns(
  table: Table,
  kind: FileKind,
  columns: Columns,
): Columns & Record<string, string> {
  if (table.kind !== undefined) return { ...columns };
  const marks: readonly DecimalMark[] = [".", ","];
  for (const mark of marks) {
    const found = PROOFS[kind]?.(new Sheet(table, columns, mark)) ?? null;
    if (found !== null) return { ...columns, ...found };
  }
  return { ...columns };
}

const PROOFS: Partial<Record<FileKind, (sheet: Sheet) => Columns | null>> = {
  processor: ofActivity,
  bank: ofStatement,
  invoices: ofInvoices,
};

/** Gross less its fees, of whatever signs, is the net on every line that has the three; enough have a fee. */
function foots(gross: Sums, fees: readonly Sums[], net: Sums): boolean {
  let held = 0;
  for (const [at, whole] of gross.entries()) {
    const left = net[at] ?? null;
    const parts = fees.map((fee) => fee[at] ?? 0);
    if (whole === null || left === null || parts.every((part) => part === 0)) continue;
    const cost = parts.reduce((a, b) => a + b, 0);
    const sizes = [whole - cost, whole + cost, Math.abs(whole) - Math.abs(cost)];
    if (sizes.every((size) => size !== left && size !== Math.abs(left))) return false;
    held += 1;
  }
  return held >= Math.min(ENOUGH, gross.length);
}

/** What the sums of a processor's file prove of its columns. */
function ofActivity(sheet: Sheet): Columns | null {
  const [gross, fee, net] = ["gross", "fee", "net"].map((field) => sheet.of(field));
  const more = [sheet.of("fee2"), sheet.of("feeTax")].filter((sums): sums is Sums => sums !== null);
  if (gross && fee && net)
    return foots(gross, [fee, ...more], net) ? null : mended(sheet, { gross, fee, net, more });
  if (gross && fee) return netOf(sheet, gross, [fee, ...more]);
  return gross && net ? feesOf(sheet, gross, { more, net }) : null;
}

type Three = { gross: Sums; fee: Sums; net: Sums; more: Sums[] };

/** Where gross, fee and net do not agree: one more fee, or another gross, with its currency. */
function mended(sheet: Sheet, { gross, fee, net, more }: Three): Columns | null {
  const free = sheet.free();
  const fee2 = sheet.columns.fee2
    ? undefined
    : free.find((head) => foots(gross, [fee, ...more, sheet.under(head)], net));
  if (fee2 !== undefined) return { fee2 };
  const other = free.find((head) => foots(sheet.under(head), [fee, ...more], net));
  if (other === undefined) return null;
  const currency = sheet.currencyBeside(other);
  return { gross: other, ...(currency === null ? {} : { currency }) };
}

function netOf(sheet: Sheet, gross: Sums, fees: readonly Sums[]): Columns | null {
  const net = sheet.free().find((head) => foots(gross, fees, sheet.under(head)));
  return net === undefined ? null : { net };
}

/** One or two columns that are what lies between gross and net. */
function feesOf(
  sheet: Sheet,
  gross: Sums,
  { more, net }: { more: readonly Sums[]; net: Sums },
): Columns | null {
  const free = sheet.free();
  const one = free.find((head) => foots(gross, [...more, sheet.under(head)], net));
  if (one !== undefined) return { fee: one };
  if (sheet.columns.fee2 !== undefined) return null;
  for (const [at, fee] of free.entries())
    for (const fee2 of free.slice(at + 1))
      if (foots(gross, [sheet.under(fee), sheet.under(fee2)], net)) return { fee, fee2 };
  return null;
}

/** The balance of a statement by what it follows from, where no column is called so or that one does not. */
function ofStatement(sheet: Sheet): Columns | null {
  const [amount, moneyIn, moneyOut] = ["amount", "moneyIn", "moneyOut"].map((field) =>
    sheet.of(field),
  );
  const sums = amount ?? (moneyIn && moneyOut ? difference(moneyIn, moneyOut) : null);
  const named = sheet.of("balance");
  if (sums === null || (named && followsOn(sums, named))) return null;
  const balance = sheet.free().find((head) => followsOn(sums, sheet.under(head)));
  return balance === undefined ? null : { balance };
}

const difference = (moneyIn: Sums, moneyOut: Sums): Sums =>
  moneyIn.map((sum, at) => Math.abs(sum ?? 0) - Math.abs(moneyOut[at] ?? 0));

/** What is left of an invoice after what was paid is what is open of it, whatever the columns are called. */
function ofInvoices(sheet: Sheet): Columns | null {
  const [total, paid, balance] = ["total", "paid", "balance"].map((field) => sheet.of(field));
  if (!paid) return null;
  const isLeft = (whole: Sums, left: Sums): boolean =>
    whole.length >= ENOUGH &&
    paid.some((sum) => sum !== null && sum !== 0) &&
    whole.every((sum, at) => Math.abs(sum ?? 0) - Math.abs(paid[at] ?? 0) === (left[at] ?? 0));
  const free = sheet.free();
  if (total) {
    if (balance) return null;
    const left = free.find((head) => isLeft(total, sheet.under(head)));
    return left === undefined ? null : { balance: left };
  }
  // What is called due may be what was made out, where another column is what is left of it.
  const left = balance && free.find((head) => isLeft(balance, sheet.under(head)));
  const due = sheet.columns.balance;
  return left === undefined || left === null || due === undefined
    ? null
    : { total: due, balance: left };
}

/** Whether each balance is the one before it and the sum of its line, the latest first or last. */
function followsOn(sums: Sums, balances: Sums): boolean {
  if (sums.length <= ENOUGH - 1 || balances.some((balance) => balance === null)) return false;
  const moved = sums.filter((sum) => sum !== null && sum !== 0).length;
  const step = (at: number): number => (balances[at + 1] ?? 0) - (balances[at] ?? 0);
  const steps = [...Array(sums.length - 1).keys()];
  const forward = steps.every((at) => step(at) === (sums[at + 1] ?? 0));
  const back = steps.every((at) => -step(at) === (sums[at] ?? 0));
  const sizes = steps.every((at) => Math.abs(step(at)) === Math.abs(sums[at + 1] ?? 0));
  return moved >= ENOUGH && (forward || back || sizes);
}
