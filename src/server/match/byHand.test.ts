import { day } from "@/core/calendar";
import { type Currency, currencyOf } from "@/core/money";

import { eachBook, type TestBook } from "../../../tests/support/book";
import { customerPageOf } from "../customers/queries/customer";
import { receiptPageOf } from "../invoices/queries/documents";
import { matchQueue } from "./queries/match";
import { lineChoices, onHand } from "./queries/onHand";
import { sureList } from "./queries/sureList";
import { matchWorkings } from "./queries/workings";

const USD = currencyOf("USD") as Currency;
let book: TestBook;
eachBook((made) => {
  book = made;
});

const check = (amount: number, number = "1187", more: object = {}): number =>
  book.must("recordReceipt", {
    method: "check",
    number,
    paidOn: "2026-11-20",
    amount,
    payerName: "Alder Lane Pottery School",
    reference: "20401",
    ...more,
  }).receiptId;
const statement = (...lines: [on: string, words: string, amount: string][]): void =>
  void book.mustTake(
    "bank",
    `Date,Description,Amount\n${lines.map((line) => line.join(",")).join("\n")}\n`,
  );
const lastAct = (kind: string): number =>
  book.db.get<{ id: number }>("SELECT max(id) AS id FROM act WHERE kind = ?", kind)?.id ?? 0;

describe("other names of a customer", () => {
  it("come with a file or by hand, and its payments are known by them until they are taken away", () => {
    book.mustTake(
      "customers",
      "customer_id,name,email,Also known as\nC2,Heron Point Studio,heron@mail.example,Marisol Fuentes Tejada; HPS Clay\n",
    );
    const id = book.id("customer", "external_id = 'C2'");
    expect(customerPageOf(book.db, id, day("2026-11-24"), [])?.aliases).toEqual([
      "HPS Clay",
      "Marisol Fuentes Tejada",
    ]);
    const receiptId = check(12_000, "77", { payerName: "Marisol Fuentes Tejada", reference: "" });
    const decision = (): string =>
      book.proposals().find((proposal) => proposal.receiptId === receiptId)?.decision ?? "gone";
    expect(decision()).toBe("sure");
    book.must("changeAlias", { customerId: id, alias: "Marisol Fuentes Tejada", known: false });
    expect(decision()).toBe("none");
    expect(
      book.do("changeAlias", { customerId: id, alias: "HPS Clay", known: true }),
    ).toMatchObject({ ok: false, error: { code: "customer.alias" } });
    book.must("changeAlias", { customerId: id, alias: "Marisol Fuentes Tejada", known: true });
    expect(decision()).toBe("sure");
  });
});

describe("receipts by hand", () => {
  it("lie on hand, go to the bank together, and are found on the statement", () => {
    const ids = [
      check(86_450),
      check(12_000, "20533", { payerName: "Heron Point Studio", reference: "" }),
    ];
    expect([book.balance("on_hand"), book.balance("unidentified")]).toEqual([98_450, -98_450]);
    const made = book.must("makeDeposit", { receiptIds: ids, bank: "operating" });
    expect([made.banked, book.balance("on_hand"), onHand(book.db).depositsSum]).toEqual([
      false,
      98_450,
      98_450,
    ]);
    statement(["2026-11-25", "DEPOSIT BRANCH 12", "984.50"]);
    expect([book.balance("on_hand"), book.balance("bank"), onHand(book.db).deposits]).toEqual([
      0,
      100_000 + 98_450,
      [],
    ]);
    expect(receiptPageOf(book.db, ids[0]!)).toMatchObject({
      hand: { number: "1187", state: "at the bank" },
      line: { amount: 98_450 },
    });
    expect(book.must("undo", { actId: lastAct("deposit_banked") })).toBeTruthy();
    expect([book.balance("on_hand"), onHand(book.db).deposits[0]?.lines.length]).toEqual([
      98_450, 1,
    ]);
    book.must("undo", { actId: made.actId });
    expect(onHand(book.db).rows.length).toBe(2);
  });
  it("are proposed like any other", () => {
    const id = check(86_450);
    const found = book.proposals().find(({ receiptId }) => receiptId === id);
    expect([found?.decision, found?.readings[0]?.lines]).toEqual([
      "sure",
      [expect.objectContaining({ number: "20401", amount: 86_450 })],
    ]);
  });
  it.each<[string, () => unknown, string]>([
    ["a day to come", () => check(100, "1", { paidOn: "2026-11-25" }), "receipt.future"],
    ["a check without a number", () => check(100, ""), "receipt.number"],
    [
      "the same check twice",
      () => {
        check(100);
        check(100);
      },
      "receipt.twice",
    ],
    [
      "a deposit of nothing on hand",
      () => book.must("makeDeposit", { receiptIds: [999], bank: "operating" }),
      "deposit.not_on_hand",
    ],
    [
      "a deposit into an account that is not there",
      () => book.must("makeDeposit", { receiptIds: [check(100)], bank: "savings" }),
      "account.unknown",
    ],
    [
      "a bounced check that is not banked",
      () => {
        const id = check(100);
        statement(["2026-11-23", "RETURNED ITEM", "-1.00"]);
        book.must("bounceReceipt", {
          receiptId: id,
          lineId: book.id("bank_line", "amount = -100"),
        });
      },
      "bounce.not_banked",
    ],
  ])("refuse %s", (_case, act, code) => expect(act).toThrow(code));
  it("take the same check again where it is said to be another", () => {
    check(100);
    expect(check(100, "1187", { again: true })).toBeGreaterThan(0);
  });
  it("can be taken back while nothing rests on them", () => {
    const id = check(86_450);
    book.must("undo", { actId: lastAct("hand_receipt") });
    expect([book.balance("on_hand"), book.balance("unidentified"), onHand(book.db).rows]).toEqual([
      0,
      0,
      [],
    ]);
    expect(book.db.get("SELECT state, hand_state AS hand FROM receipt WHERE id = ?", id)).toEqual({
      state: "returned",
      hand: "void",
    });
    const second = check(86_450);
    book.must("applyReceipt", { receiptId: second, customerId: 1, lines: [] });
    expect(book.do("undo", { actId: lastAct("hand_receipt") })).toMatchObject({
      error: { code: "act.rests" },
    });
  });
});

describe("a check that bounces", () => {
  it("opens what it had paid, with the bank's fee; undo pays it again", () => {
    const id = check(86_450);
    const invoice = book.id("open_item", "number = '20401'");
    book.must("applyReceipt", {
      receiptId: id,
      customerId: 1,
      lines: [{ itemId: invoice, amount: 86_450 }],
    });
    book.must("makeDeposit", { receiptIds: [id], bank: "operating", onDay: "2026-11-20" });
    statement(
      ["2026-11-21", "DEPOSIT", "864.50"],
      ["2026-11-24", "RETURNED ITEM 1187", "-864.50"],
      ["2026-11-24", "RETURNED ITEM FEE", "-12.00"],
    );
    const [line, fee] = [
      book.id("bank_line", "amount = -86450"),
      book.id("bank_line", "amount = -1200"),
    ];
    expect(lineChoices(book.db, line)).toMatchObject({
      bounced: [{ receiptId: id, words: "check 1187, Alder Lane Pottery School" }],
      fees: [{ id: fee }],
    });
    const { actId } = book.must("bounceReceipt", { receiptId: id, lineId: line, feeLineId: fee });
    expect([
      book.db.get<{ balance: number }>("SELECT balance FROM open_item WHERE id = ?", invoice)
        ?.balance,
      book.balance("fees"),
      book.balance("bank"),
    ]).toEqual([86_450, 1200, 100_000 - 1200]);
    book.must("undo", { actId });
    expect([
      book.db.get<{ balance: number }>("SELECT balance FROM open_item WHERE id = ?", invoice)
        ?.balance,
      book.balance("fees"),
    ]).toEqual([0, 0]);
    expect(book.do("undo", { actId })).toMatchObject({ error: { code: "act.undone" } });
  });
  it("is charged to the customer where the book says so, and charged no more when it is undone", () => {
    book.must("changeSettings", { returnFee: 2500 });
    const id = check(86_450);
    book.must("applyReceipt", {
      receiptId: id,
      customerId: 1,
      lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 86_450 }],
    });
    book.must("makeDeposit", { receiptIds: [id], bank: "operating", onDay: "2026-11-20" });
    statement(["2026-11-21", "DEPOSIT", "864.50"], ["2026-11-24", "RETURNED ITEM 1187", "-864.50"]);
    const before = book.balance("receivables");
    const { actId } = book.must("bounceReceipt", {
      receiptId: id,
      lineId: book.id("bank_line", "amount = -86450"),
    });
    expect([book.balance("return_fees"), book.balance("receivables") - before]).toEqual([
      -2500,
      86_450 + 2500,
    ]);
    book.must("undo", { actId });
    expect([book.balance("return_fees"), book.balance("receivables") - before]).toEqual([0, 0]);
  });
});

describe("a write-off over the limit", () => {
  const person = (
    actor: string,
    input: object,
    name: "askApproval" | "decideWriteOff",
  ): ReturnType<TestBook["do"]> => book.as(actor).do(name, input as never);
  const ask = (): { receiptId: number; approvalId: number } => {
    book.must("changeSettings", { people: ["Mara", "Theo"] });
    const receiptId = check(83_050);
    const asked = person(
      "Mara",
      {
        receiptId,
        customerId: 1,
        lines: [
          {
            itemId: book.id("open_item", "number = '20401'"),
            amount: 83_050,
            smallDifference: 3400,
          },
        ],
        why: "broken bags",
      },
      "askApproval",
    );
    if (!asked.ok) throw new Error(asked.error.code);
    return { receiptId, approvalId: (asked.value as { approvalId: number }).approvalId };
  };
  it("posts nothing until a second person agrees, and then to bad debt", () => {
    const { receiptId, approvalId } = ask();
    expect([
      book.balance("bad_debt"),
      matchQueue(book.db, book.proposals(), {
        queue: "second",
        sort: "paid",
        currency: USD,
      }).rows.map(({ id }) => id),
      sureList(book.db, book.proposals(), USD),
    ]).toEqual([0, [receiptId], []]);
    expect(matchWorkings(book.db, receiptId, undefined)?.asked).toMatchObject({
      sum: 3400,
      askedBy: "Mara",
      words: "830.50 to 20401, 34.00 of it written off",
    });
    expect(person("Mara", { approvalId, approve: true }, "decideWriteOff")).toMatchObject({
      error: { code: "approval.same_person" },
    });
    expect(person("Theo", { approvalId, approve: true }, "decideWriteOff").ok).toBe(true);
    expect([
      book.balance("bad_debt"),
      book.balance("small_differences"),
      book.db.get<{ balance: number }>("SELECT balance FROM open_item WHERE number = '20401'")
        ?.balance,
    ]).toEqual([3400, 0, 0]);
    expect(person("Theo", { approvalId, approve: true }, "decideWriteOff")).toMatchObject({
      error: { code: "approval.unknown" },
    });
    book.must("undo", { actId: lastAct("place") });
    expect([
      book.balance("bad_debt"),
      matchQueue(book.db, book.proposals(), { queue: "second", sort: "paid", currency: USD }).rows
        .length,
    ]).toEqual([0, 1]);
  });
  it("goes back to the clerk where it is refused, taken back, or settled otherwise", () => {
    const { receiptId, approvalId } = ask();
    expect(
      person("Theo", { approvalId, approve: false, why: "ask them first" }, "decideWriteOff").ok,
    ).toBe(true);
    expect(
      matchQueue(book.db, book.proposals(), { queue: "second", sort: "paid", currency: USD }).rows,
    ).toEqual([]);
    const again = person(
      "Mara",
      {
        receiptId,
        customerId: 1,
        lines: [
          {
            itemId: book.id("open_item", "number = '20401'"),
            amount: 83_050,
            smallDifference: 3400,
          },
        ],
        why: "broken bags",
      },
      "askApproval",
    );
    book.must("undo", { actId: again.ok ? (again.value as { actId: number }).actId : 0 });
    book.must("applyReceipt", { receiptId, customerId: 1, lines: [] });
    expect(book.db.all("SELECT state FROM approval ORDER BY id")).toEqual([
      { state: "refused" },
      { state: "withdrawn" },
    ]);
  });
  it("is not asked for by one person alone, nor for what is within the limit", () => {
    const receiptId = check(86_400);
    const input = {
      receiptId,
      customerId: 1,
      lines: [
        { itemId: book.id("open_item", "number = '20401'"), amount: 86_400, smallDifference: 50 },
      ],
      why: "rounding",
    };
    expect(person("Mara", input, "askApproval")).toMatchObject({
      error: { code: "approval.people" },
    });
    book.must("changeSettings", { people: ["Mara", "Theo"] });
    expect(person("Mara", input, "askApproval")).toMatchObject({
      error: { code: "approval.not_needed" },
    });
    expect(book.do("changeSettings", { people: ["Mara", "mara"] })).toMatchObject({
      error: { code: "settings.people" },
    });
  });
});

describe("money that is not for an invoice, and money that stands on account", () => {
  it("other income is booked as such, and taken back by undo", () => {
    const id = check(8400);
    const { actId } = book.must("setAside", {
      receiptId: id,
      reason: "scrap metal sold",
      as: "income",
    });
    expect([
      book.balance("other"),
      book.balance("unidentified"),
      matchQueue(book.db, [], { queue: "aside", sort: "paid", currency: USD }).rows[0],
    ]).toMatchObject([-8400, 0, { look: "other income", amount: 8400 }]);
    book.must("undo", { actId });
    expect([book.balance("other"), book.balance("unidentified")]).toEqual([0, -8400]);
  });
  it("other income that bounces is taken back from income; undo brings it again", () => {
    const id = check(8400);
    book.must("setAside", { receiptId: id, reason: "scrap metal sold", as: "income" });
    book.must("makeDeposit", { receiptIds: [id], bank: "operating", onDay: "2026-11-20" });
    statement(["2026-11-21", "DEPOSIT", "84.00"], ["2026-11-24", "RETURNED ITEM", "-84.00"]);
    const { actId } = book.must("bounceReceipt", {
      receiptId: id,
      lineId: book.id("bank_line", "amount = -8400"),
    });
    expect([book.balance("other"), book.balance("bank")]).toEqual([0, 100_000]);
    book.must("undo", { actId });
    expect(book.balance("other")).toBe(-8400);
  });
  it("what stands on account is used along with a payment that took it off, in one go and undone in one go", () => {
    const earlier = check(2450, "1100", { reference: "" });
    book.must("applyReceipt", { receiptId: earlier, customerId: 1, lines: [] });
    const id = check(84_000);
    const [proposal] = book.proposals();
    const workings = matchWorkings(book.db, id, proposal);
    expect([
      workings?.readings[0]?.withCredit,
      workings?.credits,
      workings?.readings[0]?.reasons.map(({ words }) => words),
    ]).toEqual([
      true,
      [{ receiptId: earlier, on: "2026-11-20", sum: 2450 }],
      expect.arrayContaining(["short by just the 24.50 that stand on account"]),
    ]);
    const invoice = book.id("open_item", "number = '20401'");
    const { commandId } = book.must("applyReceipt", {
      receiptId: id,
      customerId: 1,
      lines: [{ itemId: invoice, amount: 84_000 }],
      credits: [{ receiptId: earlier, itemId: invoice, amount: 2450 }],
    });
    const open = (): number | undefined =>
      book.db.get<{ balance: number }>("SELECT balance FROM open_item WHERE id = ?", invoice)
        ?.balance;
    expect([open(), book.balance("credits")]).toEqual([0, 0]);
    book.must("undoTogether", { commandId });
    expect([open(), book.balance("credits")]).toEqual([86_450, -2450]);
    expect(
      book.do("applyReceipt", {
        receiptId: id,
        customerId: 1,
        lines: [{ itemId: invoice, amount: 84_000 }],
        credits: [{ receiptId: earlier, itemId: invoice, amount: 2500 }],
      }),
    ).toMatchObject({ error: { code: "tally.item" } });
    expect(open()).toBe(86_450);
  });
});

describe("days that are closed", () => {
  it("take nothing any more: what is for them stands on the first open day, and says so; undo too", () => {
    const id = check(86_450, "1187", { paidOn: "2026-10-30" });
    const { actId } = book.must("applyReceipt", { receiptId: id, customerId: 1, lines: [] });
    book.must("lockPeriod", { to: "2026-11-23", why: "October and more are filed" });
    check(500, "20", { paidOn: "2026-11-02" });
    expect(
      book.db.get(
        "SELECT posted_on AS on_day, dated_for AS for_day FROM entry ORDER BY id DESC LIMIT 1",
      ),
    ).toEqual({ on_day: "2026-11-24", for_day: "2026-11-02" });
    book.must("changeSettings", { clock: "2026-11-30" });
    book.must("lockPeriod", { to: "2026-11-28", why: "November is nearly filed" });
    book.must("undo", { actId });
    expect(
      book.db.get(
        "SELECT posted_on AS on_day, dated_for AS for_day FROM entry WHERE event = 'reversal' ORDER BY id DESC LIMIT 1",
      ),
    ).toEqual({ on_day: "2026-11-29", for_day: "2026-11-24" });
    expect(book.do("lockPeriod", { to: "2026-12-01", why: "too early" })).toMatchObject({
      error: { code: "lock.today" },
    });
    book.must("lockPeriod", { to: null, why: "an error in it" });
    check(700, "21", { paidOn: "2026-11-02" });
    expect(
      book.db.get(
        "SELECT posted_on AS on_day, dated_for AS for_day FROM entry ORDER BY id DESC LIMIT 1",
      ),
    ).toEqual({ on_day: "2026-11-02", for_day: null });
  });
});

describe("what was learned", () => {
  const charge = (id: number, payer: string, amount = "10.00"): void =>
    void book.mustTake(
      "processor",
      `Id,Type,Date,Gross,Payer\nch_${id},Charge,2026-11-10,${amount},${payer}\n`,
    );
  const history = (): string[] =>
    customerPageOf(book.db, 1, day("2026-11-24"), [])!.learned.payers.map(
      ({ payerName, times }) => `${payerName} ${times}`,
    );
  const place = (
    id: number,
    customerId: number,
    proposedCustomerId: number | null = null,
  ): number =>
    book.must("applyReceipt", {
      receiptId: book.id(
        "receipt",
        `id = (SELECT receipt_id FROM processor_item WHERE external_id = 'ch_${id}')`,
      ),
      customerId,
      lines: [],
      proposedCustomerId,
    }).actId;
  it("is forgotten on request, and comes back with undo", () => {
    for (const id of [1, 2]) {
      charge(id, "BillRoute Payments");
      place(id, 1);
    }
    expect(history()).toEqual(["BillRoute Payments 2"]);
    const { actId } = book.must("forget", {
      customerId: 1,
      what: "payer",
      payerName: "BillRoute Payments",
    });
    expect(history()).toEqual([]);
    book.must("undo", { actId });
    expect(history()).toEqual(["BillRoute Payments 2"]);
  });
  it("gives way to a correction at once, until that is undone", () => {
    for (const id of [1, 2, 3]) {
      charge(id, "BillRoute Payments");
      if (id < 3) place(id, 1);
    }
    const actId = place(3, 2, 1);
    expect(history()).toEqual([]);
    book.must("undo", { actId });
    expect(history()).toEqual(["BillRoute Payments 2"]);
  });
  it("tells how a customer pays", () => {
    for (const id of [1, 2]) charge(id, "Alder Lane Pottery School", "50.00");
    const items = ["20401", "20402"].map((number) => book.id("open_item", `number = '${number}'`));
    for (const id of [1, 2])
      book.must("applyReceipt", {
        receiptId: book.id(
          "receipt",
          `id = (SELECT receipt_id FROM processor_item WHERE external_id = 'ch_${id}')`,
        ),
        customerId: 1,
        lines: items.map((itemId) => ({ itemId, amount: 2500 })),
      });
    const habit = (): string | null | undefined =>
      customerPageOf(book.db, 1, day("2026-11-24"), [])?.learned.habit;
    expect(habit()).toBe("always pays several invoices at once, never quotes a number");
    book.must("forget", { customerId: 1, what: "habit" });
    expect(habit()).toBeNull();
  });
});

describe("remittance advice", () => {
  const ADVICE =
    "Trace,Payment date,Payer,Invoice,Amount paid,Discount\n0012345,2026-11-18,Brightwater Unified,20404,490.00,10.00\n0012345,2026-11-18,Brightwater Unified,20405,250.00,\n";
  const SUM_LINE: [string, string, string] = [
    "2026-11-18",
    "ACH CREDIT BRIGHTWATER UNIF 12345",
    "740.00",
  ];
  const numbers = (): string[] =>
    book
      .proposals()
      .flatMap(({ decision, readings: [best] }) => [
        `${decision} ${best?.lines.map(({ number }) => number).join("+")}`,
      ]);
  it.each([
    ["before", true],
    ["after", false],
  ])("that comes %s its payment gives the numbers", (_when, before) => {
    if (!before) statement(SUM_LINE);
    expect(book.mustTake("remittance", ADVICE)).toMatchObject({ new: 2 });
    if (before) statement(SUM_LINE);
    // The discount of 10.00 was taken five days late: a short payment, whose rest stays open.
    expect(numbers()).toEqual(["sure 20404+20405"]);
    expect(matchWorkings(book.db, 1, book.proposals()[0])?.remittance).toHaveLength(2);
    expect(book.mustTake("remittance", ADVICE)).toMatchObject({ new: 0, known: 2 });
  });
  it("that tells of two payments gives each its own numbers, and lets them go with their file", () => {
    book.mustTake("remittance", ADVICE);
    statement(
      ["2026-11-18", "ACH CREDIT BRIGHTWATER UNIF", "490.00"],
      ["2026-11-19", "ACH CREDIT BRIGHTWATER UNIF", "250.00"],
    );
    expect(numbers().sort()).toEqual(["sure 20404", "sure 20405"]);
    const fileId = book.id("import_file", "kind = 'bank'");
    book.must("undoFile", { fileId });
    expect(
      book.db.all(
        "SELECT receipt_id AS id FROM remittance_line UNION SELECT receipt_id FROM remittance",
      ),
    ).toEqual([{ id: null }]);
    expect(book.broken()).toEqual([]);
  });
  it("that comes in two for one payment gives it the numbers of both", () => {
    const [head = "", first = "", second = ""] = ADVICE.split("\n");
    book.mustTake("remittance", `${head}\n${first}\n${second.replace("0012345", "0012399")}\n`);
    statement(["2026-11-18", "ACH CREDIT BRIGHTWATER UNIF", "740.00"]);
    expect(numbers()).toEqual(["sure 20404+20405"]);
  });
  it("joins none where two payments could be meant", () => {
    statement(
      ["2026-11-18", "ACH CREDIT BRIGHTWATER", "740.00"],
      ["2026-11-19", "ACH CREDIT BRIGHTWATER", "740.00"],
    );
    book.mustTake("remittance", ADVICE);
    expect(book.db.get("SELECT receipt_id AS id FROM remittance")).toEqual({ id: null });
  });
});
