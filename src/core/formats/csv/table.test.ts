import fc from "fast-check";

import { decodeText, readTable } from "..";

/**
 * A table written by RFC 4180's own rules: a cell with the delimiter, a quote or a line end stands
 * in quotes, and quotes in it are doubled.
 */
const written = (rows: readonly (readonly string[])[], delimiter: string, end: string): string =>
  rows
    .map((cells) =>
      cells
        .map((cell) => (/["\r\n,;\t|]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell))
        .join(delimiter),
    )
    .join(end) + end;
const cell = fc.string({
  unit: fc.constantFrom("a", "B", "7", " ", ",", ";", "|", '"', "é", "\n", "ß", "."),
  maxLength: 6,
});

describe("tables as files give them (RFC 4180)", () => {
  it("come out as they went in, whatever stands between cells, at the ends of lines, or within quotes", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 5 }),
        fc.array(fc.array(cell, { minLength: 5, maxLength: 5 }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom(",", ";", "\t", "|"),
        fc.record({ end: fc.constantFrom("\n", "\r\n"), marked: fc.boolean() }),
        (columns, cells, delimiter, { end, marked }) => {
          const headers = ["invoice", "issued", "total", "po", "memo"].slice(0, columns);
          const rows = cells.map((row) => row.slice(0, columns));
          const read = readTable(
            `${marked ? "\ufeff" : ""}${written([headers, ...rows], delimiter, end)}`,
          );
          const kept = rows.filter((row) => row.some((name) => name.trim() !== ""));
          // Words alone above the lines are the name of a group: that is told of elsewhere.
          fc.pre(kept[0]?.filter((name) => name.trim() !== "").length !== 1);
          if (kept.length === 0)
            expect(read).toMatchObject({ ok: false, error: { code: "file.no_rows" } });
          else
            expect(
              read.ok && [read.value.headers, read.value.rows.map((row) => row.cells)],
            ).toEqual([headers, kept]);
        },
      ),
      { numRuns: 300 },
    );
  });
  it("number their records as a spreadsheet does, blank lines counted", () => {
    const read = readTable("a,b\n1,2\n,\n3,4\n");
    expect(read.ok && read.value.rows.map(({ line }) => line)).toEqual([2, 4]);
  });
  it.each<[string, string, string]>([
    ["nothing", "", "file.empty"],
    ["blanks alone", " \n\n", "file.empty"],
    ["a head and nothing below it", "a,b\n", "file.no_rows"],
    ["no names at all", ",,\n1,2,3\n", "file.headers"],
    ["a quote that is never closed", 'a,b\n"1,2\n3,4\n', "file.quotes"],
    [
      "more columns than any file of the trade",
      `${Array.from({ length: 151 }, (_, at) => `c${at}`).join(",")}\n1\n`,
      "file.columns",
    ],
  ])("%s is refused with its reason", (_case, text, code) =>
    expect(readTable(text)).toMatchObject({ ok: false, error: { code } }),
  );
});

describe("bytes as text", () => {
  it("UTF-8 with and without its mark, and UTF-16 with one, read the same", () => {
    const text = "Größe;Où\n1;2\n";
    const utf16 = Buffer.from(`\ufeff${text}`, "utf16le");
    const swapped = Buffer.from(utf16).swap16();
    for (const bytes of [Buffer.from(text), Buffer.from(`\ufeff${text}`), utf16, swapped]) {
      const decoded = decodeText(bytes);
      const table = decoded.ok ? readTable(decoded.value) : decoded;
      expect(table.ok && [table.value.headers, table.value.rows[0]?.cells]).toEqual([
        ["Größe", "Où"],
        ["1", "2"],
      ]);
    }
  });
  it("names that stand twice are told apart", () => {
    const read = readTable("a,b,a\n1,2,3\n");
    expect(read.ok && read.value.headers).toEqual(["a", "b", "a (2)"]);
  });
  it("what is no UTF-8 is refused with the line, and what is no text at all as such", () => {
    expect(
      decodeText(
        Buffer.concat([Buffer.from("a,b\n1,2\nGr"), Buffer.from([0x81]), Buffer.from("n\n")]),
      ),
    ).toEqual({ ok: false, error: { code: "file.encoding", line: 3 } });
    expect(decodeText(Buffer.from([0x50, 0x4b, 3, 4, 0, 0]))).toMatchObject({
      ok: false,
      error: { code: "file.zip" },
    });
    expect(decodeText(Buffer.alloc(0))).toMatchObject({ ok: false, error: { code: "file.empty" } });
  });
  it("any bytes are text or refused", () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        const decoded = decodeText(bytes);
        if (decoded.ok) expect(typeof decoded.value).toBe("string");
        else expect(["file.empty", "file.encoding", "file.binary"]).toContain(decoded.error.code);
      }),
    );
  });
});

describe("a list that is printed in columns", () => {
  const PRINTED = [
    "FIRST BANK OF DOVER          ACCOUNT ACTIVITY         PAGE 1",
    "",
    "DATE      DESCRIPTION             WITHDRAWN    DEPOSITED",
    "--------  ----------------------  ---------  -----------",
    "10/13/26  ACH Alder & Finch                       116.81",
    "10/14/26  Rent  October               510.24",
    "10/15/26  ACH Brook, Cedar & Co                  1,637.31",
    "Totals                                510.24     1,754.12",
  ].join("\n");
  const rowsOf = (text: string): unknown => {
    const table = readTable(text);
    return table.ok ? table.value.rows.map(({ cells }) => cells) : table.error.code;
  };
  it("has its cells where its heads stand, whatever is empty or stands over an edge", () => {
    const table = readTable(PRINTED);
    expect(table.ok && [table.value.headLine, table.value.headers]).toEqual([
      3,
      ["DATE", "DESCRIPTION", "WITHDRAWN", "DEPOSITED"],
    ]);
    expect(rowsOf(PRINTED)).toEqual([
      ["--------", "----------------------", "---------", "-----------"],
      ["10/13/26", "ACH Alder & Finch", "", "116.81"],
      ["10/14/26", "Rent October", "510.24", ""],
      ["10/15/26", "ACH Brook, Cedar & Co", "", "1,637.31"],
      ["Totals", "", "510.24", "1,754.12"],
    ]);
  });
  it("has names of groups, pages and words that go on, each for what it is", () => {
    const text = [
      "OPEN INVOICES      AS OF 11/30/2026     PAGE 1",
      "INVOICE   DATE        NOTE              AMOUNT",
      "CUSTOMER: Ada",
      "50000     11/13/2026  Mugs               20.00",
      "                      and bowls",
      "          CUSTOMER TOTAL                 20.00",
      "OPEN INVOICES      AS OF 11/30/2026     PAGE 2",
      "CUSTOMER: Bo",
      "51000     11/14/2026  Plates             30.00",
    ].join("\n");
    expect(rowsOf(text)).toEqual([
      ["CUSTOMER: Ada", "", "", "", ""],
      ["50000", "11/13/2026", "Mugs", "20.00", "Ada"],
      ["", "", "and bowls", "", ""],
      ["", "CUSTOMER TOTAL", "", "20.00", "Ada"],
      ["OPEN INVOICES      AS OF 11/30/2026     PAGE 2", "", "", "", ""],
      ["CUSTOMER: Bo", "", "", "", ""],
      ["51000", "11/14/2026", "Plates", "30.00", "Bo"],
    ]);
  });
  it("is no list with letters between its cells", () => {
    const padded = "Date,Name,Amount\n10/13/2026,Ada   of   Dover  ,1.00\n10/14/2026,Bo  ,2.00\n";
    expect(rowsOf(padded)).toEqual([
      ["10/13/2026", "Ada   of   Dover  ", "1.00"],
      ["10/14/2026", "Bo  ", "2.00"],
    ]);
    expect(rowsOf('Id, Name\n"1", "Ada, B"\n"2", "Cy"\n')).toEqual([
      ["1", "Ada, B"],
      ["2", "Cy"],
    ]);
    expect(rowsOf('Id, Name\n"1", "a ""b"", ""c"""\n')).toEqual([["1", 'a "b", "c"']]);
    // A quote within a cell of several lines is none at its edge.
    expect(rowsOf('Id,Name\n"1","a\n"", ""\n"\n')).toEqual([["1", 'a\n", "\n']]);
    expect(rowsOf("Id^Name\n1^Ada\n2^Bo\n")).toEqual([
      ["1", "Ada"],
      ["2", "Bo"],
    ]);
  });
});

describe("a head of two rows", () => {
  it("has the name of each column from both", () => {
    const read = readTable(
      "Customer,Invoice,Invoice,Due,Invoice,Open\nName,No.,Date,Date,Amount,Amount\nAda,1,10/05/2026,11/04/2026,5.00,5.00\n",
    );
    expect(read.ok && read.value.headers).toEqual([
      "Name",
      "No.",
      "Invoice Date",
      "Due Date",
      "Invoice Amount",
      "Open Amount",
    ]);
    expect(read.ok && read.value.rows).toHaveLength(1);
  });
});
