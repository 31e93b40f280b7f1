import { readFileSync } from "node:fs";
import { join } from "node:path";

import { readPdf as read } from "../../../tests/support/pdfReader";
import { sheetAsPdf } from "./pdf";
import { unpackedFont } from "./sfnt";

describe("a report as a PDF", () => {
  it("carries its heading, every row and the totals, which are the sums of the rows", async () => {
    const sheet = {
      columns: ["account_code", "account_name", "debit", "credit"],
      rows: [
        ["1200", "Accounts receivable", "81041.99", "0.00"],
        ["2110", "Receipts not identified", "0.00", "18318.77"],
        ["4000", "Sales", "0.00", "62723.22"],
      ],
    };
    const { pages, text } = read(
      await sheetAsPdf(sheet, {
        title: "Trial balance",
        under: "Kestrel Row Clay & Kiln, as of 2026-11-24",
        sums: ["debit", "credit"],
      }),
    );
    expect(pages).toBe(1);
    for (const words of [
      "Trial balance",
      "Kestrel Row Clay & Kiln, as of 2026-11-24",
      "account code",
      "Receipts not identified",
      "81,041.99",
      "18,318.77",
      "62,723.22",
      "Total",
    ])
      expect(text).toContain(words);
    expect(text.split("81,041.99").length - 1).toBe(3);
  });
  it("goes over pages, its heading on each, and writes names as they are", async () => {
    const rows = Array.from({ length: 120 }, (_, at) => [`Zołnierz ${at}`, `${at}.50`]);
    const { pages, text } = read(
      await sheetAsPdf(
        { columns: ["customer", "total"], rows },
        { title: "Aging", under: "", sums: ["total"] },
      ),
    );
    expect([pages > 1, text.split("customer").length - 1]).toEqual([true, pages]);
    expect(text).toMatch(/Zołnierz 119/);
    expect(text).toContain("7,200.00");
  });
});

describe("the font that is printed with", () => {
  const woff = readFileSync(
    join(process.cwd(), "node_modules/@fontsource/figtree/files/figtree-latin-400-normal.woff"),
  );
  it("is unpacked to tables whose checksums are those it came with (OpenType, table directory; a sum of 32-bit words)", () => {
    const font = unpackedFont(woff);
    const count = font.readUInt16BE(4);
    expect([font.readUInt32BE(0), count > 8]).toEqual([0x00010000, true]);
    for (let at = 0; at < count; at += 1) {
      const entry = 12 + at * 16;
      const [tag, checksum, offset, length] = [
        font.toString("latin1", entry, entry + 4),
        font.readUInt32BE(entry + 4),
        font.readUInt32BE(entry + 8),
        font.readUInt32BE(entry + 12),
      ];
      let sum = 0;
      for (let word = offset; word < offset + length; word += 4)
        sum = (sum + font.readUInt32BE(word)) >>> 0;
      // The head table's own field for the whole font's checksum is left out of its sum.
      if (tag === "head") sum = (sum - font.readUInt32BE(offset + 8)) >>> 0;
      expect({ tag, sum }).toEqual({ tag, sum: checksum });
    }
  });
  it("is nothing else than a packed font", () =>
    expect(() => unpackedFont(Buffer.alloc(60))).toThrow(RangeError));
});
