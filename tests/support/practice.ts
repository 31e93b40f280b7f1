import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { day } from "@/core/calendar";
import { PracticeStore } from "@/db/practice";
import { practiceAccount, practiceCard, PRACTICE_ROUTING } from "@/practice/numbers";
import { PracticeProcessor } from "@/practice/processor";

import { type TestBook, TODAY } from "./book";

/** A practice processor with its own books, apart from those of a test's book. */
export type Practice = { store: PracticeStore; processor: PracticeProcessor };

/** A practice processor for each test. */
export function eachPractice(use: (practice: Practice) => void): void {
  let folder = "";
  let store: PracticeStore | undefined;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), "dozo-practice-"));
    store = new PracticeStore(join(folder, "practice.sqlite"));
    use({ store, processor: new PracticeProcessor(store) });
  });
  afterEach(() => {
    store?.close();
    rmSync(folder, { recursive: true, force: true });
  });
}

/** A way to pay on a customer's file; `answer`: what its bank says to it, "00" for yes. */
export function wayOnFile(
  book: TestBook,
  processor: PracticeProcessor,
  { customerId, way, answer = "00" }: { customerId: number; way: "card" | "bank"; answer?: string },
): number {
  const account = practiceAccount(1, answer);
  const typed = { number: practiceCard(1, answer), expiry: "12/31", code: "123" };
  const taken =
    way === "card"
      ? processor.takeCard(typed, day(TODAY))
      : processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account });
  if (!taken.ok) throw new Error(taken.error.code);
  return book.must("keepMethod", { customerId, ...taken.value, onFile: true }).id;
}
