import { day, type Day } from "@/core/calendar";
import type { Db } from "@/db/connection";
import { readSettings } from "@/db/settings";
import { todayOf } from "@/server/runtime/context";

import type { AnySheet } from "./defineSheet";
import type { Period } from "./queries";
import { agingReport } from "./reports/aging";
import { clearingReport } from "./reports/clearing";
import { journalReport } from "./reports/journal";
import { openItemsReport } from "./reports/openItems";
import { payoutsReport } from "./reports/payouts";
import { trialBalanceReport } from "./reports/trialBalance";
import type { Sheet } from "./sheets";

/** Reports in the layouts that were agreed: signed sums, the book's currency foots. */
const REPORTS = {
  journal: journalReport,
  "open-items": openItemsReport,
  clearing: clearingReport,
  payouts: payoutsReport,
  aging: agingReport,
  "trial-balance": trialBalanceReport,
} as const satisfies Record<string, AnySheet>;

export type ExportName = keyof typeof REPORTS;
export const EXPORTS = Object.keys(REPORTS) as ExportName[];

const FIRST = day("1900-01-01");
const LAST = day("9999-12-31");

/** The days an export is for: as-of reports end today unless told, periods take in everything. */
export function periodOf(
  today: Day,
  given: { asOf?: Day | undefined; from?: Day | undefined; to?: Day | undefined },
): Period {
  return {
    asOf: given.asOf ?? today,
    from: given.from ?? FIRST,
    to: given.to ?? given.asOf ?? LAST,
  };
}

/** A report of a period. */
export function sheetOf(db: Db, name: ExportName, period: Period): Sheet {
  const today = todayOf(readSettings(db));
  return REPORTS[name].make({ db, today, proposals: [], query: period });
}
