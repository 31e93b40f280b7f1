import { dayText, isoText } from "./days";
import { numberFormat, shownNumber } from "./numberFormat";
import { SheetReader } from "./sheet";
import { StringsReader } from "./strings";

describe("a number of a workbook says what its sheet shows", () => {
  // Codes: ECMA-376, part 1, 18.8.31, from memory; what they show: common practice, no source.
  it.each<[code: string, value: number, text: string]>([
    ["General", 12.5, "12.5"],
    ["General", 0.1 + 0.2, "0.3"],
    ["#,##0.00", 1234.5, "1234.50"],
    ["#,##0.00", -1234.5, "-1234.50"],
    ["#,##0.00;[Red]#,##0.00", -5, "-5.00"],
    ["#,##0.00_);(#,##0.00)", -5, "-5.00"],
    ["#,##0.00;#,##0.00-", -5, "-5.00"],
    ["-#,##0.00", 5, "-5.00"],
    ["+#,##0.00;-#,##0.00", 5, "5.00"],
    ["0.000", 1.125, "1.125"],
    ["0.00", 10.005, "10.005"],
    // A currency that stands in the format alone.
    ['"€"#,##0.00', 5, "€5.00"],
    ["#,##0.00\\ [$€-407]", 5, "5.00 €"],
    ["#,##0.00\\ [$€-407];-#,##0.00\\ [$€-407]", -5, "-5.00 €"],
    ["[$GBP]\\ #,##0.00", 5, "GBP 5.00"],
    ['"$"#,##0.00_);[Red]("$"#,##0.00)', -5, "-$5.00"],
    ["[$$-409]#,##0.00", 5, "USD 5.00"],
    ["[$$-1009]#,##0.00", 5, "CAD 5.00"],
    ["[$$-en-AU]#,##0.00", -5, "-AUD 5.00"],
    ["[$¥-411]#,##0", 500, "JPY 500"],
    ["#,##0.00\\ [$kr-41D]", 5, "5.00 SEK"],
    ["[$¥]#,##0", 500, "¥500"],
    ['#,##0.00 "EUR";[Red]#,##0.00 "EUR"', -5, "-5.00 EUR"],
    ['_-* #,##0.00_-;\\-* #,##0.00_-;_-* "-"??_-;_-@_-', 0, "0.00"],
    ['_-* #,##0.00_-;\\-* #,##0.00_-;_-* "-"??_-;_-@_-', -7, "-7.00"],
    // Sides in words.
    ['#,##0.00"CR"', 5, "5.00 CR"],
    ['#,##0.00"DR";#,##0.00"CR"', -5, "5.00 CR"],
    // Names and no sums.
    ["00000", 401, "00401"],
    ['"INV-"0000', 401, "INV-0401"],
    ["000-00-000", 12345678, "123-45-678"],
    ["0000", 123456, "123456"],
    // What is only shown shorter.
    ['#,##0,"k"', 12_345, "12345"],
    ["0%", 0.029, "2.9%"],
    ["0.00%", 0.5, "50%"],
    ['[=1]"Paid";[=0]"Open"', 0, "Open"],
    ["[<1000]0.00;[>=1000]#,##0", 2000, "2000.00"],
    ["0", 1.5e19, "1.5E+19"],
    ['0 "days"', 30, "30 days"],
    // Days, in whatever order they are shown.
    ["dd/mm/yyyy", 46_328, "2026-11-02"],
    ["[$-F800]dddd\\,\\ mmmm\\ dd\\,\\ yyyy", 46_328, "2026-11-02"],
    ["[$-409]d\\-mmm\\-yy;@", 46_328, "2026-11-02"],
    ["m/d/yy h:mm", 46_328.75, "2026-11-02 18:00"],
    ["[h]:mm", 1.5, "1.5"],
  ])("%s of %d is %s", (code, value, text) =>
    expect(shownNumber(value, numberFormat(code), false)).toBe(text),
  );
});

describe("serials of days", () => {
  // Known points of both systems; 60 is the 29 February 1900 that never was (ECMA-376, 18.17.4.1, from memory).
  it.each<[number, boolean, string | null]>([
    [1, false, "1900-01-01"],
    [59, false, "1900-02-28"],
    [61, false, "1900-03-01"],
    [25_569, false, "1970-01-01"],
    [43_831, false, "2020-01-01"],
    [42_369, true, "2020-01-01"],
    [0, true, "1904-01-01"],
    [43_831.999_99, false, "2020-01-01 23:59"],
    [0.5, false, "12:00"],
    [-1, false, null],
    [2_958_466, false, null],
  ])("%d, counted from 1904: %s, is %s", (serial, is1904, text) =>
    expect(dayText(serial, is1904)).toBe(text),
  );
});

/** The rows of a sheet from its XML, told in pieces of a size. */
function sheet(xml: string, { piece = 7, strings = [] as string[] } = {}): SheetReader {
  const reader = new SheetReader(
    { strings, formats: [numberFormat("General"), numberFormat("m/d/yy")], is1904: false },
    1000,
  );
  for (let at = 0; at < xml.length; at += piece)
    if (!reader.write(xml.slice(at, at + piece))) break;
  reader.end();
  return reader;
}
const SPACE = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
const data = (rows: string, after = ""): string =>
  `<worksheet ${SPACE}><sheetData>${rows}</sheetData>${after}</worksheet>`;

describe("a sheet", () => {
  const CELLS =
    '<row r="2"><c r="B2" t="s"><v>1</v></c><c r="D2" t="inlineStr"><is><r><t>two </t></r><r><t>parts</t></r><rPh sb="0" eb="1"><t>spoken</t></rPh></is></c></row>';
  it("has its cells where their references say, or behind what stands before them", () => {
    expect(sheet(data(CELLS), { strings: ["no", "yes "] }).rows).toEqual([
      [],
      ["", "yes", "", "two parts"],
    ]);
    const bare = data("<row><c><v>1</v></c><c/><c><v>3</v></c></row><row><c><v>4</v></c></row>");
    expect(sheet(bare).rows).toEqual([["1", "", "3"], ["4"]]);
  });
  it("is the same under any prefix", () => {
    const prefixed = data(CELLS)
      .replace("xmlns=", "xmlns:x=")
      .replaceAll(/<(\/?)(?=[a-zA-Z])/g, "<$1x:");
    expect(sheet(prefixed, { strings: ["no", "yes"] }).rows[1]?.[1]).toBe("yes");
  });
  it("tells days, what formulas came to, and what came to nothing", () => {
    const row =
      '<row><c s="1"><v>46328</v></c><c t="d"><v>2026-11-02T14:30:00</v></c><c t="str"><f>A1&amp;"x"</f><v>ax</v></c>' +
      '<c><f>SUM(A1:A9)</f></c><c t="e"><v>#REF!</v></c><c t="b"><v>1</v></c><c><f>1+1</f><v>2</v></c></row>';
    expect(sheet(data(row)).rows).toEqual([
      ["2026-11-02", "2026-11-02 14:30", "ax", "=SUM(A1:A9)", "#REF!", "yes", "2"],
    ]);
  });
  it("says which of its lines it hides, and no more rows than have something", () => {
    const rows =
      '<row hidden="1"><c><v>1</v></c></row><row><c><v>2</v></c></row><row hidden="true"><c><v>3</v></c></row><row r="1048576" hidden="1"/>';
    const read = sheet(data(rows));
    expect(read.hidden).toEqual([1, 3]);
    expect(read.rows).toHaveLength(3);
  });
  it("has what stands once for several lines on each of them, but for sums", () => {
    const text = (ref: string, of: string): string => `<c r="${ref}" t="str"><v>${of}</v></c>`;
    const rows = `<row r="1">${text("A1", "Alder")}<c r="B1"><v>1</v></c><c r="C1"><v>300</v></c></row><row r="2"><c r="B2"><v>2</v></c></row>`;
    const merged = '<mergeCells><mergeCell ref="A1:A2"/><mergeCell ref="C1:C2"/></mergeCells>';
    expect(sheet(data(rows, merged)).rows).toEqual([
      ["Alder", "1", "300"],
      ["Alder", "2"],
    ]);
  });
  it("is large where it names a row or a column that is not taken in, and is not unfolded", () => {
    expect(sheet(data('<row r="1001"><c><v>1</v></c></row>')).isLarge).toBe(true);
    expect(sheet(data('<row><c r="XFE1"><v>1</v></c></row>')).isLarge).toBe(true);
    const bomb = `<!DOCTYPE a [<!ENTITY b "c">]>${data("<row><c><v>1</v></c></row>")}`;
    expect(sheet(bomb).end()).toBe(false);
  });
});

it("a moment that stands as text keeps its zone; midnight is a day", () => {
  expect(
    ["2026-11-02", "2026-11-02T00:00:00", "2026-11-02T14:30:00Z", "2026-11-02T14:30:00"].map(
      isoText,
    ),
  ).toEqual(["2026-11-02", "2026-11-02", "2026-11-02 14:30Z", "2026-11-02 14:30"]);
});

it("shared texts are those of their runs, without how they are spoken", () => {
  const reader = new StringsReader();
  const xml = `<sst ${SPACE}><si><t>one</t></si><si><r><t>two </t></r><r><t xml:space="preserve">parts</t></r><rPh sb="0" eb="1"><t>spoken</t></rPh></si><si/></sst>`;
  for (const letter of xml) reader.write(letter);
  expect(reader.end()).toBe(true);
  expect(reader.strings).toEqual(["one", "two parts", ""]);
});
