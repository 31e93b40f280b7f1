import { ChakraProvider } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { useForm } from "react-hook-form";

import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import { Amount, LeftOver, Total } from "./Amount";
import { InBook } from "./book";
import { fieldsOf } from "./checked";
import { DayField, dayFieldOf, LineDay } from "./days";
import { AmountField, Choice, TextField, Tick } from "./fields";
import { LedgerList, type ListColumn } from "./lists/LedgerList";
import { system } from "./theme";

const USD = currencyOf("USD") as Currency;
const EUR = currencyOf("EUR") as Currency;
const TODAY = day("2026-11-24");

/** A part as the server sends it, in a book in USD. */
const html = (part: ReactNode): string =>
  renderToStaticMarkup(
    <ChakraProvider value={system}>
      <InBook book="kestrel-row" currency={USD} today={TODAY}>
        {part}
      </InBook>
    </ChakraProvider>,
  ).replace(/<style[^>]*>.*?<\/style>/gs, "");
/** The words of it, without its elements. */
const words = (part: ReactNode): string =>
  html(part)
    .replace(/<[^>]+>/g, " ")
    .replace(/\s+/g, " ")
    .trim();

describe("sums", () => {
  it.each([
    [128_450, USD, false, "1,284.50"],
    [-128_450, USD, false, "(1,284.50)"],
    [0, USD, false, "0.00"],
    [0, USD, true, "–"],
    // In another currency than the book's its name stands before it.
    [128_450, EUR, false, "EUR 1,284.50"],
  ])("%d in %s, a dash for nothing: %s, is %s", (of, currency, dash, expected) =>
    expect(words(<Amount of={of} currency={currency} dash={dash} />)).toBe(expected),
  );
  it("bear the mark of a sum, so that the page sets their figures below each other", () => {
    expect(html(<Amount of={1} currency={USD} />)).toContain("data-sum");
  });
  it("that are left over are good where nothing is, and off where something is", () => {
    expect(html(<LeftOver of={0} currency={USD} />)).toContain('data-tone="good"');
    expect(html(<LeftOver of={-1} currency={USD} />)).toContain('data-tone="off"');
  });
  it("that are final stand under their rule", () => {
    expect(html(<Total>{"1.00"}</Total>)).toMatch(/data-total="true"/);
    expect(html(<Total large>{"1.00"}</Total>)).toMatch(/data-total="large"/);
  });
});

describe("fields", () => {
  it("have their label, their help, and what was wrong in place", () => {
    const wrong = <TextField label="Business" help="As on letters." error="A name, please." />;
    expect(words(wrong)).toBe("Business As on letters. A name, please.");
    expect(html(wrong)).toMatch(/aria-invalid="true"/);
    expect(html(<TextField label="Business" />)).not.toMatch(/aria-invalid="true"/);
  });
  it("are tied to their label, whatever else is on the page", () => {
    const two = html(
      <>
        <TextField label="One" />
        <TextField label="Two" />
      </>,
    );
    const labels = [...two.matchAll(/for="([^"]+)"/g)].map(([, id]) => id);
    const inputs = [...two.matchAll(/<input[^>]* id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(labels).size).toBe(2);
    expect(inputs).toEqual(labels);
  });
  it("for a choice have each of its words once, in order", () => {
    const choice = html(
      <Choice
        label="By"
        options={[
          ["check", "Check"],
          ["cash", "Cash"],
        ]}
      />,
    );
    expect(
      [...choice.matchAll(/<option[^>]*value="([^"]*)"[^>]*>([^<]*)</g)].map(([, a, b]) => [a, b]),
    ).toEqual([
      ["check", "Check"],
      ["cash", "Cash"],
    ]);
  });
  it("for a sum bring up figures on a phone", () => {
    expect(html(<AmountField label="Sum" currency={USD} />)).toContain('inputMode="decimal"');
    expect(html(<Tick aria-label="All" />)).toContain('type="checkbox"');
  });
});

describe("days in fields", () => {
  const shownIn = (part: ReactNode): string | undefined => / value="([^"]*)"/.exec(html(part))?.[1];
  const nothing = (): void => undefined;

  it("are shown as the page writes them, with the year where it is needed", () => {
    expect(shownIn(<LineDay value={day("2026-11-11")} onDay={nothing} />)).toBe("Wed 11 Nov");
    expect(shownIn(<DayField label="Day" value={day("2025-11-11")} onDay={nothing} />)).toBe(
      "Tue 11 Nov 2025",
    );
    expect(shownIn(<LineDay value="" onDay={nothing} />)).toBe("");
  });
  it("are no field of the browser's own, that writes them in its own way", () => {
    expect(html(<DayField label="Day" value="" onDay={nothing} />)).not.toContain('type="date"');
  });
  it("of a form are tied by name, and empty where the form has none yet", () => {
    function Form({ on }: { on?: string }): ReactNode {
      const form = useForm<{ on: string; by: string }>({ defaultValues: on ? { on } : {} });
      const field = fieldsOf(form);
      return (
        <>
          <DayField label="On" {...dayFieldOf(form, "on")} />
          <TextField label="By" {...field("by")} />
        </>
      );
    }
    expect(shownIn(<Form on="2026-11-24" />)).toBe("Tue 24 Nov");
    expect(shownIn(<Form />)).toBe("");
    expect(html(<Form />)).toContain('name="by"');
  });
});

describe("a list", () => {
  type Row = { id: number; name: string; sum: number };
  const columns: ListColumn<Row>[] = [
    { id: "name", header: "Customer", cell: (row) => row.name, foot: "2 customers" },
    {
      id: "sum",
      header: "Open",
      number: true,
      cell: (row) => <Amount of={row.sum} currency={USD} />,
      foot: <Total>{"3.00"}</Total>,
    },
  ];
  const list = (rows: Row[]): ReactNode => (
    <LedgerList<Row>
      label="Customers"
      rows={rows}
      idOf={({ id }) => id}
      columns={columns}
      empty={<p>Nobody owes anything.</p>}
    />
  );
  const ROWS = [
    { id: 1, name: "Alder Lane", sum: minor(100) },
    { id: 2, name: "A name of sixty letters that goes on and on and on, and then on", sum: 200 },
  ];

  it("has a row for each, its heads above and its total below", () => {
    const text = words(list(ROWS));
    expect(text).toMatch(/^Customer Open Alder Lane 1\.00 .* 2\.00 2 customers 3\.00$/);
    expect(html(list(ROWS)).match(/<tr/g)).toHaveLength(4);
  });
  it("sets its sums to the right by a mark on the cell, which stays a plain cell", () => {
    const text = html(list(ROWS));
    expect(text.match(/<td[^>]*data-numeric/g)?.length).toBeGreaterThanOrEqual(2);
    expect(text).not.toMatch(/<td[^>]*class=/);
  });
  it("says in its place that there is nothing", () => {
    expect(words(list([]))).toContain("Nobody owes anything.");
  });
});
