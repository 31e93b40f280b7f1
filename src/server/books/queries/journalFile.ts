import type { JournalExportFacts } from "@/contracts/books";
import type { Day } from "@/core/calendar";
import { FIRST_LAYOUT, journalRows } from "@/core/formats";
import type { Db } from "@/db/connection";
import { accounts } from "@/db/journal";
import {
  entriesToSend,
  journalFileById,
  journalFileLines,
  journalFiles,
  journalLayouts,
} from "@/db/journalFiles";
import { readSettings } from "@/db/settings";
import type { Sheet } from "@/server/output/sheets";

/** What the page for another ledger's files shows: how many entries wait, and which files were made. */
export function journalFilePage(db: Db, from: Day, to: Day): JournalExportFacts {
  const layouts = journalLayouts(db);
  return {
    from,
    to,
    ...entriesToSend(db, from, to),
    layouts: layouts.length > 0 ? layouts : [{ name: "Other ledger", spec: FIRST_LAYOUT }],
    accounts: accounts(db).map(({ code, name }) => ({ code, name })),
    made: journalFiles(db, 30).map(({ id, layout, fromDay, toDay, entries, actId }) => ({
      id,
      layout,
      from: fromDay,
      to: toDay,
      entries,
      actId,
    })),
  };
}

/** A file that was made, as it was laid out then. */
export function journalFileSheet(db: Db, id: number): Sheet | null {
  const file = journalFileById(db, id);
  return file
    ? {
        columns: file.spec.columns.map(({ header }) => header),
        rows: journalRows(journalFileLines(db, id), file.spec, readSettings(db).currency),
      }
    : null;
}
