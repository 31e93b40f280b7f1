import { maskedNumbers, writtenOver } from "@/core/gate";

/** The account of an account identifier, and of a transfer to another bank's (BAI2, records 03). */
const ACCOUNTS = /^(03,)([^,/\r\n]*)/gm;

/** A balance report as it may be kept: of every account number the last four signs. */
export const maskedBai2 = (text: string): string =>
  maskedNumbers(
    text.replace(ACCOUNTS, (_, record: string, number: string) => record + writtenOver(number)),
  );
