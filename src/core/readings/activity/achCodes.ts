import { headWords } from "@/core/formats";

/** Heads of columns of what an entry of an ACH file is. */
const HEAD = /^(?:ach |nacha )?(?:transaction|tran|trans|txn|entry)(?: (?:code|type))?$/;
/** Codes of entries: checking, savings, ledger and loan accounts, debits and credits (Nacha file format). */
const CODE = /^[2-5][2-9]$/;
/** Of these the credits: money that was sent and not collected. */
const CREDIT = /^[2-5][234]$/;

/** Whether a column holds such codes alone: no line goes by them. */
export const areEntryCodes = (head: string, filled: readonly string[]): boolean =>
  HEAD.test(headWords(head)) && filled.length > 0 && filled.every((cell) => CODE.test(cell));

/** What a cell has to be to say that its line sent money; null where the column holds no such codes. */
export function sentByCode(
  head: string,
  filled: readonly string[],
): ((cell: string) => boolean) | null {
  const codes = filled.filter((cell) => cell !== "");
  return areEntryCodes(head, codes) ? (cell) => CREDIT.test(cell) : null;
}
