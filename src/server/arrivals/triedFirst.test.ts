import { rmSync } from "node:fs";

import type { ImportReport } from "@/contracts/arrivals";
import { formatOf, guessMapping } from "@/core/formats";
import type { Result } from "@/core/result";
import { keptFile } from "@/server/runtime/folders";

import { CHARGES, eachBook, type TestBook } from "../../../tests/support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});

type How = { rehearse?: boolean; answers?: Record<string, string> };

/** Keeps a file and gives what takes it in, as often as it is asked, though it be gone by then. */
function kept(text: string): (how?: How) => Result<ImportReport> {
  const table = formatOf(text).read(text);
  if (!table.ok) throw new Error(table.error.code);
  const mapping = guessMapping(table.value, "processor");
  const file = { ...book.keep(text), name: "a.csv", account: "card" };
  return ({ rehearse = false, answers = {} } = {}) =>
    book.do("importFile", { ...file, mapping: { ...mapping, answers } }, undefined, { rehearse });
}

const must = (done: Result<ImportReport>): ImportReport => {
  if (!done.ok) throw new Error(JSON.stringify(done.error));
  return done.value;
};
const days = (done: Result<ImportReport>): string[] => must(done).understood.map(({ day }) => day);

const OPEN = "Id,Type,Date,Gross,Fee,Net,Payer\nch_1,Charge,02/11/2026,10.00,1.00,9.00,Ada\n";

describe("a file that was tried before it is taken in", () => {
  it("is taken in as it was tried, read once for both", () => {
    const take = kept(CHARGES);
    const promised = must(take({ rehearse: true }));
    rmSync(keptFile(book.name, book.keep(CHARGES).sha256));
    const done = must(take());
    expect(done).toMatchObject({ new: 3, refused: [] });
    expect([done.understood, done.proofs]).toEqual([promised.understood, promised.proofs]);
    // What was taken in is let go.
    expect(take()).toMatchObject({ error: { code: "file.missing" } });
  });

  it("is read anew where something else is answered", () => {
    const take = kept(OPEN);
    expect(days(take({ rehearse: true, answers: { days: "dmy" } }))).toEqual(["Mon 2 Nov"]);
    expect(take({ answers: { days: "mdy" } })).toMatchObject({
      error: { first: expect.stringContaining("Wed 11 Feb") as unknown },
    });
  });

  it("is read anew where the book has come to begin on another day", () => {
    const take = kept(CHARGES);
    must(take({ rehearse: true }));
    book.must("changeSettings", { cutOverOn: "2026-11-16" });
    expect(take()).toMatchObject({ error: { code: "questions.open" } });
  });
});
