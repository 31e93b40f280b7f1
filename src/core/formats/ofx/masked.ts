import { maskedNumbers, writtenOver } from "@/core/gate";

import { plainText } from "../xml/plainText";

/** Numbers of accounts of both sides, whole, and the keys that some lands add (OFX 2.2, 11.3). */
const ACCOUNTS = /(<(?:ACCTID|ACCTKEY)>)([^<\r\n]*)/gi;

/** A statement as it may be kept: of every account number the last four signs. */
export const maskedOfx = (text: string): string =>
  maskedNumbers(
    plainText(text).replace(
      ACCOUNTS,
      (_, tag: string, number: string) => tag + writtenOver(number),
    ),
  );
