import { eachBook, type TestBook } from "../../tests/support/book";
import { type CommandName, COMMANDS, commandOf } from "./commands";
import { inWords } from "./runtime/messages";

let book: TestBook;
eachBook((made) => {
  book = made;
});

/** How much of everything a book holds: what a refused command must leave as it was. */
function inventory(): string {
  const tables = book.db
    .all<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
    .map(({ name }) => name);
  return tables
    .map((name) => {
      const found = book.db.get<{ n: number }>(`SELECT count(*) AS n FROM "${name}"`);
      return `${name} ${found?.n ?? 0}`;
    })
    .join("\n");
}

/** An id that nothing has. */
const NOBODY = 999_999;

/** What each command is told of things that are not there, and the codes by which it refuses. */
const UNKNOWN: Partial<Record<CommandName, [input: object, code: string]>> = {
  applyReceipt: [{ receiptId: NOBODY, customerId: 1, lines: [] }, "receipt.unknown"],
  useCredit: [
    { receiptId: NOBODY, customerId: 1, lines: [{ itemId: 1, amount: 1 }] },
    "receipt.unknown",
  ],
  setAside: [{ receiptId: NOBODY, reason: "nobody’s", income: false }, "receipt.unknown"],
  tiePayout: [{ payoutId: NOBODY, bankLineIds: [1] }, "payout.unknown"],
  undo: [{ actId: NOBODY }, "act.unknown"],
  sendLetter: [{ customerId: NOBODY, subject: "Open", body: "Open" }, "customer.unknown"],
  bounceReceipt: [{ receiptId: NOBODY, lineId: 1 }, "receipt.unknown"],
  retryDebit: [{ returnItemId: NOBODY, on: "2026-11-30" }, "return.unknown"],
  writeOff: [{ itemId: NOBODY, sum: 1, why: "not worth it" }, "write_off.settled"],
  makeDeposit: [{ bank: "nowhere", receiptIds: [1], onDay: "2026-11-24" }, "account.unknown"],
  agreeRate: [
    { account: "nowhere", method: "card", from: "2026-01-01", percent: "2.9", fixed: 30 },
    "account.unknown",
  ],
  accrueFees: [{ account: "nowhere", month: "2026-10" }, "account.unknown"],
};

describe("a command about something that is not there", () => {
  it.each(Object.entries(UNKNOWN))("%s refuses, and leaves no trace", (name, asked) => {
    const [input, code] = asked;
    const before = inventory();
    const done = book.do(name as CommandName, input as never);
    expect(done.ok ? "done" : done.error.code).toBe(code);
    expect(inventory()).toBe(before);
  });
  it.each(Object.entries(UNKNOWN))("%s says so in words that a clerk can use", (name, asked) => {
    const done = book.do(name as CommandName, asked[0] as never);
    const words = done.ok ? "" : inWords(done.error);
    expect(words).toMatch(/^[A-Z“].*[.?]$/s);
    // Neither a fact that is missing, nor the program's own name for what went wrong.
    expect(words).not.toMatch(/\{|“”|undefined|[a-z]+\.[a-z]+_?[a-z]*/);
    if (asked[1] === "account.unknown") expect(words).toContain("“nowhere”");
  });
});

const NAMES = Object.keys(COMMANDS) as CommandName[];

describe("every command", () => {
  it("bears its own name, and is found by it", () => {
    expect(NAMES.map((name) => COMMANDS[name].name)).toEqual(NAMES);
    expect(NAMES.map(commandOf)).toEqual(NAMES.map((name) => COMMANDS[name]));
  });
  it("takes nothing that is no object, and leaves no trace of it", () => {
    const before = inventory();
    for (const name of NAMES)
      for (const input of [null, "text", 7, [], true]) {
        const done = book.do(name, input as never);
        expect([name, done.ok ? "done" : done.error.code]).toEqual([name, "input.invalid"]);
      }
    expect(inventory()).toBe(before);
  });
  it("refuses a key that did something else before", () => {
    book.db.exec(
      "INSERT INTO command (id, key, name, actor, at, result) VALUES (9999, 'used', 'another', 'a', 'now', 'null')",
    );
    for (const name of NAMES) {
      const [input] = UNKNOWN[name] ?? [{}];
      const done = book.do(name, input as never, "used");
      expect(done.ok ? "done" : done.error.code).toMatch(/^(key\.reused|input\.invalid)$/);
    }
  });
  it("is found by its name alone: what every object has is no command", () => {
    expect(["constructor", "toString", "__proto__", ""].map(commandOf)).toEqual(
      Array(4).fill(undefined),
    );
  });
});

describe("a command that is rehearsed", () => {
  it("says what would come of it, and keeps nothing", () => {
    const before = inventory();
    const check = {
      method: "check",
      number: "1187",
      paidOn: "2026-11-23",
      amount: 12_000,
      payerName: "Heron Point Studio",
    } as const;
    const rehearsed = book.do("recordReceipt", check, "rehearsal", { rehearse: true });
    expect(rehearsed.ok).toBe(true);
    expect(inventory()).toBe(before);
    // The same key is still free, and the same check was not recorded yet.
    expect(book.do("recordReceipt", check, "rehearsal").ok).toBe(true);
    const again = book.do("recordReceipt", { ...check }, "another");
    expect(!again.ok && again.error.code).toBe("receipt.twice");
  });
  it("is done once for one key, however often it is asked for", () => {
    const cash = { method: "cash", number: "", paidOn: "2026-11-23", amount: 500 } as const;
    const answers = [1, 2, 3].map(() => book.do("recordReceipt", cash, "one key"));
    expect(new Set(answers.map((answer) => JSON.stringify(answer))).size).toBe(1);
    expect(
      book.db.get<{ n: number }>("SELECT count(*) AS n FROM receipt WHERE amount = 500")?.n,
    ).toBe(1);
  });
});
