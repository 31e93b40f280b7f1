import fc from "fast-check";

import { fromDocuments, History, inJournal, started, step } from "../../../tests/support/history";

const steps = fc.array(step, { minLength: 5, maxLength: 30 });

describe("random histories", () => {
  it("every proof holds after every step, and after undoing", () => {
    fc.assert(
      fc.property(steps, (made) => {
        const book = started();
        const history = new History(book);
        for (const step of made) {
          history.step(step);
          expect({ after: step, broken: book.broken(), balances: inJournal(book, "USD") }).toEqual({
            after: step,
            broken: [],
            balances: fromDocuments(book, "USD"),
          });
        }
        history.undoAll();
        expect(book.broken()).toEqual([]);
        book.close();
      }),
      { numRuns: 18 },
    );
  });

  it("placing, setting aside and tying undone in any order brings every account back", () => {
    fc.assert(
      fc.property(steps, (made) => {
        const book = started();
        const history = new History(book);
        const files = made.filter((step) => ["charge", "payout"].includes(step.do));
        const acts = made.filter((step) =>
          [
            "place",
            "on_account",
            "sure",
            "aside",
            "use",
            "hand",
            "deposit",
            "bounce",
            "give_up",
            "refund_bank",
          ].includes(step.do),
        );
        for (const step of files) history.step(step);
        const before = book.balances();
        for (const step of acts) history.step(step);
        history.undoAll();
        expect(book.balances()).toEqual(before);
        expect(
          book.db.get(
            "SELECT count(*) AS n FROM receipt WHERE state <> 'to_match' AND hand_state IS NULL",
          ),
        ).toEqual({ n: 0 });
        book.close();
      }),
      { numRuns: 18 },
    );
  });
});
