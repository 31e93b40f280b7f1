import fc from "fast-check";

import { mended, readTable } from "..";

const LIST = 'Kestrel Row,,\nDate,Sum,Memo\n2026-11-02,12.0x,"a ""b"", c"\n2026-11-03,5.00,\n';

describe("a cell that is mended", () => {
  it("is written anew, and all else stays as it came", () => {
    const whole = mended(LIST, { line: 3, column: "Sum", cell: "12.00" });
    const read = whole.ok ? readTable(whole.value) : whole;
    expect(read.ok && [read.value.headLine, read.value.rows]).toEqual([
      2,
      [
        { line: 3, cells: ["2026-11-02", "12.00", 'a "b", c'] },
        { line: 4, cells: ["2026-11-03", "5.00", ""] },
      ],
    ]);
  });
  it("goes by the head that was said", () => {
    const cell = { line: 2, column: "Column 2", cell: "Total", head: 0 };
    const whole = mended(LIST, cell);
    const read = whole.ok ? readTable(whole.value) : whole;
    expect(read.ok && read.value.headers).toEqual(["Date", "Total", "Memo"]);
    expect(mended(LIST, { ...cell, head: 2 })).toMatchObject({ error: { code: "mend.cell" } });
  });
  it.each([
    { line: 2, column: "Sum" },
    { line: 9, column: "Sum" },
    { line: 0, column: "Sum" },
    { line: 3, column: "Total" },
  ])("is none at %j", (place) => {
    expect(mended(LIST, { ...place, cell: "1" })).toMatchObject({ error: { code: "mend.cell" } });
  });
  it("may hold whatever parts cells and lines", () => {
    const cell = fc.string({
      unit: fc.constantFrom("a", ",", ";", '"', "\n", "é", "1"),
      maxLength: 8,
    });
    fc.assert(
      fc.property(cell, fc.constantFrom(",", ";", "\t"), (written, delimiter) => {
        const text = LIST.replaceAll(",", delimiter).replace(/"[^\n]*"/, "note");
        const whole = mended(text, { line: 3, column: "Memo", cell: written });
        const read = whole.ok ? readTable(whole.value) : whole;
        expect(read.ok && read.value.rows[0]?.cells[2]).toBe(written);
      }),
    );
  });
});
