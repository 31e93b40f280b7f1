import { writeFileSync } from "node:fs";

import { customerOfLink, linkOf } from "@/db/accountPages";
import { cardOf } from "@/db/customerCards";
import { aliasesOf, customerByExternalId, customerById } from "@/db/customers";
import { openItemsOf } from "@/db/openItems";
import { personsOf } from "@/db/persons";
import { find } from "@/server/books/queries/find";
import { agingRows } from "@/server/reports/queries/ages";
import { keptFile } from "@/server/runtime/folders";

import { CUSTOMERS, eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { alike } from "./queries/alike";
import { customerFacts } from "./queries/customerFacts";
import { keepPaper } from "./steps/keepPaper";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const write = (customer: object, id: number | null = null) =>
  book.do("writeCustomer", { id, customer: { name: "Saltmarsh Pots", ...customer } });
const idOf = (number: string): number => customerByExternalId(book.db, number)?.id ?? 0;

describe("a customer that is written here", () => {
  it("gets the next number, and keeps all that is agreed", () => {
    const made = write({
      email: "office@saltmarsh.example",
      address: ["1 Quay", "Harbor"],
      country: "DE",
      taxNumber: "de 136 695 976",
      terms: "2/10 n/30",
      currency: "EUR",
      way: "paper",
      paysBy: ["bank"],
      notes: "asks for two copies",
    });
    if (!made.ok) throw new Error(made.error.code);
    expect(cardOf(book.db, made.value.id)).toEqual({
      address: ["1 Quay", "Harbor"],
      country: "DE",
      taxNumber: "DE136695976",
      terms: "2/10 n/30",
      currency: "EUR",
      way: "paper",
      paysBy: ["bank"],
      notes: "asks for two copies",
      look: null,
    });
    expect(customerFacts(book.db, made.value.id)).toMatchObject({
      name: "Saltmarsh Pots",
      number: made.value.number,
      address: "1 Quay\nHarbor",
      paysBy: "bank",
    });
    const next = write({ name: "Other" });
    expect(next.ok && next.value.number).not.toBe(made.value.number);
  });
  it("is changed, and the change taken back; a later change first", () => {
    const made = write({ terms: "n/30" });
    if (!made.ok) throw new Error(made.error.code);
    const { id } = made.value;
    const [first, second] = [
      write({ terms: "n/10" }, id),
      write({ name: "Saltmarsh", terms: "n/15" }, id),
    ];
    if (!first.ok || !second.ok) throw new Error("not written");
    expect(book.do("undo", { actId: first.value.actId })).toMatchObject({
      error: { code: "customer.later" },
    });
    book.must("undo", { actId: second.value.actId });
    expect([customerById(book.db, id)?.name, cardOf(book.db, id).terms]).toEqual([
      "Saltmarsh Pots",
      "n/10",
    ]);
    book.must("undo", { actId: first.value.actId });
    expect(cardOf(book.db, id).terms).toBe("n/30");
  });
  it.each<[object, string]>([
    [{ number: "C1" }, "customer.taken"],
    [{ taxNumber: "DE136695978" }, "tax_number.wrong"],
    [{ terms: "soon" }, "input.invalid"],
    [{ email: "a@b\nc@d" }, "input.invalid"],
    [{ currency: "XXZ" }, "input.invalid"],
    [{ parentId: 9999 }, "customer.unknown"],
    [{ look: "Nowhere" }, "look.unknown"],
    [{ name: " " }, "input.invalid"],
  ])("refuses %j", (customer, code) => {
    expect(write(customer)).toMatchObject({ ok: false, error: { code } });
  });
  it("keeps its number, and is never its own head office", () => {
    const [one, two] = [idOf("C1"), idOf("C2")];
    expect(write({ number: "C9" }, one)).toMatchObject({ error: { code: "customer.number" } });
    expect(write({ parentId: one }, two).ok).toBe(true);
    expect(write({ parentId: two }, one)).toMatchObject({ error: { code: "customer.circle" } });
  });
  it("is pointed out as a double by name, address and tax number, and not as one of itself", () => {
    const made = write({ email: "office@saltmarsh.example", taxNumber: "DE136695976" });
    if (!made.ok) throw new Error(made.error.code);
    const { id } = made.value;
    const asked = { name: "", email: "", taxNumber: "", not: null };
    const found = (more: object) =>
      alike(book.db, { ...asked, ...more }).map((one) => [one.id, one.why]);
    expect(found({ name: "SALTMARSH POTS LLC" })).toEqual([[id, "a name like this"]]);
    expect(found({ email: "OFFICE@saltmarsh.example" })).toEqual([[id, "the same e-mail address"]]);
    expect(found({ taxNumber: "DE 136695976" })).toEqual([[id, "the same tax number"]]);
    expect(found({ name: "Saltmarsh Pots", not: id })).toEqual([]);
    expect(found({ name: "Quarry Hill Bakery" })).toEqual([]);
  });
});

describe("two customers that are one", () => {
  const ages = () => agingRows(book.db, TODAY).rows;
  it("have everything together, by either number, name and link; and are two again", () => {
    const [kept, gone] = [idOf("C1"), idOf("C2")];
    const before = {
      ages: ages(),
      items: [openItemsOf(book.db, kept), openItemsOf(book.db, gone)],
    };
    const link = linkOf(book.db, gone);
    const name = customerById(book.db, gone)?.name ?? "";
    const { actId } = book.must("mergeCustomers", { keep: kept, gone });
    expect(openItemsOf(book.db, kept)).toHaveLength(before.items.flat().length);
    expect(openItemsOf(book.db, gone)).toEqual([]);
    expect(aliasesOf(book.db, kept)).toContain(name);
    expect([idOf("C2"), customerOfLink(book.db, link)]).toEqual([kept, kept]);
    expect(find(book.db, name, "USD" as never).filter(({ kind }) => kind === "customer")).toEqual(
      [],
    );
    expect(book.broken()).toEqual([]);
    // The old number in a file names the one that stayed, and a file of customers changes nothing of it.
    const called = customerById(book.db, kept)?.name;
    book.mustTake(
      "customers",
      `${CUSTOMERS}C2,Heron Point Renamed,,\r\n`.replace(/C2,Heron Point Studio.*\r\n/u, ""),
    );
    expect(customerById(book.db, kept)?.name).toBe(called);
    book.must("undo", { actId });
    expect([openItemsOf(book.db, kept), openItemsOf(book.db, gone)]).toEqual(before.items);
    expect([ages(), idOf("C2"), customerOfLink(book.db, link)]).toEqual([before.ages, gone, gone]);
    expect(aliasesOf(book.db, kept)).not.toContain(name);
    expect(book.broken()).toEqual([]);
  });
  it("of which one is merged again are undone from the last on", () => {
    const third = write({});
    if (!third.ok) throw new Error(third.error.code);
    const [one, two] = [idOf("C1"), idOf("C2")];
    const first = book.must("mergeCustomers", { keep: two, gone: third.value.id });
    const second = book.must("mergeCustomers", { keep: one, gone: two });
    expect(idOf(third.value.number)).toBe(one);
    expect(book.do("undo", { actId: first.actId })).toMatchObject({
      error: { code: "customer.later" },
    });
    book.must("undo", { actId: second.actId });
    book.must("undo", { actId: first.actId });
    expect(idOf(third.value.number)).toBe(third.value.id);
  });
  it("keep the persons of both, who get no letters unasked", () => {
    const other = write({ email: "second@saltmarsh.example" });
    if (!other.ok) throw new Error(other.error.code);
    const one = idOf("C1");
    const before = personsOf(book.db, one);
    const { actId } = book.must("mergeCustomers", { keep: one, gone: other.value.id });
    expect(personsOf(book.db, one).at(-1)).toMatchObject({
      email: "second@saltmarsh.example",
      letters: "none",
    });
    book.must("undo", { actId });
    expect(personsOf(book.db, one)).toEqual(before);
  });
  it("are not one with themselves, nor with their head office", () => {
    const [one, two] = [idOf("C1"), idOf("C2")];
    expect(book.do("mergeCustomers", { keep: one, gone: one })).toMatchObject({
      error: { code: "customer.merge_same" },
    });
    write({ parentId: one }, two);
    expect(book.do("mergeCustomers", { keep: two, gone: one })).toMatchObject({
      error: { code: "customer.merge_group" },
    });
    expect(book.do("mergeCustomers", { keep: one, gone: two }).ok).toBe(true);
  });
});

describe("papers of a customer", () => {
  const PDF = Buffer.from("%PDF-1.7\n1 0 obj << /Type /Catalog >> endobj\n%%EOF");
  const add = (bytes: Buffer, name = "contract.pdf") => {
    const kept = keepPaper(book.name, bytes, name);
    return kept.ok
      ? book.do("addAttachment", { customerId: idOf("C1"), name, sha256: kept.value })
      : kept;
  };
  it("are kept by their hash, and taken away", () => {
    const added = add(PDF);
    if (!added.ok) throw new Error(added.error.code);
    book.must("undo", { actId: added.value.actId });
    expect(book.broken()).toEqual([]);
  });
  it.each<[string, Buffer, string]>([
    ["nothing", Buffer.alloc(0), "attachment.empty"],
    ["an office document with macros", Buffer.from("d0cf11e0a1b11ae1", "hex"), "attachment.type"],
    ["a newer one", Buffer.from("504b0304", "hex"), "attachment.type"],
    ["a program that calls itself a paper", Buffer.from("MZ..."), "attachment.type"],
    ["a page of the web", Buffer.from("<html>"), "attachment.type"],
    [
      "a PDF that runs something",
      Buffer.concat([PDF, Buffer.from("/OpenAction << /S /JavaScript >>")]),
      "attachment.active",
    ],
    ["21 MB", Buffer.concat([PDF, Buffer.alloc(21_000_000)]), "attachment.large"],
  ])("%s is refused", (_, bytes, code) => {
    expect(add(bytes)).toMatchObject({ ok: false, error: { code } });
  });
  it("are looked at once more when they are added", () => {
    const { sha256 } = book.keep("MZ");
    writeFileSync(keptFile(book.name, sha256), "MZ");
    expect(
      book.do("addAttachment", { customerId: idOf("C1"), name: "a.pdf", sha256 }),
    ).toMatchObject({ error: { code: "attachment.type" } });
  });
});
