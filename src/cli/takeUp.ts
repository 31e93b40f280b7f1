import { copyFileSync, mkdirSync } from "node:fs";
import { basename, dirname, extname } from "node:path";

import type { Failure } from "@/core/result";
import type { Db } from "@/db/connection";
import { openBookToWrite } from "@/server/runtime/books";
import { arrivedFile, arrivedFiles, keptFile } from "@/server/runtime/folders";
import { inWords } from "@/server/runtime/messages";

import { asData, words } from "./import";
import { type Imported, importOne } from "./importOne";
import type { Args } from "./outcome";
import { ordersIn, takeUpOrders } from "./takeUpOrders";

/** What became of a file that came by itself: taken in, waiting for a look, or not to be read. */
export type TakenUp = {
  readonly outcome: "taken" | "waits" | "refused";
  readonly text: readonly string[];
  readonly data: object;
};

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
  data: { state: outcome, ...asData(report) },
});

/** It lies under Arrivals now, as it was kept: without what must not be. */
function waiting({ book, path }: Coming, report: Imported): TakenUp {
  const name = shortName(basename(path));
  const waits = arrivedFile(book, freeName(name, new Set(arrivedFiles(book))));
  mkdirSync(dirname(waits), { recursive: true });
  copyFileSync(keptFile(book, report.sha256), waits);
  return told("waits", report);
}

function refused({ path }: Coming, error: Failure): TakenUp {
  const message = inWords(error);
  return {
    outcome: "refused",
    text: [`${path}: ${message}`],
    data: { state: "refused", file: path, error: { code: error.code, message } },
  };
}

/** Letters of a name under Arrivals, with room for a number behind them. */
const LONGEST_NAME = 180;

/** The name with its middle left out where it is longer than a name under Arrivals may be. */
function shortName(name: string): string {
  if (name.length <= LONGEST_NAME) return name;
  const end = extname(name).slice(0, 20);
  return `${name.slice(0, LONGEST_NAME - end.length)}${end}`;
}

/** A name that is not there yet: `card.csv`, `card-2.csv`. */
export function freeName(name: string, there: ReadonlySet<string>): string {
  const end = extname(name);
  const stem = name.slice(0, name.length - end.length);
  for (let at = 1; ; at += 1) {
    const tried = at === 1 ? name : `${stem}-${at}${end}`;
    if (!there.has(tried)) return tried;
  }
}
