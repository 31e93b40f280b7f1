import { Db } from "@/db/connection";

import { Dice } from "../support/exports/dice";
import { TestBook } from "../support/book";

const HEAD =
  "id,kind,occurred_on,gross,fee,payer_name,payer_email,payout_id,related_id,return_code";
const LINES = 400;

/** Activity with everything that a file may bring, in an order of its own. */
function activity(dice: Dice): string {
  const charges: string[] = [];
  const lines = Array.from({ length: LINES }, (_, at) => {
    const on = `2026-11-${String(1 + dice.upTo(20)).padStart(2, "0")}`;
    const sum = (1000 + dice.upTo(90_000)) / 100;
    const kind =
      charges.length < 20
        ? "charge"
        : dice.one(["charge", "charge", "charge", "refund", "dispute", "ach_return", "fee"]);
    const id = `i_${at}`;
    const related = kind === "charge" || kind === "fee" ? "" : dice.one(charges);
    if (kind === "charge") charges.push(id);
    const gross = kind === "charge" ? sum : -sum;
    const code = kind === "ach_return" ? "R01" : "";
    const fee = kind === "charge" ? "0.30" : "0.00";
    return `${id},${kind},${on},${gross.toFixed(2)},${fee},Ann Lee,ann@lee.example,po_${dice.upTo(9)},${related},${code}`;
  });
  return `${[HEAD, ...lines].join("\n")}\n`;
}

/** Every row that a file of activity brings, but for the moments at which it came. */
function rowsOf({ db }: TestBook): unknown {
  const tables = ["receipt", "processor_item", "payout", "entry", "entry_line", "posting"];
  return tables.map((table) => db.all(`SELECT * FROM "${table}"`));
}

describe("rows that are gathered, against rows that are written one by one", () => {
  afterEach(() => {
    jest.restoreAllMocks();
  });
  it.each([1, 2, 3])("give the same book, row by row (%s)", (seed) => {
    const text = activity(new Dice(seed));
    const taken = (): unknown => {
      const book = TestBook.ready();
      book.mustTake("processor", text, { account: "card" });
      book.mustTake("processor", text, { account: "card" });
      const rows = rowsOf(book);
      book.close();
      return rows;
    };
    const gathered = taken();
    jest.spyOn(Db.prototype, "gathering").mockImplementation((_order, work) => work());
    const oneByOne = taken();
    expect(gathered).toEqual(oneByOne);
    expect((gathered as unknown[][])[1]?.length).toBeGreaterThan(LINES);
  });
});
