import { ChakraProvider } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";

import { type Currency, currencyOf, formatAmount, minor, sumOf } from "@/core/money";

import { system } from "../kit/theme";
import { CashTable, GrossTable, TaxTable } from "./YearTables";

const USD = currencyOf("USD") as Currency;
const amount = (of: number): string => formatAmount(of, USD, { dash: true });

/** The cells of a table as they are read, row by row. */
function rowsOf(part: ReactNode): string[][] {
  const html = renderToStaticMarkup(<ChakraProvider value={system}>{part}</ChakraProvider>);
  return [...html.matchAll(/<tr[^>]*>(.*?)<\/tr>/gs)].map(([, row = ""]) =>
    [...row.matchAll(/<t[hd][^>]*>(.*?)<\/t[hd]>/gs)].map(([, cell = ""]) =>
      cell.replace(/<[^>]+>/g, "").trim(),
    ),
  );
}
const months = (...cents: number[]): ReturnType<typeof minor>[] =>
  Array.from({ length: 12 }, (_, at) => minor(cents[at] ?? 0));

describe("gross receipts of a year", () => {
  const gross = [
    { account: "card account", months: months(10_000, 0, 5000), sum: minor(15_000) },
    { account: "ACH account", months: months(0, 2500, 250), sum: minor(2750) },
  ];
  const rows = rowsOf(
    <GrossTable book="kestrel-row" amount={amount} currency={USD} gross={gross} year="2026" />,
  );

  it("have a row for each month, a column for each account, and all of them together", () => {
    expect(rows[0]).toEqual(["Month", "card account", "ACH account", "All"]);
    expect(rows).toHaveLength(14);
    expect(rows[1]).toEqual(["Jan", "100.00", "–", "100.00"]);
    expect(rows[3]).toEqual(["Mar", "50.00", "2.50", "52.50"]);
    expect(rows[12]).toEqual(["Dec", "–", "–", "–"]);
  });
  it("foot down and across: the year is the sum of its months and of its accounts", () => {
    expect(rows[13]).toEqual(["2026", "150.00", "27.50", "177.50"]);
    const cents = (text: string): number => Math.round(Number(text.replace("–", "0")) * 100);
    const across = sumOf(rows.slice(1, 13), (row) => cents(row[3] ?? ""));
    expect(across).toBe(cents(rows[13]?.[3] ?? ""));
  });
});

describe("income on the cash basis", () => {
  it("is what was paid less the tax in it, month by month and for the year", () => {
    const cash = {
      months: [
        { month: "2026-01", received: minor(10_600), tax: minor(600), income: minor(10_000) },
        { month: "2026-02", received: minor(-500), tax: minor(0), income: minor(-500) },
      ],
      received: minor(10_100),
      tax: minor(600),
      income: minor(9500),
    };
    expect(
      rowsOf(
        <CashTable book="kestrel-row" amount={amount} cash={cash} currency={USD} year="2026" />,
      ).slice(1),
    ).toEqual([
      ["Jan", "106.00", "6.00", "100.00"],
      ["Feb", "(5.00)", "–", "(5.00)"],
      ["2026", "101.00", "6.00", "95.00"],
    ]);
  });
});

describe("tax payable", () => {
  it("has what was charged, what was taken off, and what is owed, account by account", () => {
    const tax = [
      {
        code: "2200",
        name: "Sales tax",
        charged: minor(60_000),
        less: minor(1250),
        balance: minor(58_750),
      },
    ];
    const rows = rowsOf(<TaxTable book="kestrel-row" currency={USD} amount={amount} tax={tax} />);
    expect(rows[0]?.slice(0, 3)).toEqual(["Code", "Charged", "Taken off"]);
    expect(rows[1]?.join(" ")).toMatch(/2200.*600\.00.*12\.50.*587\.50/);
  });
  it("of nine digits is grouped, and never cut", () => {
    const tax = [
      {
        code: "2200",
        name: "Sales tax",
        charged: minor(123_456_789_01),
        less: minor(0),
        balance: minor(123_456_789_01),
      },
    ];
    expect(
      rowsOf(<TaxTable book="kestrel-row" currency={USD} amount={amount} tax={tax} />)[1]?.join(
        " ",
      ),
    ).toContain("123,456,789.01");
  });
});
