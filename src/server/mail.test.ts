import { eachBook, TODAY, type TestBook } from "../../tests/support/book";
import { MailServer } from "../../tests/support/mailServer";
import { letterToDeliver, type LetterRow } from "@/db/followup";
import { deliverLetter } from "./letters";
import { followUpWorkings } from "./queries/customer";
import { letterRun } from "./queries/letterRun";
import { overdueRows } from "./queries/overdue";

let book: TestBook;
eachBook((made) => { book = made; });
let mail: MailServer;
beforeEach(async () => { mail = await MailServer.start(); book.must("changeSettings", { smtpUrl: mail.url }); });
afterEach(() => mail.stop());

const NOW = new Date("2026-11-24T15:00:00Z");
const later = (minutes: number): Date => new Date(NOW.getTime() + minutes * 60_000);
const write = (): number => book.must("sendLetter", { customerId: 1, subject: "Still open", body: "Dear Alder Lane,\n\nplease pay." }).letterId;
const stands = (id: number): Pick<LetterRow, "delivery" | "tries" | "nextTry" | "cameBack"> | undefined => book.db.get("SELECT delivery, tries, next_try AS nextTry, came_back AS cameBack FROM letter WHERE id = ?", id);
const workings = (): ReturnType<typeof followUpWorkings> => followUpWorkings(book.db, 1, TODAY, book.proposals());

it("the same letter goes by the mail server that the book is set to", async () => {
  const id = write();
  await deliverLetter(book.db, book.name, id);
  expect([stands(id)?.delivery, mail.heard]).toEqual(["sent", expect.arrayContaining(["MAIL FROM:<accounts@test.example>", "RCPT TO:<office@alderlane.example>", "Subject: Still open"])]);
});

it("a server that is busy is tried again when the time comes, and longer each time, until it is given up", async () => {
  mail.answer = "451 try later";
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  expect(stands(id)).toEqual({ delivery: "retry", tries: 1, nextTry: later(5).toISOString(), cameBack: null });
  expect([letterToDeliver(book.db, later(4).toISOString()), letterToDeliver(book.db, later(5).toISOString())]).toEqual([undefined, id]);
  await deliverLetter(book.db, book.name, id, later(5));
  expect(stands(id)).toMatchObject({ delivery: "retry", tries: 2, nextTry: later(35).toISOString() });
  for (let minutes = 35; stands(id)?.delivery === "retry"; minutes += 1440) await deliverLetter(book.db, book.name, id, later(minutes));
  expect(stands(id)).toMatchObject({ delivery: "not sent: the mail server answered 451", cameBack: null });
  expect(mail.heard.filter((line) => line.startsWith("RCPT"))).toHaveLength(7);
});

it("a server that is not reached is tried again, and the letter goes once when it is there", async () => {
  const id = write();
  mail.stop();
  book.must("changeSettings", { smtpUrl: "smtp://127.0.0.1:1" });
  await deliverLetter(book.db, book.name, id, NOW);
  expect(stands(id)).toMatchObject({ delivery: "retry", tries: 1 });
  mail = await MailServer.start();
  book.must("changeSettings", { smtpUrl: mail.url });
  await deliverLetter(book.db, book.name, id, later(6));
  await deliverLetter(book.db, book.name, id, later(7));
  expect([stands(id)?.delivery, mail.heard.filter((line) => line === "DATA").length]).toEqual(["sent", 1]);
});

it("a letter that is refused for good has come back, and no other goes to that address until it is said to work", async () => {
  mail.answer = "550 5.1.1 nobody here by that name";
  const id = write();
  await deliverLetter(book.db, book.name, id);
  expect(stands(id)).toMatchObject({ delivery: "not sent", cameBack: "550 5.1.1 nobody here by that name" });
  // Long enough ago for the next one.
  book.db.run("UPDATE letter SET on_day = '2026-11-01'");
  expect(workings()?.problem).toContain("550 5.1.1 nobody here by that name");
  expect(letterRun(book.db, TODAY, overdueRows(book.db, TODAY, book.proposals())).letters.find(({ customerId }) => customerId === 1)).toMatchObject({ to: null });
  expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" })).toMatchObject({ ok: false, error: { code: "letter.came_back" } });
  book.must("letterCameBack", { letterId: id, why: null });
  expect([workings()?.problem, book.do("sendLetter", { customerId: 1, subject: "s", body: "b" }).ok]).toEqual([null, true]);
});

it("a letter that a mail of the mail system says came back is noted by hand; another address is written to", async () => {
  const id = write();
  await deliverLetter(book.db, book.name, id);
  book.must("letterCameBack", { letterId: id, why: "mailbox full" });
  book.db.run("UPDATE letter SET on_day = '2026-11-01'");
  expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" })).toMatchObject({ ok: false, error: { code: "letter.came_back", why: "mailbox full" } });
  book.must("setFollowUp", { customerId: 1, ladderId: null, language: "en", byItself: false, smallest: null, quietUntil: null, contactName: "Ms Ito", contactEmail: "ito@alderlane.example", contactPhone: "" });
  expect(book.must("sendLetter", { customerId: 1, subject: "s", body: "b" }).letterId).toBeGreaterThan(id);
});

it("goes to every contact person of a customer", async () => {
  const follow = { customerId: 1, ladderId: null, language: "en", byItself: false, smallest: null, quietUntil: null, contactName: "Ms Ito and Mr Ware", contactPhone: "" } as const;
  expect(book.do("setFollowUp", { ...follow, contactEmail: "ito@alderlane.example, ware" })).toMatchObject({ ok: false, error: { code: "input.invalid" } });
  book.must("setFollowUp", { ...follow, contactEmail: "ito@alderlane.example;ware@alderlane.example" });
  const id = write();
  await deliverLetter(book.db, book.name, id);
  expect(mail.heard.filter((line) => line.startsWith("RCPT"))).toEqual(["RCPT TO:<ito@alderlane.example>", "RCPT TO:<ware@alderlane.example>"]);
  expect(mail.heard.find((line) => line.startsWith("To: "))).toBe("To: ito@alderlane.example, ware@alderlane.example");
});
