import { maskedNumbers, writtenOver } from "@/core/gate";

import { marksOf } from "./segments";

/** Where a payment's order names the payer's and the payee's account (BPR09, BPR15; ASC X12 820, from memory). */
const ACCOUNTS = [9, 15];

/** The same text with the accounts of its payment orders written over; every place stays. */
export function ordersWrittenOver(text: string): string {
  const { element, ends } = marksOf(text);
  return text
    .split(ends)
    .map((segment) => {
      const elements = segment.split(element);
      if (elements[0]?.trim() !== "BPR") return segment;
      return elements
        .map((part, at) => (ACCOUNTS.includes(at) ? writtenOver(part) : part))
        .join(element);
    })
    .join(ends);
}

/** Remittance advice as it may be kept: of every account number the last four signs. */
export const masked820 = (text: string): string => maskedNumbers(ordersWrittenOver(text));
