import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parse } from "papaparse";

import { openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { addBankAccount } from "@/server/settings/commands/addBankAccount";
import { addProcessorAccount } from "@/server/settings/commands/addProcessorAccount";

import { CHARGES, CUSTOMERS, INVOICES, STATEMENT } from "../support/book";
import { Cli } from "../support/cli";

const cli = new Cli();
/** Outside the data folder, where backups belong. */
const copies = mkdtempSync(join(tmpdir(), "dozo-copies-"));
const rows = (text: string): Record<string, string>[] =>
  parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

beforeAll(() => {
  const made = cli.practiceBook("shop");
  const who = { book: "shop", actor: "test" };
  runCommand(
    made,
    addBankAccount,
    { code: "operating", name: "Operating bank", openingBalance: 100_000 },
    { ...who, key: "bank-1" },
  );
  runCommand(
    made,
    addProcessorAccount,
    { code: "card", name: "card account", delayDays: 2 },
    { ...who, key: "card-1" },
  );
  made.close();
});

describe("dozo on a machine that others use, and on files that are no books", () => {
  it("keeps what it makes for its owner alone", () => {
    const out = join(copies, "copy.sqlite");
    expect(cli.run("backup", "--book", "shop", "--out", out).code).toBe(0);
    expect((statSync(out).mode & 0o777).toString(8)).toBe("600");
  });
  it("says where a folder lies where a file is meant, and where there is no way to a file", () => {
    const [folder, nowhere] = [join(copies, "folder"), join(copies, "nowhere", "out.csv")];
    mkdirSync(folder, { recursive: true });
    const codes = [
      ["import", "--book", "shop", folder],
      ["verify", folder],
      ["export", "journal", "--book", "shop", "--out", folder],
      ["export", "journal", "--book", "shop", "--out", nowhere],
      [
        "match",
        "--customers",
        folder,
        "--invoices",
        folder,
        "--payments",
        folder,
        "--out",
        "o.csv",
      ],
    ].map((call) => cli.run(...call));
    expect(codes.map(({ code }) => code)).toEqual([3, 3, 3, 3, 3]);
    expect(codes[2]?.err).toContain(`${folder} is a folder, and a file is meant`);
    expect(codes[3]?.err).toContain(`There is no way to ${nowhere}`);
    expect(existsSync(nowhere)).toBe(false);
  });
  it("says that a file is damaged or no book, with exit code 4, and leaves it alone", () => {
    const folder = join(cli.data, "books", "stranger");
    mkdirSync(folder, { recursive: true });
    for (const content of ["", "not a book\n".repeat(500)]) {
      writeFileSync(join(folder, "book.sqlite"), content);
      const checked = cli.run("check", "--book", "stranger");
      expect([checked.code, checked.err]).toEqual([
        4,
        expect.stringContaining("damaged or not a book"),
      ]);
      expect(readFileSync(join(folder, "book.sqlite"), "utf8")).toBe(content);
    }
    rmSync(folder, { recursive: true });
  });
});

describe("dozo, as scripts rely on it", () => {
  it("takes files in: a dry run changes nothing, the kinds are found, refused lines make exit code 1", () => {
    const files = [
      cli.file("customers.csv", CUSTOMERS),
      cli.file("invoices.csv", INVOICES),
      cli.file("card.csv", CHARGES),
      cli.file("bank.csv", STATEMENT),
    ];
    const dry = cli.run("import", "--book", "shop", "--dry-run", "--json", files[0] ?? "");
    expect([dry.code, JSON.parse(dry.out)]).toMatchObject([
      0,
      { dryRun: true, files: [{ kind: "customers", new: 4 }] },
    ]);
    expect(cli.run("import", "--book", "shop", ...files).code).toBe(0);
    expect(cli.run("import", "--book", "shop", ...files).out).toContain("3 lines, 0 new, 3 known");
    const bad = cli.run(
      "import",
      "--book",
      "shop",
      cli.file("bad.csv", "customer_id,name,parent_id\nC9,,\n"),
    );
    expect([bad.code, bad.out]).toEqual([
      1,
      expect.stringContaining("line 2, name: “name” is empty"),
    ]);
  });
  it("matches a book, posts the sure ones when told to, exports and proves", () => {
    expect(JSON.parse(cli.run("match", "--book", "shop", "--json").out)).toMatchObject({ sure: 3 });
    expect(cli.run("match", "--book", "shop", "--post-sure").code).toBe(0);
    const journal = rows(cli.run("export", "journal", "--book", "shop").out);
    expect(journal.reduce((sum, row) => sum + Math.round(Number(row.book_amount) * 100), 0)).toBe(
      0,
    );
    expect(
      JSON.parse(
        cli.run("export", "aging", "--book", "shop", "--as-of", "2026-11-24", "--format", "json")
          .out,
      ),
    ).toEqual(expect.arrayContaining([expect.objectContaining({ customer_id: "C1" })]));
    expect(
      cli.run("export", "open-items", "--book", "shop", "--out", join(cli.data, "open.csv")),
    ).toMatchObject({ code: 0, out: "" });
    expect(readFileSync(join(cli.data, "open.csv"), "utf8")).toMatch(/^kind,number,/);
    expect(cli.run("check", "--book", "shop")).toMatchObject({
      code: 0,
      out: expect.stringContaining("holds"),
    });
  });
  it("matches files without a book", () => {
    const out = join(cli.data, "proposals.csv");
    const done = cli.run(
      "match",
      "--customers",
      cli.file("c.csv", "customer_id,name,email,parent_id\nC1,Alder Lane,a@alder.example,\n"),
      "--invoices",
      cli.file(
        "i.csv",
        "invoice_number,customer_id,issued_on,due_on,currency,total,balance,po_number,terms\nINV-1042,C1,2026-11-01,2026-12-01,USD,100.00,100.00,,2/10 n/30\nINV-1043,C1,2026-10-01,2026-10-31,USD,50.00,50.00,,n/30\n",
      ),
      "--payments",
      cli.file(
        "p.csv",
        "payment_id,received_on,method,currency,amount,payer_name,payer_email,reference\np1,2026-11-09,card,USD,98.00,Alder Lane,,1042\np2,2026-11-09,check,USD,7.77,Somebody,,\n",
      ),
      "--history",
      cli.file("h.csv", "payer_name,payer_email,customer_id\n"),
      "--out",
      out,
    );
    expect(done.code).toBe(0);
    const [first, second] = rows(readFileSync(out, "utf8"));
    expect(Object.keys(first ?? {}).join()).toBe(
      "payment_id,invoice_number,amount,discount,decision,confidence,reason,customer_id",
    );
    expect(first).toMatchObject({
      payment_id: "p1",
      invoice_number: "INV-1042",
      amount: "98.00",
      discount: "2.00",
      decision: "apply",
      customer_id: "C1",
    });
    expect(second).toMatchObject({
      payment_id: "p2",
      invoice_number: "",
      amount: "",
      decision: "none",
      confidence: "0",
      customer_id: "",
    });
  });
  it("backs up and restores a consistent copy, never over a book that is there", () => {
    const copy = join(copies, "shop-copy.sqlite");
    expect(cli.run("backup", "--book", "shop", "--out", copy).code).toBe(0);
    expect(cli.run("restore", copy).code).toBe(0);
    expect(cli.run("restore", copy).code).toBe(4);
    const checked = (book: string): unknown =>
      (JSON.parse(cli.run("check", "--book", book, "--json").out) as { proofs: unknown }).proofs;
    expect(checked("shop-copy")).toEqual(checked("shop"));
  });
  it("asks which sum is meant where a file leaves it open, takes nothing in, and the flag answers", () => {
    const file = cli.file(
      "open.csv",
      "invoice_number,customer_id,issued_on,due_on,total\n90001,C1,2026-11-02,2026-12-02,5.005\n",
    );
    const asked = cli.run("import", "--book", "shop", "--kind", "invoices", "--json", file);
    expect([asked.code, JSON.parse(asked.out)]).toMatchObject([
      1,
      { questions: [{ code: "mark", choices: [{ flag: "--mark ." }, { flag: "--mark ," }] }] },
    ]);
    const told = cli.run(
      "import",
      "--book",
      "shop",
      "--kind",
      "invoices",
      "--mark",
      ",",
      "--json",
      file,
    );
    expect([told.code, JSON.parse(told.out)]).toMatchObject([0, { files: [{ new: 1 }] }]);
    const open = rows(cli.run("export", "open-items", "--book", "shop").out);
    expect(open.find(({ number }) => number === "90001")).toMatchObject({ balance: "5005.00" });
  });
  it("keeps no card number of a file, and not at all a file that is refused", () => {
    const file = cli.file("cards.csv", "customer_id,name\nC77,Paid with 4111.1111.1111.1111USD\n");
    expect(cli.run("import", "--book", "shop", file).code).toBe(0);
    const kept = join(cli.data, "books/shop/files");
    const all = (): string[] =>
      readdirSync(kept).map((name) => readFileSync(join(kept, name), "latin1"));
    expect(all().filter((text) => text.includes("4111"))).toEqual([]);
    expect(all().some((text) => text.includes("Paid with ending in 1111USD"))).toBe(true);
    const before = all().length;
    cli.run(
      "import",
      "--book",
      "shop",
      cli.file("picture.csv", Buffer.from([137, 80, 78, 71, 0, 0, 0])),
    );
    expect(all()).toHaveLength(before);
  });
  it("proves an audit package without the book, and finds a line of it that was changed", () => {
    const out = join(copies, "audit.jsonl");
    expect(cli.run("export", "audit", "--book", "shop", "--out", out).code).toBe(0);
    expect(cli.run("verify", out)).toMatchObject({
      code: 0,
      out: expect.stringContaining("holds"),
    });
    writeFileSync(
      out,
      readFileSync(out, "utf8").replace("took in invoices.csv", "took in nothing"),
    );
    expect(cli.run("verify", out)).toMatchObject({
      code: 1,
      out: expect.stringContaining("BROKEN"),
    });
    expect(cli.run("verify", "package.json").code).toBe(3);
  });
  it.each<[number, string[]]>([
    [2, []],
    [2, ["dance"]],
    [2, ["export", "everything", "--book", "shop"]],
    [2, ["import", "--book", "shop"]],
    [2, ["check", "--nonsense"]],
    [2, ["export", "aging", "--book", "shop", "--as-of", "2026-02-31"]],
    [3, ["import", "--book", "shop", "/nowhere.csv"]],
    [3, ["import", "--book", "shop", "--kind", "returns", "package.json"]],
    [4, ["check", "--book", "nobody"]],
    [4, ["match", "--book", "../etc"]],
    [0, ["--help"]],
    [0, ["import", "--help"]],
  ])("exits with %i for %j", (code, args) => {
    const done = cli.run(...args);
    expect(done.code).toBe(code);
    expect(code === 0 ? done.out : done.err).not.toBe("");
  });
  it.each([
    ["an empty file", "", 3, "The file is empty"],
    ["a wrong encoding", Buffer.from("a,b\n1,caf\x81\n", "latin1"), 3, "Line 2 is not UTF-8"],
    [
      "200 columns",
      `${Array.from({ length: 200 }, (_, at) => `c${at}`).join()}\n1\n`,
      3,
      "200 columns",
    ],
    ["a picture", Buffer.from([137, 80, 78, 71, 0, 0, 0]), 3, "This is a picture"],
  ])("says in a sentence what is wrong with %s", (_case, bytes, code, words) => {
    const done = cli.run("import", "--book", "shop", cli.file("wrong.csv", bytes));
    expect([done.code, done.err]).toEqual([code, expect.stringContaining(words)]);
  });
  it("exits with 1 and names the proof where somebody tampered with the book", () => {
    const opened = openBookToWrite("shop-copy");
    if (!opened.ok) throw new Error(opened.error.code);
    opened.value.exec("UPDATE open_item SET balance = balance - 1 WHERE balance > 0");
    opened.value.close();
    expect(cli.run("check", "--book", "shop-copy")).toMatchObject({
      code: 1,
      out: expect.stringContaining("BROKEN  Accounts receivable are the open items"),
    });
    expect(existsSync(join(cli.data, "books/shop-copy/book.sqlite"))).toBe(true);
  });
});
