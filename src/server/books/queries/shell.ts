import type { CountedFacts } from "@/contracts/shell";
import { addDays, type Day } from "@/core/calendar";
import type { ProofReport } from "@/core/ledger";
import { type Currency, type Minor, sumOf, ZERO } from "@/core/money";
import { lastStatementDay } from "@/db/bank";
import type { Db } from "@/db/connection";
import { readSettings } from "@/db/settings";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import type { OverdueRow } from "@/server/overdue/queries/overdueRow";
import { keptBackups } from "@/server/books/backups/kept";
import { payoutViews } from "@/server/payouts/queries/payouts";
import { todayOf } from "@/server/runtime/context";

/** What stands on every page of a book. */
export type Shell = {
  book: string;
  name: string;
  currency: Currency;
  today: Day;
  clockFixed: boolean;
  people: string[];
  backup: { words: string; late: boolean };
};

export function shellOf(db: Db, book: string): Shell {
  const settings = readSettings(db);
  return {
    book,
    name: settings.name,
    currency: settings.currency,
    today: todayOf(settings),
    clockFixed: settings.clock !== null,
    people: settings.people,
    backup: lastBackup(book, settings.clock !== null),
  };
}

/** How old the last good backup is. A book of real money without one of the last days is late. */
function lastBackup(book: string, practice: boolean): Shell["backup"] {
  const [last] = keptBackups(book);
  if (last === undefined) return { words: "none yet", late: !practice };
  const days = Math.floor((Date.now() - Date.parse(last.at)) / 86_400_000);
  const words = days === 0 ? "today" : `${days === 1 ? "1 day" : `${days} days`} old`;
  return { words, late: !practice && days >= LATE_DAYS };
}
const LATE_DAYS = 2;

export function countedOf(
  db: Db,
  book: string,
  report: ProofReport,
  overdue: readonly Pick<OverdueRow, "state">[],
): CountedFacts {
  const settings = readSettings(db);
  const today = todayOf(settings);
  const off = payoutViews(db, addDays(today, 1), today).filter(
    (payout) => payout.shown === "off" || payout.shown === "late",
  );
  const proof = (name: string): Minor =>
    report.proofs.find((proof) => proof.name === name)?.journal ?? ZERO;
  const work = (name: string): { sum: Minor; count: number } =>
    report.work.find((openWork) => openWork.name === name) ?? { sum: ZERO, count: 0 };
  const ready = overdue.filter(({ state }) => state === "ready").length;
  return {
    left: {
      arrivals: waitingFiles(db, book).length,
      match: work("to_match").count,
      payoutsOff: off.length,
      overdue: ready,
      broken: report.proofs.filter((proof) => !proof.holds).length,
    },
    strip: {
      receivables: proof("receivables"),
      clearing: proof("clearing"),
      bank: proof("bank"),
      statementTo: lastStatementDay(db),
      toMatch: work("to_match").sum,
      payoutsOff: sumOf(off, (payout) =>
        payout.abroad ? payout.bookNet : (payout.offBy ?? payout.net),
      ),
      unexplained: work("bank_unexplained").sum,
      holds: Object.fromEntries(report.proofs.map((proof) => [proof.name, proof.holds])),
    },
  };
}
