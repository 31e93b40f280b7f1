import { basename } from "node:path";

import type { Failure } from "@/core/result";
import type { Db } from "@/db/connection";
import { layUnderArrivals } from "@/server/arrivals/layUnderArrivals";
import { asData, type Imported } from "@/server/arrivals/reported";
import { openBookToWrite } from "@/server/runtime/books";
import { inWords } from "@/server/runtime/messages";

import { words } from "./import";
import { importOne } from "./importOne";
import type { Args } from "./outcome";
import { ordersIn, takeUpOrders } from "./takeUpOrders";
import type { TakenUp } from "./takenUp";

type Coming = { readonly path: string; readonly book: string; readonly values: Args["values"] };

/** How often a book that somebody has alone is asked for again, once a second. */
const MOST_TRIES = 60;

/**
 * Takes in what is known by its format or by a kept mapping, leaves nothing
 * open and has no line refused; orders become drafts. Of all else nothing is taken in: what can be
 * read waits under Arrivals.
 */
export async function takeUp(coming: Coming): Promise<TakenUp> {
  const opened = await opening(coming.book);
  if (!opened.ok) return refused(coming, opened.error);
  const orders = ordersIn(coming.path);
  try {
    if (orders.ok) return takeUpOrders(opened.value, coming, orders.value);
    const looked = await importing(opened.value, coming, true);
    if (!looked.ok) return refused(coming, looked.error);
    const { questions, refused: wrong, knownBy } = looked.value;
    if (questions.length > 0 || wrong.length > 0 || knownBy === "guess")
      return waiting(coming, looked.value);
    const done = await importing(opened.value, coming, false);
    return done.ok ? told("taken", done.value) : refused(coming, done.error);
  } finally {
    opened.value.close();
  }
}

async function opening(book: string): Promise<ReturnType<typeof openBookToWrite>> {
  for (let tries = 1; ; tries += 1) {
    const opened = openBookToWrite(book);
    if (opened.ok || tries === MOST_TRIES) return opened;
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
}

const importing = (db: Db, { book, path, values }: Coming, dry: boolean) =>
  importOne(db, {
    book,
    path,
    values: { ...values, "dry-run": dry },
    answers: [],
    kind: undefined,
  });

const told = (outcome: TakenUp["outcome"], report: Imported): TakenUp => ({
  outcome,
  text: [...words(report), ...report.questions.map(({ words: asked }) => `  asks: ${asked}`)],
  data: { state: outcome, dryRun: outcome === "waits", ...asData(report) },
});

/** It lies under Arrivals now, as it was kept: without what must not be. */
function waiting({ book, path }: Coming, report: Imported): TakenUp {
  layUnderArrivals(book, report.sha256, basename(path));
  // What a dry run says of it is no file of the book yet.
  return told("waits", { ...report, fileId: null });
}

function refused({ path }: Coming, error: Failure): TakenUp {
  const message = inWords(error);
  return {
    outcome: "refused",
    text: [`${path}: ${message}`],
    data: { state: "refused", file: path, error: { code: error.code, message } },
  };
}
