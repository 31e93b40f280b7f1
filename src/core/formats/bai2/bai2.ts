import { fail, ok, type Result } from "@/core/result";

import {
  type AgreedRow,
  agreedTable,
  balanceCheck,
  decimalOf,
  digitsOf,
  endOfAccount,
} from "../agreedTable";
import type { Table } from "../csv/table";
import { type Logical, recordsOf } from "./records";

export const isBai2 = (text: string): boolean =>
  /^\s*01,[^,\n]*,[^,\n]*,\d{6},/.test(text.slice(0, 300));

type Account = {
  end: string;
  currency: string;
  digits: number;
  control: number;
  opening: number | null;
  closing: number | null;
  sums: number[];
};

/** Money in by the codes of the standard, money out, or no detail at all. */
function directionOf(type: number): 1 | -1 | 0 {
  if (type >= 100 && type <= 399) return 1;
  return type >= 400 && type <= 699 ? -1 : 0;
}

const whole = (text: string | undefined): number =>
  /^[+-]?\d{1,15}$/.test(text ?? "") ? Number(text) : 0;

/** Places that the kind of funds takes before the references: when the money may be drawn. */
function fundsPlaces(fields: readonly string[], at: number): number {
  const kind = fields[at];
  if (kind === "V") return 3;
  if (kind === "S") return 4;
  return kind === "D" ? 2 + 2 * whole(fields[at + 1]) : 1;
}

/**
 * What the status of a group makes of its lines (BAI2, record 02): 1 is news, 2 takes back what was
 * sent before, 3 corrects it, 4 is a trial.
 */
type GroupStatus = Pick<AgreedRow, "aside" | "doubt">;
const LINES: GroupStatus = {};
const GROUPS: Readonly<Record<string, GroupStatus>> = {
  "2": { doubt: "taken_back" },
  "3": { doubt: "corrected" },
  "4": { aside: "no_money" },
};

type ControlOff = { readonly line: number; readonly said: string; readonly found: number };

/** Goes through the records of a file: what is open, what was found, and whether its totals hold. */
class Bai2Reader {
  readonly rows: AgreedRow[] = [];
  readonly checks: ReturnType<typeof balanceCheck>[] = [];
  off: ControlOff | null = null;
  /** The first line with a sum whose type code says neither in nor out, such as a bank's own (900 to 999). */
  unknown: { line: number; type: string } | null = null;
  ended = false;
  private account: Account | null = null;
  private day = "";
  private status: GroupStatus = LINES;
  private currency = "USD";
  private group = 0;
  private file = 0;

  /** What each record does; the others say nothing of money. */
  private readonly of: Readonly<Record<string, (fields: readonly string[], line: number) => void>> =
    {
      "02": (fields) => {
        this.status = GROUPS[fields[2] ?? ""] ?? LINES;
        this.day = isoOf(fields[3] ?? "");
        this.currency = fields[5] || "USD";
        this.group = 0;
      },
      "03": (fields) => {
        this.account = opened(fields, this.currency);
      },
      "16": (fields, line) => {
        const { account, day } = this;
        const row = account && detailOf(fields, { line, day, account });
        if (row) this.rows.push({ ...row, ...this.status });
        else if (whole(fields[1]) !== 0) this.unknown ??= { line, type: fields[0] ?? "" };
      },
      "49": (fields, line) => {
        if (!this.account) return;
        this.hold(fields, line, this.account.control);
        this.group += this.account.control;
        this.checks.push(checkOf(this.account));
        this.account = null;
      },
      "98": (fields, line) => {
        this.hold(fields, line, this.group);
        this.file += this.group;
      },
      "99": (fields, line) => {
        this.hold(fields, line, this.file);
        this.ended = true;
      },
    };

  take({ code, text, line }: Logical): void {
    this.of[code]?.(text.split(","), line);
  }

  private hold(fields: readonly string[], line: number, found: number): void {
    if (whole(fields[0]) !== found) this.off ??= { line, said: fields[0] ?? "", found };
  }
}

/**
 * A BAI2 file (cash management balance reporting, version 2) as lines of a statement. Sums are whole
 * numbers of the currency's smallest unit; a line's sign comes from its type code. The control
 * totals of account, group and file (49, 98, 99) must be what their records add up to.
 */
export function bai2Table(
  text: string,
): Result<Table, "bai2.control" | "bai2.broken" | "file.no_rows"> {
  const reader = new Bai2Reader();
  for (const record of recordsOf(text)) reader.take(record);
  const { rows, checks, off, ended, unknown } = reader;
  if (off) return fail("bai2.control", off);
  if (!ended) return fail("bai2.broken", { count: rows.length });
  if (rows.length === 0) return fail("file.no_rows");
  return ok(
    agreedTable("bank", rows, {
      proofs: [
        "its control totals are what its records add up to",
        ...checks.flatMap(({ proof }) => proof ?? []),
      ],
      off:
        unknown === null
          ? (checks.find((check) => check.off !== null)?.off ?? null)
          : `line ${unknown.line} has the type ${unknown.type}, which does not say whether money came or went; it is left out`,
    }),
  );
}

const isoOf = (day: string): string =>
  /^\d{6}$/.test(day) ? `20${day.slice(0, 2)}-${day.slice(2, 4)}-${day.slice(4, 6)}` : "";

/** An account with the balances that its own record names (010 opening, 015 closing ledger). */
function opened(fields: readonly string[], group: string): Account {
  const currency = fields[1] || group;
  const account: Account = {
    end: endOfAccount(fields[0] ?? ""),
    currency,
    digits: digitsOf(currency),
    control: 0,
    opening: null,
    closing: null,
    sums: [],
  };
  for (let at = 2; at < fields.length;) {
    const [type, amount] = [fields[at] ?? "", fields[at + 1] ?? ""];
    account.control += whole(amount);
    if (type === "010" && amount !== "") account.opening = whole(amount);
    if (type === "015" && amount !== "") account.closing = whole(amount);
    at += 3 + (fields[at + 3] === undefined ? 1 : fundsPlaces(fields, at + 3));
  }
  return account;
}

function detailOf(
  fields: readonly string[],
  { line, day, account }: { line: number; day: string; account: Account },
): AgreedRow | null {
  const [type, amount] = [whole(fields[0]), whole(fields[1])];
  account.control += amount;
  const direction = directionOf(type);
  if (direction === 0 || amount === 0) return null;
  account.sums.push(direction * amount);
  const from = 2 + fundsPlaces(fields, 2);
  return {
    line,
    fields: {
      id: "",
      account: account.end,
      postedOn: day,
      currency: account.currency,
      amount: decimalOf(direction * amount, account.digits),
      description: [fields.slice(from + 2).join(","), fields[from], fields[from + 1]]
        .filter((part): part is string => part !== undefined && part !== "")
        .join(" "),
    },
  };
}

const checkOf = ({ opening, closing, sums, digits }: Account): ReturnType<typeof balanceCheck> =>
  balanceCheck(opening, sums, closing, (sum) => decimalOf(sum, digits));
