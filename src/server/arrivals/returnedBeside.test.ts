import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* Debits that a list tells with their return on the same line; made by hand, common practice, no source. */

const book = bookOfEach();
const { asks, must } = taking(book);

const HEAD = "Effective Date,Payor,Payor ID,Amount,Status,Status Date,Memo";
const debits = (status: string): string =>
  list(
    HEAD,
    "11/13/2026,Brightwater,C1,1450.00,Cleared,11/17/2026,INV 20310",
    `11/14/2026,Tallow,C2,620.10,${status},11/18/2026,INV 20311`,
  );
const returned = (): unknown =>
  book().db.all(
    `SELECT i.occurred_on AS day, i.amount, r.state
     FROM processor_item i LEFT JOIN receipt r ON r.id = i.receipt_id WHERE i.kind = 'ach_return'`,
  );

it("a debit that came back is a receipt and its return, on the day since when it stands so", () => {
  expect(asks("processor", debits("NSF"))).toContain("Is that money?");
  must("processor", debits("NSF"), { "state:nsf": "came_back" });
  expect(returned()).toEqual([{ day: "2026-11-18", amount: -62010, state: "returned" }]);
});

it("one that stood as cleared before is known, and its return is new", () => {
  must("processor", debits("Cleared"));
  const again = must("processor", debits("NSF"), { "state:nsf": "came_back" });
  expect(again.refused).toEqual([]);
  expect(returned()).toEqual([{ day: "2026-11-18", amount: -62010, state: "returned" }]);
});

it("whoever pays twice has two payments, as the number of a payer is none of a payment", () => {
  must("processor", debits("Cleared"));
  const next = list(HEAD, "11/20/2026,Brightwater,C1,1450.00,Cleared,11/23/2026,INV 20320");
  expect(must("processor", next).new).toBe(1);
});
