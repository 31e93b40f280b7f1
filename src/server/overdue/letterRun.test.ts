import { simpleParser } from "mailparser";
import { readdirSync, readFileSync } from "node:fs";
import { dirname } from "node:path";

import { addDays, day } from "@/core/calendar";
import { LANGUAGES } from "@/core/followup";
import { type Currency, currencyOf } from "@/core/money";
import { allCustomers } from "@/db/customers";
import { readSettings } from "@/db/settings";

import { readPdf } from "../../../tests/support/pdfReader";
import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { followUpWorkings } from "../customers/queries/followUpWorkings";
import {
  statementOf,
  statementSheet,
  statementsOfAll,
  statementsSheet,
} from "../customers/queries/statement";
import { deliverLetter } from "../output/delivery";
import { periodOf, sheetOf } from "../output/exports";
import { invoicePdf } from "../output/papers";
import { statementPdf, statementsPdf } from "../output/statementPapers";
import { agingRows } from "../reports/queries/ages";
import { outboxFile } from "../runtime/folders";
import { draftLetter } from "./letters";
import { letterRun, whyToday } from "./queries/letterRun";
import { overdueRows } from "./queries/overdue";
import { type OverdueRow } from "./queries/overdueRow";

const USD = currencyOf("USD") as Currency;
let book: TestBook;
eachBook((made) => {
  book = made;
});
const rows = (today = TODAY): OverdueRow[] => overdueRows(book.db, today, book.proposals());
const of = (name: string): OverdueRow | undefined =>
  rows().find(({ customer }) => customer.name.startsWith(name));
const customer = (externalId: string): number =>
  book.id("customer", `external_id = '${externalId}'`);
const quiet = {
  ladderId: null,
  language: "en",
  byItself: false,
  smallest: null,
  quietUntil: null,
} as const;
const read = (bytes: Buffer | null): ReturnType<typeof readPdf> =>
  readPdf(bytes ?? Buffer.from(""));
const files = (): string[] =>
  readdirSync(dirname(outboxFile(book.name, "x")))
    .filter((name) => name.endsWith(".eml"))
    .sort();
const deliverAll = async (): Promise<void> => {
  for (const { id } of book.db.all<{ id: number }>(
    "SELECT id FROM letter WHERE delivery = 'queued'",
  ))
    await deliverLetter(book.db, book.name, id);
};

describe("the letters of a day", () => {
  it("are prepared, looked through and sent together; whoever has paid meanwhile gets none, and nobody gets two", async () => {
    const run = letterRun(book.db, TODAY, rows());
    expect(run.letters.map(({ name, sum, items, step }) => [name, sum, items, step])).toEqual([
      ["Alder Lane Pottery School", 85_450, 1, "letter 1, friendly"],
      ["Heron Point Studio", 12_000, 1, "letter 1, friendly"],
    ]);
    // Between looking and sending a receipt arrives that is Heron Point's.
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_9,Charge,11/24/2026,120.00,3.78,116.22,Heron Point Studio,heron@mail.example,20403\n",
    );
    const letters = run.letters.map(({ customerId, subject, body }) => ({
      customerId,
      subject,
      body,
    }));
    const sent = book.must("sendLetters", { letters: [...letters, ...letters.slice(0, 1)] });
    expect(sent).toMatchObject({
      sent: 1,
      held: [
        {
          customer: "Heron Point Studio",
          why: expect.stringContaining("120.00 to match") as string,
        },
      ],
    });
    await deliverAll();
    expect(files()).toHaveLength(1);
    expect(book.do("sendLetters", { letters })).toMatchObject({
      ok: false,
      error: { code: "letters.all_held" },
    });
    expect(book.do("sendLetter", letters[0]!)).toMatchObject({
      ok: false,
      error: { code: "letter.later" },
    });
    expect(whyToday(of("Alder Lane"), TODAY, USD)).toMatch(
      /^Not today: letter 2 \(plain\) comes on Mon 7 Dec/,
    );
  });
  it("take the statement and the invoices with them, read back by an independent mail reader", async () => {
    book.must("setLadder", {
      id: 1,
      name: "Standard",
      steps: [{ fromDays: 1, act: "letter", tone: 2, attach: "invoices" }],
    });
    const [letter] = letterRun(book.db, TODAY, rows()).letters;
    book.must("sendLetters", {
      letters: [{ customerId: letter!.customerId, subject: letter!.subject, body: letter!.body }],
    });
    await deliverAll();
    const mail = await simpleParser(readFileSync(outboxFile(book.name, files()[0]!)));
    expect(mail.attachments.map(({ filename, contentType }) => [filename, contentType])).toEqual([
      ["statement-2026-11-24.pdf", "application/pdf"],
      ["20401.pdf", "application/pdf"],
    ]);
    expect(read(mail.attachments[0]!.content).text).toContain("960.50");
    expect(read(mail.attachments[1]!.content).text).toMatch(/Invoice 20401[\s\S]*864\.50/);
  });
  it("go by the customer's ladder, in its language, to its contact person, not before its day and not for less than its sum", () => {
    const { id } = book.must("setLadder", {
      name: "Districts",
      steps: [
        { fromDays: 20, act: "task" },
        { fromDays: 40, act: "letter", tone: 4, byItself: true, attach: "statement" },
        { fromDays: -3, act: "letter" },
      ],
    });
    book.must("setFollowUp", {
      customerId: customer("C1"),
      ...quiet,
      ladderId: id,
      language: "es",
    });
    book.must("setContactPersons", {
      customerId: customer("C1"),
      persons: [
        {
          name: "Señora Ruiz",
          duty: "pays the bills",
          email: "ruiz@alderlane.example",
          phone: "",
          letters: "to",
          calls: false,
        },
      ],
    });
    expect(of("Alder Lane")).toMatchObject({
      state: "ready",
      ladder: "Districts",
      next: { step: { step: 1, fromDays: -3 } },
    });
    const draft = draftLetter(book.db, of("Alder Lane")!, {
      settings: readSettings(book.db),
      today: TODAY,
    });
    expect(draft).toMatchObject({
      ok: true,
      value: { to: "ruiz@alderlane.example", subject: "Una factura vencida, USD 854.50" },
    });
    expect(draft.ok && draft.value.body).toMatch(
      /Estimados señores de Señora Ruiz[\s\S]*vence el [\s\S]*saldo a su favor/,
    );
    book.must("setFollowUp", { customerId: customer("C1"), ...quiet, quietUntil: "2026-12-01" });
    expect(of("Alder Lane")).toMatchObject({ state: "waits", waits: [{ code: "quiet" }] });
    book.must("setFollowUp", { customerId: customer("C1"), ...quiet, smallest: 90_000 });
    expect(of("Alder Lane")).toMatchObject({ state: "waits", waits: [{ code: "small" }] });
    book.must("removeLadder", { id });
    expect(
      [
        book.do("removeLadder", { id }),
        book.do("removeLadder", { id: 1 }),
        book.do("setLadder", { name: "Standard", steps: [{ fromDays: 1, act: "call" }] }),
        book.do("setLadder", {
          name: "Twice",
          steps: [
            { fromDays: 1, act: "call" },
            { fromDays: 1, act: "task" },
          ],
        }),
      ].map((entry) => (entry.ok ? "" : entry.error.code)),
    ).toEqual(["ladder.unknown", "ladder.standard", "ladder.taken", "ladder.days"]);
  });
  it("do not name an invoice that is left out; where all are, the customer is left out with that reason", () => {
    const itemId = book.id("open_item", "number = '20401'");
    book.must("leaveItemOut", { itemId, reason: "in dispute" });
    expect(of("Alder Lane")).toMatchObject({ state: "left_out", leftOut: "in dispute" });
    expect(
      followUpWorkings(
        { db: book.db, book: book.name, today: TODAY },
        customer("C1"),
        book.proposals(),
      ),
    ).toMatchObject({
      items: [],
      leftOut: [{ number: "20401", reason: "in dispute" }],
      why: "Left out: in dispute.",
    });
    book.must("leaveItemOut", { itemId, reason: null });
    expect(of("Alder Lane")?.state).toBe("ready");
  });
  it("whose words were left as they are say what is open when they go; changed words go as they were written", () => {
    const [first, second] = letterRun(book.db, TODAY, rows()).letters;
    expect([first?.sum, second?.sum]).toEqual([85_450, 12_000]);
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_1,Charge,11/20/2026,64.50,2.17,62.33,Alder Lane Pottery School,office@alderlane.example,20401\n",
    );
    book.must("applyReceipt", {
      receiptId: 1,
      customerId: customer("C1"),
      lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 6450 }],
    });
    expect(
      book.do("sendLetters", {
        letters: [{ customerId: first!.customerId, subject: "half of it" }],
      }),
    ).toMatchObject({ ok: false, error: { code: "input.invalid" } });
    expect(
      book.must("sendLetters", {
        letters: [
          { customerId: first!.customerId },
          { customerId: second!.customerId, subject: "To you", body: "Please pay." },
        ],
      }),
    ).toEqual({ sent: 2, held: [] });
    expect(
      book.db.all("SELECT subject, sum, instr(body, '790.00') > 0 AS says FROM letter ORDER BY id"),
    ).toEqual([
      { subject: "One invoice past the due date, USD 790.00", sum: 79_000, says: 1 },
      { subject: "To you", sum: 12_000, says: 0 },
    ]);
  });
  it("give way to calls and tasks where the ladder says so; what was done is its rung, and undone it is none", () => {
    book.must("setLadder", {
      id: 1,
      name: "Standard",
      steps: [
        { fromDays: 1, act: "call" },
        { fromDays: 5, act: "stop" },
        { fromDays: 10, act: "letter" },
      ],
    });
    expect(letterRun(book.db, TODAY, rows())).toMatchObject({
      letters: [],
      others: [{ act: "call" }, { act: "call" }],
    });
    const called = book.must("logContact", {
      customerId: customer("C1"),
      kind: "call",
      text: "will look into it",
    });
    expect(of("Alder Lane")?.next.step.act).toBe("stop");
    book.must("logContact", { customerId: customer("C1"), kind: "note", text: "a remark" });
    expect(of("Alder Lane")?.next.step.act).toBe("stop");
    book.must("logContact", {
      customerId: customer("C1"),
      kind: "note",
      text: "supply is stopped",
      done: true,
    });
    expect(of("Alder Lane")?.next.step.act).toBe("letter");
    book.must("undo", { actId: called.actId });
    expect(of("Alder Lane")?.next.step.act).toBe("letter");
  });
  it.each(LANGUAGES)("leave no field empty in %s, whatever the tone", (language) => {
    for (const tone of [1, 2, 3, 4]) {
      book.must("setLadder", {
        id: 1,
        name: "Standard",
        steps: [{ fromDays: 1, act: "letter", tone }],
      });
      book.must("setFollowUp", { customerId: customer("C1"), ...quiet, language });
      const draft = draftLetter(book.db, of("Alder Lane")!, {
        settings: readSettings(book.db),
        today: TODAY,
      });
      expect(draft.ok && [draft.value.subject, draft.value.body].join("\n")).not.toMatch(
        /\{\{|\}\}|\{%|undefined|null/,
      );
      expect(draft.ok && draft.value.body).toContain("854.50");
    }
  });
  it("answer who is not on the list, and why", () => {
    expect(whyToday(undefined, TODAY, USD)).toContain("nothing is said today");
    expect(whyToday(of("Heron"), TODAY, USD)).toBe(
      "On today’s list: 120.00 is past its date, the oldest 5 days; the ladder Standard has letter 1 (friendly) from day 1 on, and nothing holds it back.",
    );
    book.must("leaveOut", { customerId: customer("C2"), reason: "paid by barter" });
    expect(whyToday(of("Heron"), TODAY, USD)).toBe("Left out: paid by barter.");
  });
});

describe("the statement of account", () => {
  const pay = (): void => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_1,Charge,11/16/2026,900.00,25.37,874.63,Alder Lane Pottery School,office@alderlane.example,20401\n",
    );
    book.must("applyReceipt", {
      receiptId: 1,
      customerId: customer("C1"),
      lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 86_450 }],
    });
  };
  it("has what moved with its running balance, what is open and what is on account, and each foots to the next", () => {
    pay();
    const statement = statementOf(book.db, customer("C1"), day("2026-11-01"), TODAY)!;
    expect(statement.parts).toMatchObject([
      {
        currency: "USD",
        opening: 86_450,
        closing: 6050,
        onAccount: -3550,
        open: [
          { number: "CN-9", balance: -1000 },
          { number: "20402", balance: 10_600 },
        ],
        aging: { not_due: 10_600, d1_30: -1000 },
      },
    ]);
    const [part] = statement.parts;
    expect(part!.lines.map(({ words, amount, balance }) => [words, amount, balance])).toEqual([
      ["invoice 20402", 10_600, 97_050],
      ["credit note CN-9", -1000, 96_050],
      ["received, on account: receipt 1, Alder Lane Pottery School", -3550, 92_500],
      ["received: receipt 1, Alder Lane Pottery School", -86_450, 6050],
    ]);
    expect(statementSheet(statement).rows.at(-1)).toEqual([
      "C1",
      "USD",
      "2026-11-24",
      "closing balance",
      "",
      "60.50",
    ]);
  });
  it("of everybody, as of any day, foots to receivables less credit on account", () => {
    pay();
    for (let asOf = day("2026-10-30"); asOf <= TODAY; asOf = addDays(asOf, 3)) {
      const trial = sheetOf(book.db, "trial-balance", periodOf(TODAY, { asOf })).rows;
      const control = trial
        .filter((row) => ["receivables", "credits"].includes(row[2] ?? ""))
        .reduce((sum, row) => sum + Math.round((Number(row[3]) - Number(row[4])) * 100), 0);
      const all = allCustomers(book.db)
        .filter(({ parentId }) => parentId === null)
        .flatMap(({ id }) => statementOf(book.db, id, addDays(asOf, -10), asOf)!.parts);
      expect(all.reduce((sum, { closing }) => sum + closing, 0)).toBe(control);
      expect(all.reduce((sum, { aging }) => sum + aging.total, 0)).toBe(
        agingRows(book.db, asOf).total.total,
      );
      for (const { opening, lines, closing } of all)
        expect(lines.reduce<number>((sum, { amount }) => sum + amount, opening)).toBe(closing);
    }
  });
  it("of all as one table and one print comes to both control accounts, as of any day", async () => {
    pay();
    for (const asOf of [day("2026-11-05"), TODAY]) {
      const { statements, left } = statementsOfAll(book.db, addDays(asOf, -92), asOf, 100);
      const trial = sheetOf(book.db, "trial-balance", periodOf(TODAY, { asOf })).rows;
      const control = trial
        .filter((row) => ["receivables", "credits"].includes(row[2] ?? ""))
        .reduce((sum, row) => sum + Math.round((Number(row[3]) - Number(row[4])) * 100), 0);
      const closings = statementsSheet(statements)
        .rows.filter(([, , , what]) => what === "closing balance")
        .map((row) => Math.round(Number(row[5]) * 100));
      expect([left, closings.reduce((so, sum) => so + sum, 0)]).toEqual([0, control]);
      const { pages, text } = read(await statementsPdf(book.db, statements));
      expect(pages).toBe(statements.length + 1);
      expect(text).toContain(`${statements.length} statements`);
      expect(text.replaceAll(",", "")).toContain((control / 100).toFixed(2));
    }
    expect(statementsOfAll(book.db, addDays(TODAY, -92), TODAY, 1)).toMatchObject({ left: 2 });
  });
  it("is printed with its sums, for a head office with its sites; an invoice too", async () => {
    const { text } = read(await statementPdf(book.db, customer("C3"), day("2026-11-01"), TODAY));
    expect(text).toMatch(
      /Statement of account[\s\S]*Brightwater Unified \(C3\) and its sites \(1\)[\s\S]*20404[\s\S]*500\.00[\s\S]*20405[\s\S]*250\.00[\s\S]*Closing balance\s+750\.00/,
    );
    expect(read(await invoicePdf(book.db, book.id("open_item", "number = '20402'"))).text).toMatch(
      /Invoice 20402[\s\S]*Tax\s+USD 6\.00[\s\S]*Total\s+USD 106\.00/,
    );
    expect([
      await statementPdf(book.db, 999, TODAY, TODAY),
      await invoicePdf(book.db, 999),
    ]).toEqual([null, null]);
  });
});
