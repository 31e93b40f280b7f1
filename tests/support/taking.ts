import type { ImportReport } from "@/contracts/arrivals";
import type { FileKind } from "@/core/formats";

import { TestBook } from "./book";
import { columnsIn } from "./readings";

type Answers = Readonly<Record<string, string>>;

type Taking = {
  /** Takes a list in with what was answered; what it leaves open is an error of the test. */
  must: (kind: FileKind, text: string, answers?: Answers) => ImportReport;
  /** The first question that a list leaves open, empty where it leaves none. */
  asks: (kind: FileKind, text: string) => string;
};

/** How lists are taken into a book as they come, with all that they prove and leave open. */
export function taking(book: () => TestBook): Taking {
  const take = (kind: FileKind, text: string, answers: Answers): ReturnType<TestBook["take"]> =>
    book().take(kind, text, {
      mapping: { columns: columnsIn(kind, text), answers: { ...answers } },
    });
  return {
    must(kind, text, answers = {}) {
      const done = take(kind, text, answers);
      if (!done.ok) throw new Error(JSON.stringify(done.error));
      return done.value;
    },
    asks(kind, text) {
      const done = take(kind, text, {});
      return done.ok ? "" : String(done.error.first);
    },
  };
}

/** A book for each test of a file, with its customers, of which nothing is broken at the end. */
export function bookOfEach(): () => TestBook {
  let book: TestBook;
  beforeEach(() => {
    book = TestBook.ready();
  });
  afterEach(() => {
    expect(book.broken()).toEqual([]);
    book.close();
  });
  return () => book;
}
