import { addDays, day } from "@/core/calendar";
import { openItemByNumber } from "@/db/openItems";
import { openQuestions, wordsOfQuestion } from "@/db/questions";
import { holdsOn } from "@/server/paying/queries/holds";
import { overdueRows } from "@/server/overdue/queries/overdue";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { openThreads, questionPageOf, threadsAbout } from "./queries/questions";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const item = (): number =>
  book.id("open_item", `customer_id = ${firstCustomer(book)} AND balance > 0`);
const ask = (words: string, itemId: number | null = item()) =>
  book.do("askQuestion", { customerId: firstCustomer(book), itemId, words });
const held = (): string[] =>
  overdueRows(book.db, addDays(day(TODAY), 60), [], 1)
    .filter(({ customer }) => customer.id === firstCustomer(book))
    .flatMap(({ waits }) => waits.map(({ code }) => code));

describe("a question of a customer", () => {
  it("holds the reminders until somebody ends it, and again when more is asked", () => {
    expect(held()).not.toContain("question");
    expect(ask("Which delivery is this?")).toMatchObject({ ok: true });
    expect(held()).toContain("question");
    const [thread] = openThreads(book.db);
    const answer = { questionId: thread?.id ?? 0, words: "The one of May.", close: false };
    book.must("answerQuestion", answer);
    expect(held()).toContain("question");
    book.must("answerQuestion", {
      ...answer,
      words: "The delivery note is on its way.",
      close: true,
    });
    expect([held().includes("question"), openQuestions(book.db)]).toEqual([false, []]);
    // The same goes on, and is open again.
    ask("It never came.");
    expect(openThreads(book.db)).toMatchObject([{ id: thread?.id, state: "open" }]);
    book.must("endQuestion", { questionId: thread?.id ?? 0 });
    expect(held()).not.toContain("question");
  });
  it("stands on the invoice in turn, and on the customer's page without the names of clerks", () => {
    ask("Which delivery is this?");
    const [thread] = threadsAbout(book.db, item());
    book.must("answerQuestion", {
      questionId: thread?.id ?? 0,
      words: "The one of May.",
      close: true,
    });
    expect(
      threadsAbout(book.db, item())[0]?.said.map(({ actor, words }) => [actor, words]),
    ).toEqual([
      ["tester", "Which delivery is this?"],
      ["tester", "The one of May."],
    ]);
    const page = questionPageOf(book.db, firstCustomer(book));
    expect(page?.threads[0]?.said.map(({ actor }) => actor)).toEqual(["", ""]);
    expect(page?.items.map(({ id }) => id)).toContain(item());
    expect(questionPageOf(book.db, 999)).toBeNull();
  });
  it("is answered by mail where mail reaches them; that is no reminder", () => {
    ask("Which delivery is this?", null);
    const [thread] = openThreads(book.db);
    const done = book.must("answerQuestion", {
      questionId: thread?.id ?? 0,
      words: "May.",
      close: true,
    });
    expect(done.mailed).toBe(true);
    expect(book.db.all("SELECT step, sum, attach, body FROM letter")).toEqual([
      { step: 0, sum: 0, attach: "none", body: "May." },
    ]);
  });
  it("keeps no card number, asks about nothing of anybody else, and has an end", () => {
    ask("My card is 4111 1111 1111 1111, take it.");
    const said = wordsOfQuestion(book.db, openQuestions(book.db)[0]?.id ?? 0);
    expect(said[0]?.words).not.toContain("1111 1111 1111");
    const foreign = book.id("open_item", `customer_id <> ${firstCustomer(book)} AND balance > 0`);
    expect(ask("Whose is this?", foreign)).toMatchObject({ error: { code: "pay.item_gone" } });
    expect(ask("What?", 99_999)).toMatchObject({ error: { code: "pay.item_gone" } });
    for (let at = 0; at < 59; at += 1) ask(`And ${at}?`);
    expect(ask("One more?")).toMatchObject({ error: { code: "question.long" } });
    expect(book.do("answerQuestion", { questionId: 99, words: "x", close: true })).toMatchObject({
      error: { code: "question.unknown" },
    });
    expect(() => book.db.run("UPDATE question_words SET words = 'other'")).toThrow(
      "does not change",
    );
    expect(() => book.db.run("DELETE FROM question_words")).toThrow("not deleted");
  });
});

describe("what a customer does not agree with", () => {
  const written = (): number => {
    takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\nA,C1,${TODAY},now,,,,,Glaze,2,25,,,\n`);
    return openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`)?.id ?? 0;
  };
  const contest = (itemId: number, line: number | null = null) =>
    book.do("askQuestion", {
      customerId: firstCustomer(book),
      itemId,
      kind: "dispute",
      line,
      words: "We ordered one.",
    });

  it("names the line, and stays a dispute when more is asked", () => {
    const itemId = written();
    expect(
      questionPageOf(book.db, firstCustomer(book))?.items.find(({ id }) => id === itemId),
    ).toMatchObject({ lines: ["Clay, 100.00", "Glaze, 50.00"] });
    expect(contest(itemId, 2)).toMatchObject({ ok: true });
    ask("Are you there?", itemId);
    expect(threadsAbout(book.db, itemId)).toMatchObject([
      { kind: "dispute", said: [{ line: "Glaze, 50.00" }, { line: null }] },
    ]);
    expect(contest(itemId, 3)).toMatchObject({ error: { code: "question.line" } });
  });

  it("holds reminders, and what is taken as agreed", () => {
    const itemId = written();
    contest(itemId);
    expect(held()).toContain("question");
    const why = holdsOn(book.db, day(TODAY))(firstCustomer(book));
    expect(why).toBe(`they do not agree with INV-${TODAY.slice(0, 4)}-0001`);
    book.must("endQuestion", { questionId: openThreads(book.db)[0]?.id ?? 0 });
    // What is asked after it was ended is a question again.
    ask("Thank you. When does the rest come?", itemId);
    expect(openThreads(book.db)).toMatchObject([{ kind: "question" }]);
    expect(holdsOn(book.db, day(TODAY))(firstCustomer(book))).toBeNull();
  });
});
