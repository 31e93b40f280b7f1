import { decodeText, formatOf } from ".";

/** The code that refuses bytes, or the name of the format that reads them. */
function refusal(content: string | readonly number[]): string {
  const bytes = typeof content === "string" ? new TextEncoder().encode(content) : content;
  const text = decodeText(Uint8Array.from(bytes));
  if (!text.ok) return text.error.code;
  const format = formatOf(text.value);
  const table = format.read(text.value);
  return table.ok ? format.name : table.error.code;
}
const letters = (text: string): number[] => [...text].map((letter) => letter.charCodeAt(0));
const NOTHING = Array<number>(80).fill(0);

describe("what is no list is refused by what it is", () => {
  // First bytes: PRONOM, from memory.
  it.each<[string, readonly number[], string]>([
    ["a PNG picture", [0x89, 0x50, 0x4e, 0x47, ...NOTHING], "file.picture"],
    ["a HEIC picture", [0, 0, 0, 24, ...letters("ftypheic"), ...NOTHING], "file.picture"],
    ["a WebP picture", [...letters("RIFF...."), ...letters("WEBPVP8 ")], "file.picture"],
    ["a bitmap", [...letters("BM"), 70, ...NOTHING], "file.picture"],
    ["a PDF", letters("%PDF-1.7\n"), "file.pdf"],
    ["a 7z folder", [0x37, 0x7a, 0xbc, 0xaf, 0x27, 0x1c], "file.packed"],
    ["a program", [...letters("MZ"), 0x90, ...NOTHING], "file.program"],
    ["a database", [...letters("SQLite format 3"), ...NOTHING], "file.backup"],
    ["an old sheet", [0xd0, 0xcf, 0x11, 0xe0, ...NOTHING], "file.old_sheet"],
    ["bytes of nothing known", [1, 2, 3, ...NOTHING], "file.binary"],
  ])("%s", (_what, bytes, code) => expect(refusal(bytes)).toBe(code));

  it.each<[string, string, string]>([
    ["JSON", '[{"id":"a","amount":9.00}]', "file.json"],
    ["JSON, a line each", '{"id":"a"}\n{"id":"b"}', "file.json"],
    [
      "EDIFACT",
      "UNA:+.? '\nUNB+UNOC:3+PAYER+KESTREL+261116:1200+1'\nUNH+1+REMADV:D:96A:UN'",
      "file.edifact",
    ],
    ["QIF", "!Type:Bank\nD11/02/2026\nT125.00\n^", "file.qif"],
    ["a card of an address", "BEGIN:VCARD\nFN:Ada\nEND:VCARD", "file.card"],
    ["RTF", "{\\rtf1\\ansi Date}", "file.rtf"],
    ["a mail", "From: a@b.example\r\nSubject: x\r\nMIME-Version: 1.0\r\n\r\nHello", "file.mail"],
    ["a web page", "<html><table><tr><td>1</td></tr></table></html>", "file.html"],
    [
      "a sheet as XML",
      '<?xml version="1.0"?><Workbook xmlns="urn:schemas-microsoft-com:office:spreadsheet"/>',
      "file.xml_sheet",
    ],
    [
      "an invoice as CII (EN 16931)",
      '<rsm:CrossIndustryInvoice xmlns:rsm="urn:un:unece:uncefact:data:standard:CrossIndustryInvoice:100"/>',
      "file.cii",
    ],
    [
      "an order to pay (ISO 20022)",
      '<Document xmlns="urn:iso:std:iso:20022:tech:xsd:pain.001.001.03"/>',
      "file.iso20022",
    ],
    ["other XML", "<rows><row/></rows>", "file.xml"],
  ])("%s", (_what, text, code) => expect(refusal(text)).toBe(code));

  it.each([
    "Diagnostic-Code: smtp; \n".repeat(900),
    "BM account,Date,Amount\n1,2026-11-02,5.00\n",
    "MZ,Date,Amount\n1,2026-11-02,5.00\n",
    "From: and to,Date,Amount\nx,2026-11-02,5.00\n",
    "[Date],[Amount]\n2026-11-02,5.00\n",
  ])("a list that begins as something else might is a list: %s", (text) =>
    expect(refusal(text)).toBe("csv"),
  );
});
