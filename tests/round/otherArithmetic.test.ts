import fc from "fast-check";
import { spawnSync } from "node:child_process";

import { day } from "@/core/calendar";
import { periodOf, sheetOf } from "@/server/output/exports";
import { render } from "@/server/output/sheets";

import { History, started, step } from "../support/history";

/** Sums of an export by account, and entry by entry, in another language's decimal arithmetic. */
const PYTHON = `
import csv, io, json, sys
from collections import defaultdict
from decimal import Decimal
accounts, entries = defaultdict(Decimal), defaultdict(Decimal)
for row in csv.DictReader(io.StringIO(sys.stdin.read(), newline="")):
    accounts[row["account_code"]] += Decimal(row["book_amount"])
    entries[row["entry_id"]] += Decimal(row["book_amount"])
print(json.dumps({"accounts": {code: f"{sum:.2f}" for code, sum in accounts.items() if sum != 0}, "off": [entry for entry, sum in entries.items() if sum != 0]}))
`;

const python = spawnSync("python3", ["--version"]).status === 0;

describe("the journal as it is exported", () => {
  (python ? it : it.skip)(
    "foots entry by entry in another language's decimals, and makes the trial balance",
    async () => {
      const book = started();
      const history = new History(book);
      for (const entry of fc.sample(step, { numRuns: 150, seed: 77 })) history.step(entry);
      const period = periodOf(day("2026-12-31"), {});
      const { bytes } = await render(sheetOf(book.db, "journal", period), "csv", "journal");
      const read = spawnSync("python3", ["-c", PYTHON], { input: bytes, encoding: "utf8" });
      expect(read.stderr).toBe("");
      const { accounts, off } = JSON.parse(read.stdout) as {
        accounts: Record<string, string>;
        off: string[];
      };
      const trial = sheetOf(book.db, "trial-balance", period);
      const [code, debit, credit] = ["account_code", "debit", "credit"].map((column) =>
        trial.columns.indexOf(column),
      ) as [number, number, number];
      const expected = Object.fromEntries(
        trial.rows
          .map((row) => [
            row[code] ?? "",
            row[credit] === "0.00" ? (row[debit] ?? "") : `-${row[credit]}`,
          ])
          .filter(([, sum]) => sum !== "0.00"),
      );
      expect([off, accounts]).toEqual([[], expected]);
      book.close();
    },
  );
});
