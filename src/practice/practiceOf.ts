import { existsSync } from "node:fs";

import { PracticeStore } from "@/db/practice";
import { bookContext } from "@/server/runtime/bookContext";
import { practiceFile } from "@/server/runtime/folders";

import { PracticeProcessor } from "./processor";

const kept = globalThis as typeof globalThis & { dozoPractice?: Map<string, PracticeProcessor> };

/** The practice processor of a book, opened once. */
export function practiceProcessorOf(book: string): PracticeProcessor {
  kept.dozoPractice ??= new Map();
  const known = kept.dozoPractice.get(book);
  if (known) return known;
  const made = new PracticeProcessor(new PracticeStore(practiceFile(book)));
  kept.dozoPractice.set(book, made);
  return made;
}

/** The processor behind a book: the practice one, in a book that practises; null in any other. */
export function processorBehind(book: string): PracticeProcessor | null {
  const context = bookContext(book);
  return context && context.settings.clock !== null ? practiceProcessorOf(book) : null;
}

/** Whether a practice world is around a book: whether its clock can be moved on. */
export function isPractice(book: string): boolean {
  if (!existsSync(practiceFile(book))) return false;
  const store = new PracticeStore(practiceFile(book));
  try {
    return store.fact("seed") !== null;
  } finally {
    store.close();
  }
}
