import type { BookLine } from "@/contracts/start";
import { lastActs } from "@/db/acts";
import type { Db } from "@/db/connection";
import { openWork } from "@/db/openWork";
import { readSettings } from "@/db/settings";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import { listBooks } from "@/server/runtime/folders";
import { inWords } from "@/server/runtime/messages";
import { readingOf } from "@/server/runtime/threads/reader";

const NOTHING = { arrivals: 0, match: 0, payouts: 0 };

/** Every book there is, with what waits in it; one that cannot be read says so. */
export function bookLines(): BookLine[] {
  return listBooks().map((book) => {
    const opened = readingOf(book);
    return opened.ok
      ? lineOf(opened.value, book)
      : { book, name: book, lastOn: null, waiting: NOTHING, problem: inWords(opened.error) };
  });
}

function lineOf(db: Db, book: string): BookLine {
  const work = openWork(db);
  const countOf = (name: string): number => work.find((open) => open.name === name)?.count ?? 0;
  return {
    book,
    name: readSettings(db).name,
    lastOn: lastActs(db, 1, 0)[0]?.onDay ?? null,
    waiting: {
      arrivals: waitingFiles(db, book).length,
      match: countOf("to_match"),
      payouts: countOf("payouts_untied"),
    },
    problem: null,
  };
}
