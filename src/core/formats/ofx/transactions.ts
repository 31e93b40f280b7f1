import type { AgreedRow } from "../agreedTable";
import type { Aside, Doubt } from "../doubts";
import { pointBeforeDecimals } from "./amounts";

/** The aggregate of a transaction that the bank has not booked yet (OFX 2.2, 11.4.4). */
export const PENDING = "STMTTRNP";
/** A sum under a hold (OFX 2.2, 11.4.4.3): it is no money yet, wherever it stands. */
const HOLD = "HOLD";

/** A transaction as the file says it, by its tags. */
export type Transaction = {
  readonly line: number;
  readonly said: Readonly<Record<string, string>>;
  readonly isPending: boolean;
  readonly account: string;
  readonly currency: string;
};

/** `20261103120000.000[-5:EST]` is a day of the bank's own: the first eight digits. */
export const dayOf = (text: string): string =>
  /^\d{8}/.test(text) ? `${text.slice(0, 4)}-${text.slice(4, 6)}-${text.slice(6, 8)}` : text;

const MOMENT =
  /^(\d{4})(\d\d)(\d\d)(\d\d)(\d\d)(?:\d\d)?(?:\.\d{1,6})?\[([+-]?\d{1,2}(?:\.\d{1,2})?)(?::[A-Za-z]{1,6})?\]$/;

/**
 * The moment in UTC that is said with its zone (OFX 2.2, 3.2.8.2); null where there is none. Midnight
 * and noon say no time, but a day (common practice, no source).
 */
function momentOf(text: string): string | null {
  const found = MOMENT.exec(text.trim());
  if (!found) return null;
  const [year = 0, month = 0, day = 0, hour = 0, minute = 0, zone = 0] = found.slice(1).map(Number);
  if (minute === 0 && hour % 12 === 0) return null;
  const moment = new Date(Date.UTC(year, month - 1, day, hour, minute) - zone * 3_600_000);
  return Number.isNaN(moment.getTime()) ? null : moment.toISOString();
}

/** Types whose sums go one way alone (OFX 2.2, 11.4.4.3); a fee may be given back, an ATM may take. */
const ONE_WAY: Readonly<Record<string, 1 | -1>> = {
  CREDIT: 1,
  DEP: 1,
  DIRECTDEP: 1,
  DEBIT: -1,
  CHECK: -1,
  DIRECTDEBIT: -1,
};

const sumOf = ({ said }: Transaction): string => (said.TRNAMT ?? "").trim();

/** Transactions as lines of a statement. */
export function rowsOf(transactions: readonly Transaction[]): AgreedRow[] {
  const correctedBy = new Map<string, Transaction>();
  for (const one of transactions)
    if (one.said.CORRECTFITID) correctedBy.set(one.said.CORRECTFITID, one);
  const byId = new Map(transactions.map((one) => [one.said.FITID, one]));
  const amountOf = pointBeforeDecimals(transactions.map(sumOf));
  return transactions.map((one) => ({
    line: one.line,
    fields: { ...fieldsOf(one), amount: amountOf(sumOf(one)), id: rootOf(one, byId) },
    aside: asideOf(one, correctedBy, byId),
    doubt: doubtOf(one, byId),
    moment: momentOf(one.said.DTPOSTED ?? one.said.DTTRAN ?? ""),
  }));
}

type ById = ReadonlyMap<string | undefined, Transaction>;

/** The id of what was told first: a correction is known as the line that it corrects, and so on down. */
function rootOf(one: Transaction, byId: ById): string {
  const seen = new Set<Transaction>();
  let here = one;
  while (!seen.has(here)) {
    seen.add(here);
    const before = here.said.CORRECTFITID;
    if (before === undefined) break;
    const next = byId.get(before);
    if (!next) return before;
    here = next;
  }
  return here.said.FITID ?? "";
}

const isTakenBack = ({ said }: Transaction): boolean => said.CORRECTACTION === "DELETE";

/** What a later transaction corrects is set aside; so is a correction that only takes a line of this file back. */
function asideOf(
  one: Transaction,
  correctedBy: ReadonlyMap<string, Transaction>,
  byId: ById,
): Aside | null {
  const { FITID = "", CORRECTFITID = "" } = one.said;
  if (one.isPending || one.said.TRNTYPE === HOLD) return "not_yet";
  const later = correctedBy.get(FITID) ?? correctedBy.get(CORRECTFITID);
  if (later && later !== one) return "replaced";
  return isTakenBack(one) && byId.has(CORRECTFITID) ? "replaced" : null;
}

function doubtOf(one: Transaction, byId: ById): Doubt | null {
  if (isTakenBack(one)) return "taken_back";
  // What it corrects came in a file before, perhaps as a correction of a third.
  if (one.said.CORRECTFITID !== undefined && !byId.has(one.said.CORRECTFITID)) return "corrected";
  const way = ONE_WAY[one.said.TRNTYPE ?? ""];
  const sum = sumOf(one);
  const went = sum.startsWith("-") ? -1 : 1;
  return way !== undefined && /[1-9]/.test(sum) && went !== way ? "wrong_side" : null;
}

function fieldsOf({ said, account, currency }: Transaction): Record<string, string> {
  const { NAME = "", MEMO = "", CHECKNUM = "" } = said;
  return {
    account,
    postedOn: dayOf(said.DTPOSTED ?? said.DTTRAN ?? ""),
    currency: said.CURSYM || currency,
    description: [NAME, MEMO === NAME ? "" : MEMO, CHECKNUM ? `check ${CHECKNUM}` : ""]
      .filter((part) => part !== "")
      .join(" "),
  };
}
