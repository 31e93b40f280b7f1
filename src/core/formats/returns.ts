import { mendBy } from "@/core/receipts";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { RowReader } from "./rows";

/** A debit that came back, or a notice that an account is to be mended, by the trace number of the debit. */
export type ReturnRecord = {
  line: number;
  kind: "return" | "change";
  code: string;
  originalTrace: string;
  trace: string;
  on: Day;
  mendBy: Day;
  currency: Currency;
  amount: Minor | null;
  name: string;
  lastFour: string;
  correction: string;
};

/**
 * Returns that a bank sends back, and what is said against that (Nacha Operating Rules, appendix 4; from
 * memory): nothing comes back by them, and whose the money is then is for a person to say.
 */
const DISHONORED = /^R(?:6[1-9]|7[0-7])$/;

export function readReturn(row: RowReader): ReturnRecord | null {
  const written = row.needed("code").toUpperCase();
  // `R01 - Insufficient funds` says its code and what it stands for.
  const code = /^([RC]\d\d)\b/.exec(written)?.[1] ?? written;
  const originalTrace = row.needed("originalTrace");
  row.needed("on");
  const on = row.day("on");
  const currency = row.currency("currency");
  const amount = row.amount("amount", currency);
  const kind =
    /^(change|98|noc)/i.test(row.text("record")) || code.startsWith("C") ? "change" : "return";
  if (code !== "" && !/^[RC]\d\d$/.test(code))
    row.refuse("code", { code: "return.code", text: code });
  if (DISHONORED.test(code)) row.refuse("code", { code: "return.dishonored", text: code });
  if (on === null) return null;
  return {
    line: row.line,
    kind,
    code,
    originalTrace,
    trace: row.text("trace") || `${originalTrace} ${code}`,
    on,
    mendBy: mendBy(on),
    currency,
    amount,
    name: row.text("name"),
    lastFour: row.text("account").replace(/\D/g, "").slice(-4),
    correction: row.text("correction"),
  };
}
