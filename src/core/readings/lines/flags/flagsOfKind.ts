import { type FileKind, plainWords } from "@/core/formats";

import { isDead, isNo, isUnknown, saysNoLine, tellsStanding, testByHead } from "./flagWords";
import { notCustomers } from "./notCustomers";

type Says = (cell: string) => boolean;

/** What is said of a payment that is under way to us, as its advice is (common practice, no source). */
const SENT = /^(?:sent|issued|mailed|transmitted|remitted|released|disbursed|executed|confirmed)$/;

/** Of an advice: what is only to come, was refused, or is void, in a column of states or by the word itself. */
const adviceTest =
  (head: string): Says =>
  (cell) =>
    /^void(?:ed)?\b/i.test(cell) ||
    isDead("remittance", cell) ||
    (tellsStanding(head) && !SENT.test(plainWords(cell)) && isUnknown("remittance", cell));

const UNDONE =
  /\b(?:dishono\w*|contest\w*|redeposit\w*|re ?present(?:ed|ment)|resubmit\w*|retried|cancell?ed|reversed|withdrawn)\b/;

/** How a return stands that is one (common practice, no source). */
const STANDS =
  /^(?:returned|confirmed|final|finali[sz]ed|processed|posted|received|accepted|new|open|closed|complete|completed|settled|sent|reported|rejected|failed|unpaid)$/;

/** Of a return that is none in the end: the debit was handed in again, or the return was not accepted. */
const returnTest =
  (head: string): Says =>
  (cell) =>
    (tellsStanding(head) &&
      isUnknown("returns", cell) &&
      !STANDS.test(plainWords(cell)) &&
      // Where somebody lives is a state too.
      !/^[A-Z]{2}$/.test(cell)) ||
    UNDONE.test(plainWords(cell)) ||
    (UNDONE.test(plainWords(head)) && cell !== "" && !isNo(cell));

/** What a cell has to be to say that its line is none, in the kinds of files that are not lists of payments. */
export const FLAGS_OF_KIND: Partial<
  Record<
    FileKind,
    (head: string, filled: readonly string[], heads: readonly string[]) => Says | null
  >
> = {
  remittance: (head, filled) =>
    saysNoLine(head) ? testByHead("remittance", head, filled) : adviceTest(head),
  returns: returnTest,
  customers: notCustomers,
};
