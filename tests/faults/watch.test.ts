import { type ChildProcess, spawn } from "node:child_process";
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { saveMapping } from "@/db/files";
import { openBookToWrite } from "@/server/runtime/books";
import { arrivedFiles } from "@/server/runtime/folders";
import { runCommand } from "@/server/runtime/command";
import { addBankAccount } from "@/server/settings/commands/addBankAccount";

import { Cli } from "../support/cli";

const cli = new Cli();
const folder = mkdtempSync(join(tmpdir(), "dozo-watch-"));
let watching: ChildProcess;

const CUSTOMERS = "Number,Called\nC1,Alder Lane Pottery\nC2,Heron Point Studio\n";
/** OFX 1.x as SGML, without an end to its elements (OFX 2.2, from memory). */
const OFX =
  "OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD\n<BANKTRANLIST><STMTTRN><TRNTYPE>CREDIT\n<DTPOSTED>20261103\n<TRNAMT>1200.50\n<FITID>F1\n<NAME>LEE AND CO\n</STMTTRN></BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>";

beforeAll(() => {
  const made = cli.practiceBook("shop");
  const who = { book: "shop", actor: "test" };
  runCommand(
    made,
    addBankAccount,
    { code: "operating", name: "Operating bank", openingBalance: 0 },
    { ...who, key: "bank-1" },
  );
  saveMapping(made, {
    name: "customers by number",
    kind: "customers",
    spec: JSON.stringify({
      kind: "customers",
      columns: { externalId: "Number", name: "Called" },
      dayOrder: "ymd",
      decimalMark: ".",
      rowKinds: {},
      signs: "by_kind",
      payoutSign: "as_written",
      feeSign: "cost",
    }),
  });
  made.close();
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, "before.ofx"), OFX);
  watching = spawn(process.execPath, ["dist/cli.mjs", "watch", "--book", "shop", folder], {
    env: { ...process.env, DOZO_DATA: cli.data, DOZO_ROOT: process.cwd() },
    stdio: "ignore",
  });
});
afterAll(() => watching.kill("SIGKILL"));

/** The report beside a file, once it is there. */
async function reportOf(place: "done" | "asked", name: string): Promise<Record<string, unknown>> {
  const path = join(folder, place, `${name}.report.json`);
  for (let tries = 0; tries < 150; tries += 1) {
    if (existsSync(path) && existsSync(join(folder, place, name)))
      return JSON.parse(readFileSync(path, "utf8")) as Record<string, unknown>;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`no report of ${name}: ${readdirSync(folder, { recursive: true }).join(", ")}`);
}

describe("a folder that is watched", () => {
  it("what lay there before is taken up, by its published format", async () => {
    expect(await reportOf("done", "before.ofx")).toMatchObject({
      state: "taken",
      kind: "bank",
      lines: 1,
      new: 1,
    });
  });
  it("what is known by a kept mapping is taken in once it is whole, and the same again changes nothing", async () => {
    const [first, rest] = [CUSTOMERS.slice(0, 30), CUSTOMERS.slice(30)];
    writeFileSync(join(folder, "customers.csv"), first);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(existsSync(join(folder, "customers.csv"))).toBe(true);
    appendFileSync(join(folder, "customers.csv"), rest);
    expect(await reportOf("done", "customers.csv")).toMatchObject({ state: "taken", new: 2 });
    writeFileSync(join(folder, "customers.csv"), CUSTOMERS);
    expect(await reportOf("done", "customers-2.csv")).toMatchObject({ new: 0, known: 2 });
  });
  it("what is guessed, or leaves something open, waits under Arrivals; what cannot be read is told", async () => {
    writeFileSync(
      join(folder, "bank.csv"),
      "Date,Description,Amount\n02/11/2026,LEE AND CO,300.00\n",
    );
    writeFileSync(
      join(folder, "scan.png"),
      Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0]),
    );
    expect(await reportOf("asked", "bank.csv")).toMatchObject({ state: "waits", new: 0 });
    expect(await reportOf("asked", "scan.png")).toMatchObject({
      state: "refused",
      error: { message: expect.stringContaining("picture") },
    });
    expect(arrivedFiles("shop")).toEqual(["bank.csv"]);
  });
  it("a mapping of some of its columns tells no file's kind, and a name of 220 letters stops nothing", async () => {
    const long = `${"x".repeat(216)}.csv`;
    writeFileSync(join(folder, long), "Number,Called,Written,Sum\n7,Alder Lane,2026-11-02,90.00\n");
    expect(await reportOf("asked", long)).toMatchObject({ new: 0 });
    writeFileSync(join(folder, "after.csv"), CUSTOMERS);
    expect(await reportOf("done", "after.csv")).toMatchObject({ known: 2 });
  });
  it("orders become drafts, all of a file or none, and once", async () => {
    const head = "document,customer_id,issued_on,terms,description,quantity,rate\n";
    const good = `${head}A1,C1,2026-11-20,n/30,Clay,2,10.50\nA2,C2,2026-11-20,n/30,Glaze,1,7\n`;
    writeFileSync(join(folder, "orders.csv"), good);
    expect(await reportOf("done", "orders.csv")).toMatchObject({
      state: "taken",
      kind: "orders",
      documents: [
        { document: "A1", state: "draft", total: "21.00" },
        { document: "A2", state: "draft", total: "7.00" },
      ],
    });
    const half = `${head}A3,C1,2026-11-20,n/30,Clay,1,1\nA4,nobody,2026-11-20,n/30,Clay,1,1\n`;
    writeFileSync(join(folder, "half.csv"), half);
    expect(await reportOf("asked", "half.csv")).toMatchObject({
      state: "refused",
      messages: [expect.stringContaining("A4, row 3")],
    });
    writeFileSync(join(folder, "again.csv"), good);
    expect(await reportOf("done", "again.csv")).toMatchObject({ state: "taken" });
  });
  it("a card number does not stay in the folder either", async () => {
    const text = "Date,Description,Amount\n02/11/2026,CARD 4111 1111 1111 1111 LEE,300.00\n";
    writeFileSync(join(folder, "cards.csv"), text);
    expect(await reportOf("asked", "cards.csv")).toMatchObject({ state: "waits" });
    const lies = readFileSync(join(folder, "asked", "cards.csv"), "utf8");
    expect([lies.includes("4111 1111 1111 1111"), lies.includes("1111 LEE")]).toEqual([
      false,
      true,
    ]);
  });
  it("nothing of what waits is in the book, and it ends when it is told to", async () => {
    const ended = new Promise<number | null>((resolve) => watching.once("exit", resolve));
    watching.kill("SIGTERM");
    expect(await ended).toBe(0);
    const opened = openBookToWrite("shop");
    if (!opened.ok) throw new Error(opened.error.code);
    expect([
      opened.value.get("SELECT count(*) AS n FROM bank_line"),
      opened.value.get("SELECT count(*) AS n FROM customer"),
      opened.value.get("SELECT count(*) AS n FROM document"),
    ]).toEqual([{ n: 1 }, { n: 2 }, { n: 2 }]);
    opened.value.close();
    expect(readdirSync(folder).sort()).toEqual(["asked", "done"]);
  });
  it("refuses a folder that is not there, and a book that is not", () => {
    expect([
      cli.run("watch", "--book", "shop", join(folder, "nowhere")).code,
      cli.run("watch", "--book", "nobody", folder).code,
      cli.run("watch", folder).code,
    ]).toEqual([3, 4, 2]);
  });
});
