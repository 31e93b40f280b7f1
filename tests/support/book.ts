import { createHash, randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { ImportReport } from "@/contracts/arrivals";
import { day } from "@/core/calendar";
import { type FileKind, formatOf, guessMapping, type MappingSpec } from "@/core/formats";
import type { Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { proofs } from "@/server/books/queries/proofs";
import { type CommandName, COMMANDS, type InputOf, type OutputOf } from "@/server/commands";
import { proposalsOf } from "@/server/match/proposals";
import { createBook, openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { keptFile } from "@/server/runtime/folders";

type BookSettings = Partial<Parameters<typeof createBook>[1]>;

function opened(book: Result<Db>): Db {
  if (!book.ok) throw new Error(book.error.code);
  return book.value;
}

export type Take = { account?: string; rehearse?: boolean; mapping?: Partial<MappingSpec> };

/** A book of its own in a scratch folder, worked through the same use cases as the pages. */
export class TestBook {
  readonly name = "test-book";
  private readonly folder = mkdtempSync(join(tmpdir(), "dozo-"));
  readonly db: Db;

  constructor(settings: BookSettings | { from: string } = {}) {
    process.env.DOZO_DATA = this.folder;
    if ("from" in settings) {
      cpSync(settings.from, this.folder, { recursive: true });
      this.db = opened(openBookToWrite(this.name));
      return;
    }
    this.db = opened(
      createBook(this.name, {
        name: "Test",
        currency: "USD",
        timeZone: "America/Chicago",
        cutOverOn: "2026-10-31",
        replyTo: "accounts@test.example",
        clock: "2026-11-24",
        ...settings,
      }),
    );
  }

  /** Leaves what it is as a template for others, which are copies of it, and ends. */
  asTemplate(): string {
    this.db.close();
    return this.folder;
  }

  /** With a bank account, a card account and an ACH account. */
  static ready(): TestBook {
    const book = new TestBook();
    book.must("addBankAccount", {
      code: "operating",
      name: "Operating bank",
      openingBalance: 100_000,
    });
    book.must("addProcessorAccount", {
      code: "card",
      name: "card account",
      delayDays: 2,
      descriptor: null,
    });
    book.must("addProcessorAccount", {
      code: "ach",
      name: "ACH account",
      delayDays: 1,
      descriptor: null,
    });
    return book;
  }

  close(): void {
    this.db.close();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** The same book, with another person at work. */
  as(actor: string): Pick<TestBook, "do"> {
    return { do: (name, input, key, how) => this.do(name, input, key, { ...how, actor }) };
  }

  do<Name extends CommandName>(
    name: Name,
    input: InputOf<Name>,
    key: string = randomUUID(),
    { rehearse = false, actor = "tester" }: { rehearse?: boolean; actor?: string } = {},
  ): Result<OutputOf<Name>> {
    return runCommand(this.db, COMMANDS[name] as never, input, {
      book: this.name,
      actor,
      key,
      rehearse,
    }) as Result<OutputOf<Name>>;
  }

  must<Name extends CommandName>(name: Name, input: InputOf<Name>): OutputOf<Name> {
    const done = this.do(name, input);
    if (!done.ok) throw new Error(`${name}: ${JSON.stringify(done.error)}`);
    return done.value;
  }

  keep(text: string | Uint8Array): { sha256: string; size: number } {
    const bytes = Buffer.from(text);
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    writeFileSync(keptFile(this.name, sha256), bytes);
    return { sha256, size: bytes.length };
  }

  /** Takes a CSV in by the mapping that is guessed for it. */
  take(
    kind: FileKind,
    text: string,
    { account, rehearse = false, mapping = {} }: Take = {},
  ): Result<ImportReport> {
    const table = formatOf(text).read(text);
    if (!table.ok) return table;
    const to = account ?? accountFor(kind);
    return this.do(
      "importFile",
      {
        ...this.keep(text),
        name: `${kind}.csv`,
        mapping: { ...guessMapping(table.value, kind), ...mapping },
        account: to,
      },
      randomUUID(),
      { rehearse },
    );
  }

  mustTake(kind: FileKind, text: string, more: Take = {}): ImportReport {
    const done = this.take(kind, text, more);
    if (!done.ok) throw new Error(JSON.stringify(done.error));
    return done.value;
  }

  /** The balance of an account's role in minor units, debit positive. */
  balance(role: string): number {
    return (
      this.db.get<{ sum: number }>(
        "SELECT coalesce(sum(balance), 0) AS sum FROM account_now WHERE role = ?",
        role,
      )?.sum ?? 0
    );
  }

  balances(): Record<string, number> {
    return Object.fromEntries(
      this.db
        .all<{ role: string; sum: number }>(
          "SELECT role, sum(balance) AS sum FROM account_now GROUP BY role HAVING sum(balance) <> 0 ORDER BY role",
        )
        .map(({ role, sum }) => [role, sum]),
    );
  }

  broken(): string[] {
    return proofs(this.db)
      .proofs.filter(({ holds }) => !holds)
      .map(({ name, off }) => `${name} off by ${off}`);
  }

  proposals(): ReturnType<typeof proposalsOf> {
    return proposalsOf(this.db);
  }

  id(
    table:
      | "customer"
      | "open_item"
      | "receipt"
      | "payout"
      | "bank_line"
      | "import_file"
      | "processor_item",
    where: string,
  ): number {
    const found = this.db.get<{ id: number }>(`SELECT id FROM ${table} WHERE ${where}`);
    if (!found) throw new Error(`no ${table} where ${where}`);
    return found.id;
  }
}

export const TODAY = day("2026-11-24");

export const CUSTOMERS =
  "customer_id,name,email,parent_id\r\nC1,Alder Lane Pottery School,office@alderlane.example,\r\nC2,Heron Point Studio,heron@mail.example,\r\nC3,Brightwater Unified,pay@brightwater.example,\r\nC4,Brightwater North Campus,,C3\r\n";
export const INVOICES =
  "invoice_number,customer_id,issued_on,due_on,currency,total,balance,tax,terms\r\n20401,C1,2026-10-01,2026-10-31,USD,864.50,864.50,0.00,n/30\r\n20402,C1,2026-11-02,2026-12-02,USD,106.00,106.00,6.00,n/30\r\n20403,C2,2026-10-20,2026-11-19,USD,300.00,120.00,0.00,n/30\r\n20404,C4,2026-11-03,2026-12-03,USD,500.00,500.00,0.00,2/10 n/30\r\n20405,C3,2026-11-03,2026-12-03,USD,250.00,250.00,0.00,2/10 n/30\r\nCN-9,C1,2026-11-05,2026-11-05,USD,-10.00,-10.00,0.00,n/30\r\n";
export const CHARGES =
  "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id,Original id\r\nch_1,Charge,11/16/2026,864.50,25.37,839.13,Alder Lane Pottery School,office@alderlane.example,invoice 20401,po_1,\r\nch_2,Charge,11/16/2026,120.00,3.78,116.22,Heron Point Studio,heron@mail.example,,po_1,\r\nch_3,Charge,11/17/2026,84.00,2.74,81.26,Jo Amberley,,workshop,po_2,\r\n";
export const STATEMENT =
  "Date,Description,Money out,Money in,Balance\r\n11/18/2026,PROC PAYOUT PO_1,,955.35,1955.35\r\n11/18/2026,ACH CREDIT BRIGHTWATER UNIF 20404 20405,,750.00,2705.35\r\n11/19/2026,PAYROLL,500.00,,2205.35\r\n11/19/2026,PROC PAYOUT PO_2,,81.26,2286.61\r\n";

function accountFor(kind: FileKind): string | null {
  if (kind === "processor") return "card";
  return kind === "bank" ? "operating" : null;
}

/** A book with customers and invoices for each test of a file; every proof holds at the end of each. */
export function eachBook(use: (book: TestBook) => void): void {
  let book: TestBook;
  let template = "";
  // Made once a file and copied for each test, which takes a tenth of the time.
  beforeAll(() => {
    const first = TestBook.ready();
    first.mustTake("customers", CUSTOMERS);
    first.mustTake("invoices", INVOICES);
    template = first.asTemplate();
  });
  afterAll(() => rmSync(template, { recursive: true, force: true }));
  beforeEach(() => {
    book = new TestBook({ from: template });
    use(book);
  });
  afterEach(() => {
    expect(book.broken()).toEqual([]);
    book.close();
  });
}
