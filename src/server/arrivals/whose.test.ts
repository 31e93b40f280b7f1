import { guessMapping, readTable, type Table } from "@/core/formats";
import { mappings } from "@/db/files";

import { eachBook, type TestBook } from "../../../tests/support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const LIST = `Account,Date,Description,Amount
xx4417,2026-11-18,PAYROLL,-5.00
xx9982,2026-11-18,RENT,-7.00
xx4417,2026-11-19,RENT ROW STREET,-9.00
`;
const readTableOf = (text: string): Table => {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.error.code);
  return table.value;
};
const said = (answers: Record<string, string>) => ({
  account: "operating",
  mapping: {
    columns: {
      account: "Account",
      postedOn: "Date",
      description: "Description",
      amount: "Amount",
    },
    answers,
  },
});

it("a statement of several accounts is asked about each time: an answer is no part of the kept mapping", () => {
  book.must("addBankAccount", {
    code: "savings",
    name: "Savings",
    lastFour: "9982",
    openingBalance: 0,
  });
  const asked = book.take("bank", LIST, { ...said({}), rehearse: true });
  expect(asked).toMatchObject({
    error: { code: "questions.open", first: expect.stringContaining("2 accounts") },
  });
  const { account, mapping } = said({ whose: "4417" });
  const first = book.must("importFile", {
    ...book.keep(LIST),
    name: "both.csv",
    mapping: { ...guessMapping(readTableOf(LIST), "bank"), ...mapping },
    account,
    saveAs: "two accounts",
  });
  expect(first).toMatchObject({ new: 2, leftOut: [{ line: 3, why: "of another account" }] });
  const [kept] = mappings(book.db).map(({ spec }) => JSON.parse(spec) as { answers: object });
  expect(Object.keys(kept?.answers ?? {})).not.toContain("whose");
  // The account that ends like one of them takes its own lines, and nobody is asked.
  const own = book.mustTake("bank", LIST, { ...said({}), account: "savings" });
  expect(own).toMatchObject({ new: 1, questions: [] });
  expect(book.db.all("SELECT description FROM bank_line WHERE bank_account_id = 2")).toEqual([
    { description: "RENT" },
  ]);
});

it("what was said of the sums and the words of one file is no part of the kept mapping", () => {
  const text =
    "Date,Description,Amount\n,Opening balance,100.00\n2026-11-13,Rent,-30.00\n,Closing balance,90.00\n";
  const answers = { balance: "take", against: "sums", says: "none", foot: "take", signs: "signed" };
  book.must("importFile", {
    ...book.keep(text),
    name: "off.csv",
    mapping: { ...guessMapping(readTableOf(text), "bank"), answers },
    account: "operating",
    saveAs: "statement",
  });
  const [kept] = mappings(book.db).map(({ spec }) => JSON.parse(spec) as { answers: object });
  expect(kept?.answers).toEqual({ signs: "signed" });
});
