import fc from "fast-check";

import { addDays, type Day, daysBetween, isBankingDay } from "@/core/calendar";
import { spansOf } from "@/core/metrics";
import { agesTogether } from "@/db/ages";
import { balancesAsOf } from "@/db/journal";
import { readSettings } from "@/db/settings";
import { statementsOfAll } from "@/server/customers/queries/statement";
import { draftLetter, letterHeads } from "@/server/overdue/letters";
import { letterRun } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { type OverdueRow } from "@/server/overdue/queries/overdueRow";

import type { TestBook } from "../support/book";
import { History, started, step } from "../support/history";

/** Histories in which days pass and letters go among everything else: who is written to, and who never is. */
const EVENTS = 160;
const SEEDS = [20_261_126, 20_261_127, 20_261_128, 20_261_129];

type Word = {
  say:
    | "letters"
    | "run"
    | "promise"
    | "parts"
    | "call"
    | "days"
    | "on_its_way"
    | "paid"
    | "dispute"
    | "customer_out";
  pick: number;
  share: number;
};
const word = fc.record({
  say: fc.constantFrom<Word["say"]>(
    "letters",
    "letters",
    "run",
    "promise",
    "parts",
    "call",
    "days",
    "days",
    "on_its_way",
    "paid",
    "dispute",
    "customer_out",
  ),
  pick: fc.nat(1000),
  share: fc.integer({ min: 1, max: 100 }),
});

const todayIn = (book: TestBook): Day => readSettings(book.db).clock as Day;
const rowsOf = (book: TestBook): OverdueRow[] =>
  overdueRows(book.db, todayIn(book), book.proposals());

function say(book: TestBook, { say: what, pick, share }: Word, at: number): void {
  const today = todayIn(book);
  const customerId = 1 + (pick % 4);
  const log = (input: object): void =>
    void book.do("logContact", { customerId, text: "on the telephone", ...input } as never);
  switch (what) {
    case "days":
      return void book.must("changeSettings", { clock: addDays(today, 1 + (pick % 4)) });
    case "call":
      return log({ kind: "call" });
    case "promise":
      return log({
        kind: "promise",
        promisedOn: addDays(today, 1 + (pick % 9)),
        promisedSum: share > 50 ? 1000 * share : null,
      });
    case "parts":
      return log({
        kind: "promise",
        parts: [
          { dueOn: addDays(today, 2), sum: 100 * share },
          { dueOn: addDays(today, 9), sum: 100 * share },
        ],
      });
    case "customer_out":
      return void book.do("leaveOut", { customerId, reason: share > 70 ? "a friend" : null });
    case "on_its_way":
      return void book.mustTake(
        "processor",
        `Id,Type,Method,Date,Gross,Fee,Payer,Memo\nw_${at},Pending,ACH debit,${today},${(10 + share).toFixed(2)},0.00,Heron Point Studio,\n`,
        { account: "ach" },
      );
    case "paid": {
      const item = book.db.get<{ id: number; balance: number }>(
        "SELECT id, balance FROM open_item WHERE customer_id = ? AND balance > 0 AND currency = 'USD' ORDER BY due_on, id",
        customerId,
      );
      if (!item) return;
      book.mustTake(
        "processor",
        `Id,Type,Date,Gross,Fee,Payer,Memo\nq_${at},Charge,${today},${(item.balance / 200).toFixed(2)},0.00,Somebody Paying,\n`,
        { account: "card" },
      );
      const receipt = book.db.get<{ id: number; unidentified: number }>(
        "SELECT id, unidentified FROM receipt ORDER BY id DESC LIMIT 1",
      );
      return void book.do("applyReceipt", {
        receiptId: receipt?.id ?? 0,
        customerId,
        lines: [{ itemId: item.id, amount: receipt?.unidentified ?? 0 }],
      });
    }
    case "dispute": {
      const charge = book.db.get<{ id: string; amount: number; account: string }>(
        "SELECT i.external_id AS id, i.amount, a.code AS account FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id JOIN receipt r ON r.id = i.receipt_id WHERE i.kind = 'charge' AND r.state = 'placed' AND r.disputed = 0 AND i.currency = 'USD' ORDER BY i.id DESC",
      );
      return (
        charge &&
        void book.mustTake(
          "processor",
          `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\ndd_${at},Dispute,${today},${(-charge.amount / 100).toFixed(2)},0.00,,,,${charge.id}\n`,
          { account: charge.account },
        )
      );
    }
    case "run":
      return void book.do("runLetters", {}, `run ${at}`);
    case "letters": {
      const letters = rowsOf(book)
        .filter(({ state, next }) => state === "ready" && next.step.act === "letter")
        .flatMap((row) => {
          const draft = draftLetter(book.db, row, { settings: readSettings(book.db), today });
          return draft.ok
            ? [
                {
                  customerId: row.customer.id,
                  subject: draft.value.subject,
                  body: draft.value.body,
                },
              ]
            : [];
        });
      return letters.length > 0 ? void book.do("sendLetters", { letters }) : undefined;
    }
    default:
      throw what satisfies never;
  }
}

/**
 * What holds everybody is settled now and then, or nobody could be written to: debits arrive,
 * disputes are won, receipts are set aside.
 */
function settle(book: TestBook, at: number): void {
  const today = todayIn(book);
  for (const entry of book.db.all<{ id: string; amount: number }>(
    "SELECT external_id AS id, amount FROM ach_started WHERE state = 'on_way'",
  ))
    book.mustTake(
      "processor",
      `Id,Type,Method,Date,Gross,Fee,Payer,Memo\n${entry.id},Charge,ACH debit,${today},${(entry.amount / 100).toFixed(2)},0.00,Heron Point Studio,\n`,
      { account: "ach" },
    );
  for (const entry of book.db.all<{ id: string; amount: number; account: string }>(
    "SELECT i.related_id AS id, -i.amount AS amount, a.code AS account FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id WHERE i.kind = 'dispute' AND i.settled_state = 'opened' AND i.amount < 0 AND i.currency = 'USD'",
  ))
    book.mustTake(
      "processor",
      `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\nwon_${at}_${entry.id},Dispute won,${today},${(entry.amount / 100).toFixed(2)},0.00,,,,${entry.id}\n`,
      { account: entry.account },
    );
  for (const { id } of book.db.all<{ id: number }>(
    "SELECT id FROM receipt WHERE state = 'to_match'",
  ))
    book.do("setAside", { receiptId: id, reason: "for this test" });
}

type Sent = {
  customerId: number;
  onDay: Day;
  itemId: number;
  balance: number;
  dueOn: Day;
  leftOut: string | null;
  customerOut: string | null;
  head: number;
};
const sentBetween = (book: TestBook, after: number): Sent[] =>
  book.db.all<Sent>(
    `SELECT l.customer_id AS customerId, l.on_day AS onDay, i.id AS itemId, i.balance, i.due_on AS dueOn, o.reason AS leftOut, c.left_out AS customerOut, coalesce(ic.parent_id, ic.id) AS head
   FROM letter l JOIN letter_item li ON li.letter_id = l.id JOIN open_item i ON i.id = li.open_item_id JOIN customer ic ON ic.id = i.customer_id JOIN customer c ON c.id = l.customer_id LEFT JOIN item_left_out o ON o.open_item_id = i.id WHERE l.id > ?`,
    after,
  );

/** By tables of their own, not by what follow-up says: what speaks against writing to a customer now. */
function against(book: TestBook, customerId: number, today: Day): string[] {
  const { db } = book;
  const group = "(SELECT id FROM customer WHERE id = ?1 OR parent_id = ?1)";
  const found: string[] = [];
  if (
    book
      .proposals()
      .some(({ readings }) =>
        readings.some(
          (reading) =>
            reading.customerId !== null &&
            db.get(
              `SELECT 1 FROM customer WHERE id = ?2 AND id IN ${group}`,
              customerId,
              reading.customerId,
            ),
        ),
      )
  )
    found.push("a receipt that may be theirs");
  if (
    db.get(
      `SELECT 1 FROM ach_started WHERE state = 'on_way' AND customer_id IN ${group}`,
      customerId,
    )
  )
    found.push("a debit on its way");
  if (db.get(`SELECT 1 FROM receipt WHERE disputed = 1 AND customer_id IN ${group}`, customerId))
    found.push("a dispute");
  const promise = db.get<{ id: number; onDay: Day; promisedOn: Day; sum: number | null }>(
    "SELECT c.id, c.on_day AS onDay, c.promised_on AS promisedOn, c.promised_sum AS sum FROM contact c JOIN act a ON a.id = c.act_id WHERE c.customer_id = ? AND c.kind = 'promise' AND a.undone_by IS NULL ORDER BY c.id DESC LIMIT 1",
    customerId,
  );
  if (
    promise &&
    promise.promisedOn >= today &&
    db.get("SELECT 1 FROM promise_part WHERE contact_id = ?", promise.id) === undefined
  ) {
    const paid =
      db.get<{ sum: number }>(
        "SELECT coalesce(sum(amount - gone_back), 0) AS sum FROM receipt WHERE customer_id = ? AND paid_on BETWEEN ? AND ?",
        customerId,
        promise.onDay,
        today,
      )?.sum ?? 0;
    if (promise.sum === null ? paid <= 0 : paid < promise.sum) found.push("a promise not yet due");
  }
  return found;
}

/** Every item past its date is in exactly one row, and each row has a step or says why not. */
function covered(book: TestBook): void {
  const [today, rows] = [todayIn(book), rowsOf(book)];
  expect(new Set(rows.map(({ customer }) => customer.id)).size).toBe(rows.length);
  const late = book.db.all<{ id: number; head: number }>(
    "SELECT i.id, coalesce(c.parent_id, c.id) AS head FROM open_item i JOIN customer c ON c.id = i.customer_id WHERE i.balance > 0 AND i.due_on < ?",
    today,
  );
  for (const item of late) {
    const row = rows.find(({ customer }) => customer.id === item.head);
    expect([item.id, row?.detail().items.some(({ id }) => id === item.id)]).toEqual([
      item.id,
      true,
    ]);
    if (row?.state === "waits") expect(row.waits.length).toBeGreaterThan(0);
    if (row?.state === "left_out") expect(row.leftOut).not.toBeNull();
    if (row?.state === "later") expect(row.next.on > today).toBe(true);
    if (row?.state === "ready" || row?.state === "later")
      expect(
        row.detail().named.includes(item.id) ||
          row.detail().items.find(({ id }) => id === item.id)?.leftOut !== null,
      ).toBe(true);
  }
}

/** What a long list is read by is what its letters say, one by one; page by page it is the same list. */
function headsHold(book: TestBook): void {
  const [today, rows, headOf] = [todayIn(book), rowsOf(book), letterHeads(book.db)];
  for (const row of rows.filter(
    ({ state, next }) => state === "ready" && next.step.act === "letter",
  )) {
    const draft = draftLetter(book.db, row, { settings: readSettings(book.db), today });
    expect(
      draft.ok && {
        customer: row.customer.id,
        sum: draft.value.sum,
        to: draft.value.to,
        step: draft.value.step,
      },
    ).toEqual({
      customer: row.customer.id,
      sum: headOf(row).sum,
      to: headOf(row).to,
      step: headOf(row).step,
    });
  }
  const whole = letterRun(book.db, today, rows);
  expect(
    [0, 1, 2, 3].flatMap(
      (page) => letterRun(book.db, today, rows, { limit: 1, offset: page }).letters,
    ),
  ).toEqual(whole.letters.slice(0, 4));
  expect(whole.going.map(({ customerId }) => customerId)).toEqual(
    whole.letters.filter(({ problem }) => problem === null).map(({ customerId }) => customerId),
  );
}

/** Aging, the statements of all and the control accounts come to the same. */
function agrees(book: TestBook): void {
  const today = todayIn(book);
  const of = (role: string): number =>
    balancesAsOf(book.db, today)
      .filter((account) => account.role === role)
      .reduce((so, { balance }) => so + balance, 0);
  expect(
    agesTogether(book.db, {
      asOf: today,
      by: "due",
      spans: spansOf([30, 60, 90], "due"),
      currency: null,
    }).reduce<number>((so, sum) => so + sum, 0),
  ).toBe(of("receivables"));
  const { statements } = statementsOfAll(book.db, addDays(today, -400), today, 100);
  const own = book.db.get<{ sum: number }>(
    "SELECT coalesce(sum(l.amount), 0) AS sum FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account a ON a.id = l.account_id WHERE l.currency = 'USD' AND e.posted_on <= ? AND (a.role = 'receivables' OR (a.role = 'credits' AND l.item_id IN (SELECT id FROM receipt WHERE customer_id IS NOT NULL)))",
    today,
  )?.sum;
  expect(
    statements
      .flatMap(({ parts }) => parts)
      .filter(({ currency }) => currency === "USD")
      .reduce((so, { closing }) => so + closing, 0),
  ).toBe(own);
}

const holds = new Set<string>();

describe(`${SEEDS.length} histories of ${EVENTS} events with letters among them`, () => {
  let letters = 0;
  it.each(SEEDS)(
    "nobody is written to about what is paid, promised, disputed or left out, nor twice within the interval; every overdue item is accounted for (seed %i)",
    (seed) => {
      const book = started();
      book.must("setLadder", {
        id: 1,
        name: "Standard",
        steps: [
          { fromDays: 1, act: "letter", byItself: true },
          { fromDays: 15, act: "letter", tone: 2, byItself: true },
          { fromDays: 30, act: "call" },
          { fromDays: 40, act: "letter", tone: 4 },
        ],
      });
      for (const customerId of [1, 2])
        book.must("setFollowUp", {
          customerId,
          ladderId: null,
          language: "en",
          byItself: true,
          smallest: null,
          quietUntil: null,
        });
      const history = new History(book);
      const [steps, words] = [
        fc.sample(step, { numRuns: EVENTS, seed }),
        fc.sample(word, { numRuns: EVENTS, seed }),
      ];
      for (const [at, one] of words.entries()) {
        const before =
          book.db.get<{ id: number }>("SELECT coalesce(max(id), 0) AS id FROM letter")?.id ?? 0;
        if (at % 5 === 0) settle(book, at);
        if (at % 3 === 0) history.step(steps[at]!);
        const today = todayIn(book);
        const held = new Map([1, 2, 3, 4].map((id) => [id, against(book, id, today)]));
        for (const why of [...held.values()].flat()) holds.add(why);
        say(book, one, at);
        for (const sent of sentBetween(book, before)) {
          letters += 1;
          expect({
            at,
            sent,
            held: held.get(sent.customerId),
            fine:
              sent.balance > 0 &&
              sent.dueOn < today &&
              sent.leftOut === null &&
              sent.customerOut === null &&
              sent.head === sent.customerId &&
              sent.onDay === today,
          }).toMatchObject({ held: [], fine: true });
          if (one.say === "run") expect(isBankingDay(today)).toBe(true);
        }
        for (const id of [1, 2, 3, 4]) {
          const days = book.db
            .all<{ on: Day }>(
              // To whom it was sent then: two who were made one since had each their own.
              `SELECT l.on_day AS 'on' FROM letter l JOIN act a ON a.id = l.act_id
               WHERE a.customer_id = ? ORDER BY l.id`,
              id,
            )
            .map((row) => row.on);
          days
            .slice(1)
            .forEach((on, index) =>
              expect(daysBetween(days[index]!, on)).toBeGreaterThanOrEqual(12),
            );
        }
        if (at % 4 === 0) {
          covered(book);
          headsHold(book);
          agrees(book);
        }
      }
      expect(book.broken()).toEqual([]);
      book.close();
    },
    120_000,
  );
  it("letters were among them, and every reason that held one", () =>
    expect([letters > 20, [...holds].sort()]).toEqual([
      true,
      ["a debit on its way", "a dispute", "a promise not yet due", "a receipt that may be theirs"],
    ]));
});
