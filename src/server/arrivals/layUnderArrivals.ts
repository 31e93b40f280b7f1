import { copyFileSync, mkdirSync } from "node:fs";
import { dirname, extname } from "node:path";

import { arrivedFile, arrivedFiles, keptFile } from "../runtime/folders";

/** Lays a file that was kept under Arrivals, where it waits for a look: without what must not be kept. */
export function layUnderArrivals(book: string, sha256: string, name: string): void {
  const waits = arrivedFile(book, freeName(shortName(name), new Set(arrivedFiles(book))));
  mkdirSync(dirname(waits), { recursive: true });
  copyFileSync(keptFile(book, sha256), waits);
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
