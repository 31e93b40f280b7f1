import type { AgreedRow } from "../agreedTable";
import type { Aside, Doubt } from "../doubts";

/** The aggregate of a transaction that the bank has not booked yet (OFX 2.2, 11.4.4). */
export const PENDING = "STMTTRNP";

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

/** A comma alone is the decimal mark, as some lands write it. */
const decimal = (text: string): string =>
  text.includes(",") && !text.includes(".") ? text.replace(",", ".") : text.replace(/,/g, "");

/** Types whose sums go one way alone (OFX 2.2, 11.4.4.3); a fee may be given back, an ATM may take. */
const ONE_WAY: Readonly<Record<string, 1 | -1>> = {
  CREDIT: 1,
  DEP: 1,
  DIRECTDEP: 1,
  DEBIT: -1,
  CHECK: -1,
  DIRECTDEBIT: -1,
};

/** Transactions as lines of a statement. */
export function rowsOf(transactions: readonly Transaction[]): AgreedRow[] {
  const correctedBy = new Map<string, Transaction>();
  for (const one of transactions)
    if (one.said.CORRECTFITID) correctedBy.set(one.said.CORRECTFITID, one);
  const ids = new Set(transactions.map(({ said }) => said.FITID));
  return transactions.map((one) => ({
    line: one.line,
    fields: fieldsOf(one),
    aside: asideOf(one, correctedBy, ids),
    doubt: doubtOf(one),
  }));
}

const isTakenBack = ({ said }: Transaction): boolean => said.CORRECTACTION === "DELETE";

/** What a later transaction corrects is set aside; so is a correction that only takes a line of this file back. */
function asideOf(
  one: Transaction,
  correctedBy: ReadonlyMap<string, Transaction>,
  ids: ReadonlySet<string | undefined>,
): Aside | null {
  const { FITID = "", CORRECTFITID = "" } = one.said;
  if (one.isPending) return "not_yet";
  const later = correctedBy.get(FITID) ?? correctedBy.get(CORRECTFITID);
  if (later && later !== one) return "replaced";
  return isTakenBack(one) && ids.has(CORRECTFITID) ? "replaced" : null;
}

function doubtOf(one: Transaction): Doubt | null {
  if (isTakenBack(one)) return "taken_back";
  const way = ONE_WAY[one.said.TRNTYPE ?? ""];
  const sum = Number(decimal(one.said.TRNAMT ?? ""));
  return way !== undefined && sum * way < 0 ? "wrong_side" : null;
}

/** A correction bears the id of what it corrects, so that it is known as the same line. */
function fieldsOf({ said, account, currency }: Transaction): Record<string, string> {
  const { NAME = "", MEMO = "", CHECKNUM = "" } = said;
  return {
    account,
    id: said.CORRECTFITID ?? said.FITID ?? "",
    postedOn: dayOf(said.DTPOSTED ?? said.DTTRAN ?? ""),
    amount: decimal(said.TRNAMT ?? ""),
    currency: said.CURSYM || currency,
    description: [NAME, MEMO === NAME ? "" : MEMO, CHECKNUM ? `check ${CHECKNUM}` : ""]
      .filter((part) => part !== "")
      .join(" "),
  };
}
