import { maskedNumbers, writtenOver } from "@/core/gate";

import { plainText } from "../xml/plainText";

/** Accounts that are paid from and to (UBL 2.1, PayeeFinancialAccount and PayerFinancialAccount). */
const ACCOUNTS =
  /(<(?:[\w.-]+:)?Pay(?:ee|er)FinancialAccount(?:\s[^<>]{0,500})?>\s*<(?:[\w.-]+:)?ID[^>]*>)([^<]*)/g;

/** A document as it may be kept: of every account number the last four signs. */
export const maskedUbl = (text: string): string =>
  maskedNumbers(
    plainText(text).replace(
      ACCOUNTS,
      (_, tags: string, number: string) => tags + writtenOver(number),
    ),
  );
