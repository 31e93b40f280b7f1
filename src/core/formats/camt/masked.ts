import { maskedNumbers, writtenOver } from "@/core/gate";

/** An account of either side, of whichever role (`Acct`, `DbtrAcct`, `CdtrAcct`), under any prefix. */
const ACCOUNTS = /<((?:[\w.-]+:)?\w*Acct)(?:\s[^>]*)?>[^]*?<\/\1>/g;
/** Its number, as an IBAN or as another one; a card's in what the card paid. */
const NUMBERS = /(<(?:[\w.-]+:)?(?:IBAN|Id)(?:\s[^>]*)?>\s*)([^<\s][^<]*)/g;
const CARDS = /(<(?:[\w.-]+:)?PAN>)([^<]*)/g;

const over = (_: string, tag: string, number: string): string => tag + writtenOver(number);

/** A statement or notice as it may be kept: of every account number the last four signs. */
export const maskedCamt = (text: string): string =>
  maskedNumbers(
    text.replace(ACCOUNTS, (account) => account.replace(NUMBERS, over)).replace(CARDS, over),
  );
