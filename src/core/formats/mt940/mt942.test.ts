import type { Table } from "../csv/table";
import { mt940Table } from "./mt940";

/** A report of the day (SWIFT MT942, category 9; made-up data): two lines that are booked, one expected. */
const FILE = [
  ":20:R1",
  ":25:30004417",
  ":28C:5/1",
  ":34F:USDD0,",
  ":13D:2611161430-0500",
  ":61:2611161116C250,NTRFINV2041",
  ":86:ALDER LANE GALLERY",
  ":61:2611161116D7,5NCHGNONREF",
  ":86:FEE",
  ":61:2611171117EC100,NTRFINV2042",
  ":90D:1USD7,5",
  ":90C:1USD250,",
  "-",
].join("\r\n");

const read = (text: string): Table => {
  const table = mt940Table(text);
  if (!table.ok) throw new Error(table.error.code);
  return table.value;
};

describe("MT942 (SWIFT, category 9)", () => {
  it("sets aside what is only expected, and holds the lines to their control totals", () => {
    expect(read(FILE)).toMatchObject({
      aside: [{ line: 10, mark: "not_yet" }],
      off: null,
      proofs: ["its lines are what its control totals say"],
      rows: { length: 3 },
    });
  });
  it("counts what is expected too, where the bank does", () =>
    expect(read(FILE.replace(":90C:1USD250,", ":90C:2USD350,")).off).toBeNull());
  it("says which total is another", () => {
    expect(read(FILE.replace(":90C:1USD250,", ":90C:2USD300,")).off).toBe(
      "the file says that it has 2 credits of 300.00, and has 1 of 250.00",
    );
    expect(read(FILE.replace(":90D:1USD7,5", ":90D:2USD7,5")).off).toBe(
      "the file says that it has 2 debits of 7.50, and has 1 of 7.50",
    );
  });
  it("leaves the currency to the account where the report does not say it", () => {
    const { headers, rows } = read(FILE.replace(":34F:USDD0,\r\n", ""));
    expect(rows.map(({ cells }) => cells[headers.indexOf("currency")])).toEqual(["", "", ""]);
  });
});
