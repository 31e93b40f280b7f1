import { day } from "@/core/calendar";
import { offeredWays, type PaysBy, waysTogether } from "@/core/paying";
import { cardOf, setCard } from "@/db/customerCards";
import { openItemByNumber } from "@/db/openItems";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, writeDraft } from "../../../tests/support/orders";
import { agreedDue } from "./queries/agreed";
import { payingPageOf } from "./queries/payingPage";
import { clerkPayPageOf, payPageOf } from "./queries/payPage";

let book: TestBook;
eachBook((made) => {
  book = made;
});

describe("which ways to pay are offered", () => {
  it.each<[(PaysBy | null)[], string[]]>([
    [[], ["card", "bank"]],
    [
      [null, null, null],
      ["card", "bank"],
    ],
    [[null, null, "bank"], ["bank"]],
    [[null, "card", "bank"], ["card"]],
    [
      ["card,bank", "card", "bank"],
      ["card", "bank"],
    ],
  ])("the nearest of invoice, customer and book that says one: %j", (said, ways) => {
    expect(offeredWays(said)).toEqual(ways);
  });
  it("together only what all of them may be paid by", () => {
    expect(waysTogether([["card", "bank"], ["bank"]])).toEqual(["bank"]);
    expect(waysTogether([["card"], ["bank"]])).toEqual([]);
  });
});

describe("on a book", () => {
  const invoice = (paysBy: PaysBy | null): number => {
    const id = writeDraft(book, { terms: "now", paysBy });
    book.must("approveDocuments", { ids: [id] });
    const number = `INV-${TODAY.slice(0, 4)}-${String(id).padStart(4, "0")}`;
    return openItemByNumber(book.db, number)?.id ?? 0;
  };
  const method = (way: "card" | "bank"): number =>
    book.must("keepMethod", {
      customerId: firstCustomer(book),
      token: `${way}_abcdefghabcdefgh`,
      way,
      name: way === "card" ? "Visa" : "First Practice Bank",
      lastFour: "0001",
      expires: null,
      onFile: true,
    } as never).id;
  const customerPays = (paysBy: PaysBy): void =>
    setCard(book.db, firstCustomer(book), {
      ...cardOf(book.db, firstCustomer(book)),
      paysBy: paysBy.split(","),
    });
  const begin = (itemId: number, way: "card" | "bank", by: "link" | "clerk" = "link") =>
    book.do("beginPayment", {
      key: `key-${itemId}-${way}-${by}`,
      customerId: firstCustomer(book),
      methodId: method(way),
      by,
      word: "Ms. Alder, by telephone",
      parts: [{ itemId, amount: 480_000 }],
    } as never);

  it("an invoice overrides its customer, who overrides the book; others are refused", () => {
    book.must("changeSettings", { paysBy: "bank" });
    const [usual, byCard] = [invoice(null), invoice("card")];
    expect(begin(usual, "card")).toMatchObject({ error: { code: "pay.way", way: "card" } });
    expect(begin(byCard, "card")).toMatchObject({ ok: true });
    customerPays("card");
    expect(begin(usual, "bank")).toMatchObject({ error: { code: "pay.way" } });
    // Who takes a payment at the customer's word is not bound by what customers are offered.
    expect(begin(usual, "bank", "clerk")).toMatchObject({ ok: true });
  });
  it("the page says it of each invoice; a clerk's offers all", () => {
    const id = invoice("bank");
    book.must("makePayLink", {
      customerId: firstCustomer(book),
      itemIds: [id],
      hash: "0".repeat(64),
    });
    const asked = { book: "x", today: day(TODAY) };
    expect(payPageOf(book.db, { ...asked, token: "none" })).toBeNull();
    const page = clerkPayPageOf(book.db, firstCustomer(book), asked);
    expect(page?.items.find((item) => item.id === id)?.ways).toEqual(["card", "bank"]);
  });
  it("what was agreed to is not taken by a way that is not offered", () => {
    const id = invoice("bank");
    const card = method("card");
    book.must("agree", {
      customerId: firstCustomer(book),
      methodId: card,
      words: "I agree.",
      agent: "test",
      address: "127.0.0.1",
    } as never);
    const items = agreedDue(book.db, day(TODAY)).flatMap(({ parts }) => parts);
    expect(items.map(({ itemId }) => itemId)).not.toContain(id);
    // The run says so.
    expect(payingPageOf(book.db, day(TODAY)).notTaken).toMatchObject([
      { customerId: firstCustomer(book), way: "card", numbers: [expect.stringMatching(/^INV-/)] },
    ]);
  });
});
