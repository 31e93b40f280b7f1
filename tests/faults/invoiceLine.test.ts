import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { readUbl } from "@/core/formats";

import { Cli } from "../support/cli";

const cli = new Cli();
const HEAD =
  "document,customer_id,issued_on,terms,due_on,currency,po_number,item,description,quantity,rate,discount_percent,tax_code,tax_percent\n";
const ORDERS = `${HEAD}A,C1,2026-11-20,2/10 n/30,,,PO9,,Clay,3,0.335,,TX,8.25\nA,,,,,,,,Glaze,2.5,19.999999,10,TX,\nB,C9,2026-11-20,now,,,,,Kiln,1,4800,,,\n`;

beforeAll(() => cli.make("shop"));

it("makes drafts of orders, approves them when told to, and doubles nothing; a refusal is exit code 1", () => {
  const file = cli.file("orders.csv", ORDERS);
  const drafted = cli.run("invoice", "--book", "shop", "--json", file);
  expect([drafted.code, JSON.parse(drafted.out)]).toMatchObject([
    1,
    [
      {
        document: "A",
        number: null,
        state: "draft",
        issued_on: "2026-11-20",
        due_on: "2026-12-20",
      },
    ],
  ]);
  expect(drafted.err).toMatch(/orders\.csv: B, row 4, customer_id: There is no customer “C9”/);
  const approved = cli.run("invoice", "--book", "shop", "--approve", "--json", file);
  const [first] = JSON.parse(approved.out) as { number: string; link: string }[];
  expect(first).toMatchObject({
    document: "A",
    number: "INV-2026-0001",
    state: "approved",
    net: "46.01",
    tax: "3.80",
    total: "49.81",
  });
  expect(first?.link).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/account\/[0-9a-f]{48}$/);
  expect(cli.run("invoice", "--book", "shop", "--approve", "--json", file).out).toBe(approved.out);
  expect(cli.run("check", "--book", "shop").code).toBe(0);
});

it("gives an approved document as UBL and as PDF; of another number it says so", () => {
  const out = join(cli.data, "paper");
  const give = (format: string, number: string): number | null =>
    cli.run("export", format, "--book", "shop", "--number", number, "--out", out).code;
  expect([give("ubl", "INV-2026-0001"), readUbl(readFileSync(out, "utf8"))]).toMatchObject([
    0,
    { ok: true, value: { number: "INV-2026-0001", total: 4981 } },
  ]);
  expect([give("pdf", "INV-2026-0001"), readFileSync(out).subarray(0, 8).toString()]).toEqual([
    0,
    "%PDF-1.7",
  ]);
  expect([give("ubl", "INV-9"), cli.run("export", "ubl", "--book", "shop").code]).toEqual([3, 2]);
});

it("says what a file is not, with exit code 3", () => {
  for (const text of ["", "a,b\n1,2\n", "{", "[]"]) {
    const done = cli.run("invoice", "--book", "shop", "--json", cli.file("wrong.csv", text));
    expect([done.code, done.err.length > 20]).toEqual([3, true]);
  }
  const missing = join(cli.data, "missing.csv");
  expect([existsSync(missing), cli.run("invoice", "--book", "shop", missing).code]).toEqual([
    false,
    3,
  ]);
  expect(cli.run("invoice", "--book", "shop").code).toBe(2);
});
