import { paperWords } from "@/core/invoices";
import type { Db } from "@/db/connection";
import { followedRow } from "@/db/followed";

/** The words of a deposit in its customer's language. */
export function depositWords(
  db: Db,
  customerId: number,
): { of: (percent: string, what: string) => string; less: (which: string) => string } {
  const words = paperWords(followedRow(db, customerId).language);
  return {
    of: (percent, what) => `${words.deposit} ${percent} %, ${what}`.slice(0, 500),
    less: (which) => `${words.less_deposit} ${which}`,
  };
}
