import { maskedNumbers, writtenOver } from "@/core/gate";

import { plainText } from "../xml/plainText";

/** A tag under any prefix, and what stands directly behind it; bounded, so that no file takes long. */
const TAG = /<(\/?)(?:[\w.-]{1,60}:)?(\w{1,60})(?:\s[^<>]{0,500})?>([^<]*)/g;
/** An account of either side, of whichever role (`Acct`, `DbtrAcct`, `CdtrAcct`). */
const ACCOUNT = /Acct$/;
/** What an account goes by: an IBAN, or a number of its bank's. */
const NUMBERS: ReadonlySet<string> = new Set(["IBAN", "Id"]);
/** The number of a card that paid. */
const CARD = "PAN";

/** A statement or notice as it may be kept: of every account number the last four signs. */
export function maskedCamt(text: string): string {
  let within = 0;
  const kept = plainText(text).replace(
    TAG,
    (whole: string, end: string, name: string, behind: string) => {
      if (ACCOUNT.test(name)) within = Math.max(0, within + (end === "" ? 1 : -1));
      const isNumber = end === "" && (name === CARD || (within > 0 && NUMBERS.has(name)));
      return isNumber ? whole.slice(0, whole.length - behind.length) + writtenOver(behind) : whole;
    },
  );
  return maskedNumbers(kept);
}
