import type { ContactPerson } from "@/core/parties";
import { type LetterRow, letterToDeliver } from "@/db/letters";
import { backAddresses } from "@/db/persons";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { MailServer } from "../../../tests/support/mailServer";
import { customerPageOf } from "../customers/queries/customer";
import { followUpWorkings } from "../customers/queries/followUpWorkings";
import { letterRun } from "../overdue/queries/letterRun";
import { overdueRows } from "../overdue/queries/overdue";
import { readReturnedMail } from "../overdue/returnedMail";
import { deliverLetter } from "./delivery";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let mail: MailServer;
beforeEach(async () => {
  mail = await MailServer.start();
  book.must("changeMailServer", { server: mail.parts });
});
afterEach(() => mail.stop());

const NOW = new Date("2026-11-24T15:00:00Z");
const later = (minutes: number): Date => new Date(NOW.getTime() + minutes * 60_000);
const write = (): number =>
  book.must("sendLetter", {
    customerId: 1,
    subject: "Still open",
    body: "Dear Alder Lane,\n\nplease pay.",
  }).letterId;
const stands = (
  id: number,
): Pick<LetterRow, "delivery" | "tries" | "nextTry" | "cameBack"> | undefined =>
  book.db.get(
    "SELECT delivery, tries, next_try AS nextTry, came_back AS cameBack FROM letter WHERE id = ?",
    id,
  );
const workings = (): ReturnType<typeof followUpWorkings> =>
  followUpWorkings({ db: book.db, book: book.name, today: TODAY }, 1, book.proposals());

const somebody: ContactPerson = {
  name: "",
  duty: "",
  email: "",
  phone: "",
  letters: "to",
  calls: false,
};
const persons = (some: Partial<ContactPerson>[]): unknown =>
  book.must("setContactPersons", {
    customerId: 1,
    persons: some.map((partial) => ({ ...somebody, ...partial })),
  });

it("the same letter goes by the mail server that the book is set to", async () => {
  const id = write();
  await deliverLetter(book.db, book.name, id);
  expect([stands(id)?.delivery, mail.heard]).toEqual([
    "sent",
    expect.arrayContaining([
      "MAIL FROM:<accounts@test.example>",
      "RCPT TO:<office@alderlane.example>",
      "Subject: Still open",
    ]),
  ]);
});

it("a server that is busy is tried again when the time comes, and longer each time, until it is given up", async () => {
  mail.answer = "451 try later";
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  expect(stands(id)).toEqual({
    delivery: "retry",
    tries: 1,
    nextTry: later(5).toISOString(),
    cameBack: null,
  });
  expect([
    letterToDeliver(book.db, later(4).toISOString()),
    letterToDeliver(book.db, later(5).toISOString()),
  ]).toEqual([undefined, id]);
  await deliverLetter(book.db, book.name, id, later(5));
  expect(stands(id)).toMatchObject({
    delivery: "retry",
    tries: 2,
    nextTry: later(35).toISOString(),
  });
  for (let minutes = 35; stands(id)?.delivery === "retry"; minutes += 1440)
    await deliverLetter(book.db, book.name, id, later(minutes));
  expect(stands(id)).toMatchObject({
    delivery: "not sent: the mail server answered 451",
    cameBack: null,
  });
  expect(mail.heard.filter((line) => line.startsWith("RCPT"))).toHaveLength(7);
});

it("a server that is not reached is tried again, and the letter goes once when it is there", async () => {
  const id = write();
  const { parts } = mail;
  mail.stop();
  book.must("changeMailServer", { server: { ...parts, port: 1 } });
  await deliverLetter(book.db, book.name, id, NOW);
  expect(stands(id)).toMatchObject({ delivery: "retry", tries: 1 });
  mail = await MailServer.start();
  book.must("changeMailServer", { server: mail.parts });
  await deliverLetter(book.db, book.name, id, later(6));
  await deliverLetter(book.db, book.name, id, later(7));
  expect([stands(id)?.delivery, mail.heard.filter((line) => line === "DATA").length]).toEqual([
    "sent",
    1,
  ]);
});

it("a letter that is refused for good has come back, and no other goes to that address until it is said to work", async () => {
  mail.answer = "550 5.1.1 nobody here by that name";
  const id = write();
  await deliverLetter(book.db, book.name, id);
  expect(stands(id)).toMatchObject({
    delivery: "not sent",
    cameBack: "550 5.1.1 nobody here by that name",
  });
  // Long enough ago for the next one.
  book.db.run("UPDATE letter SET on_day = '2026-11-01'");
  expect(workings()?.problem).toContain("550 5.1.1 nobody here by that name");
  expect(
    letterRun(book.db, TODAY, overdueRows(book.db, TODAY, book.proposals())).letters.find(
      ({ customerId }) => customerId === 1,
    ),
  ).toMatchObject({ to: null });
  expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" })).toMatchObject({
    ok: false,
    error: { code: "letter.came_back" },
  });
  book.must("addressWorks", { address: "OFFICE@alderlane.example" });
  expect(book.do("addressWorks", { address: "office@alderlane.example" })).toMatchObject({
    ok: false,
    error: { code: "address.works" },
  });
  expect([
    workings()?.problem,
    book.do("sendLetter", { customerId: 1, subject: "s", body: "b" }).ok,
  ]).toEqual([null, true]);
});

it("a server that does not take us is tried again, and speaks against no address", async () => {
  mail.sender = "550 5.7.1 we do not know you";
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  expect([stands(id), backAddresses(book.db)]).toEqual([
    { delivery: "retry", tries: 1, nextTry: later(5).toISOString(), cameBack: null },
    [],
  ]);
  mail.sender = "250 fine";
  await deliverLetter(book.db, book.name, id, later(6));
  expect(stands(id)?.delivery).toBe("sent");
});

it("a letter that is refused as a whole is given up, and its address is written to all the same", async () => {
  mail.taken = "554 5.6.0 too many papers";
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  expect([stands(id), backAddresses(book.db)]).toEqual([
    expect.objectContaining({ delivery: "not sent", cameBack: "554 5.6.0 too many papers" }),
    [],
  ]);
});

it("a letter is not sent to an address that others came back from meanwhile", async () => {
  const id = write();
  book.must("letterCameBack", { letterId: id, why: "mailbox full" });
  await deliverLetter(book.db, book.name, id, NOW);
  expect([stands(id)?.delivery, mail.heard]).toEqual(["not sent", []]);
});

it("a letter that a mail of the mail system says came back is noted by hand; another address is written to", async () => {
  const id = write();
  await deliverLetter(book.db, book.name, id);
  book.must("letterCameBack", { letterId: id, why: "mailbox full" });
  book.db.run("UPDATE letter SET on_day = '2026-11-01'");
  expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" })).toMatchObject({
    ok: false,
    error: { code: "letter.came_back", why: "mailbox full" },
  });
  persons([{ name: "Ms Ito", email: "ito@alderlane.example" }]);
  expect(
    book.must("sendLetter", { customerId: 1, subject: "s", body: "b" }).letterId,
  ).toBeGreaterThan(id);
});

describe("contact persons", () => {
  it("who gets letters needs an address that is one; an empty row is nobody", () => {
    expect(
      book.do("setContactPersons", { customerId: 1, persons: [{ ...somebody, email: "ware" }] }),
    ).toMatchObject({ ok: false, error: { code: "input.invalid" } });
    expect(
      book.do("setContactPersons", { customerId: 1, persons: [{ ...somebody, name: "Mr Ware" }] }),
    ).toMatchObject({ ok: false, error: { code: "input.invalid" } });
    expect(persons([{ letters: "none" }])).toEqual({ persons: [] });
  });
  it("a letter goes to all of them, a copy to who asked for one, and greets by name", async () => {
    persons([
      { name: "Ms Ito", email: "ito@alderlane.example" },
      { name: "Mr Ware", email: "ware@alderlane.example" },
      { name: "Ms Okafor", duty: "principal", email: "okafor@alderlane.example", letters: "copy" },
      { name: "Mr Bell", phone: "+1 312 555 0142", letters: "none", calls: true },
    ]);
    expect(workings()).toMatchObject({
      to: "ito@alderlane.example, ware@alderlane.example",
      copies: "okafor@alderlane.example",
      phone: "+1 312 555 0142",
      callee: "Mr Bell",
      body: expect.stringContaining("Dear Ms Ito, Mr Ware,"),
    });
    const id = write();
    await deliverLetter(book.db, book.name, id);
    expect(mail.heard.filter((line) => line.startsWith("RCPT"))).toEqual(
      ["ito", "ware", "okafor"].map((name) => `RCPT TO:<${name}@alderlane.example>`),
    );
    expect(mail.heard.filter((line) => /^(To|Cc): /.test(line))).toEqual([
      "To: ito@alderlane.example, ware@alderlane.example",
      "Cc: okafor@alderlane.example",
    ]);
  });
  it("an address that is refused among others is written to no more, and the others are", async () => {
    persons([{ email: "ito@alderlane.example" }, { email: "ware@alderlane.example" }]);
    mail.answers.set("ware@alderlane.example", "550 5.1.1 Mr Ware has left");
    const id = write();
    await deliverLetter(book.db, book.name, id);
    expect(stands(id)).toMatchObject({ delivery: "sent", cameBack: null });
    book.db.run("UPDATE letter SET on_day = '2026-11-01'");
    expect(workings()).toMatchObject({ to: "ito@alderlane.example", problem: null });
    expect(customerPageOf(book.db, 1, TODAY, [])?.back).toEqual([
      { address: "ware@alderlane.example", why: "550 5.1.1 Mr Ware has left" },
    ]);
  });
});

it("who is put off among others is tried again, and who has the letter gets it once", async () => {
  persons([{ email: "ito@alderlane.example" }, { email: "ware@alderlane.example" }]);
  mail.answers.set("ware@alderlane.example", "450 4.2.0 later, please");
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  expect([stands(id), backAddresses(book.db)]).toEqual([
    { delivery: "retry", tries: 1, nextTry: later(5).toISOString(), cameBack: null },
    [],
  ]);
  mail.answers.clear();
  await deliverLetter(book.db, book.name, id, later(6));
  expect([stands(id)?.delivery, mail.heard.filter((line) => line.startsWith("RCPT"))]).toEqual([
    "sent",
    ["ito", "ware", "ware"].map((name) => `RCPT TO:<${name}@alderlane.example>`),
  ]);
});

it("a letter that some have has gone, also where another is refused in the end", async () => {
  persons([{ email: "ito@alderlane.example" }, { email: "ware@alderlane.example" }]);
  mail.answers.set("ware@alderlane.example", "450 4.2.0 later, please");
  const id = write();
  await deliverLetter(book.db, book.name, id, NOW);
  mail.answers.set("ware@alderlane.example", "550 5.1.1 Mr Ware has left");
  await deliverLetter(book.db, book.name, id, later(6));
  expect([
    stands(id)?.delivery,
    stands(id)?.cameBack,
    backAddresses(book.db).map(({ address }) => address),
  ]).toEqual(["sent", null, ["ware@alderlane.example"]]);
});

describe("mails that say that a letter came back", () => {
  /** As most mail systems write it: RFC 3464 with the letter's own head behind it. */
  const report = (to: string, messageId: string, action = "failed"): Buffer =>
    Buffer.from(
      [
        "From: MAILER-DAEMON@relay.example",
        "To: accounts@test.example",
        "Subject: Undelivered",
        "MIME-Version: 1.0",
        'Content-Type: multipart/report; report-type=delivery-status; boundary="b1"',
        "",
        "--b1",
        "Content-Type: text/plain",
        "",
        "It did not arrive.",
        "",
        "--b1",
        "Content-Type: message/delivery-status",
        "",
        "Reporting-MTA: dns; relay.example",
        "",
        `Final-Recipient: rfc822; ${to}`,
        `Action: ${action}`,
        "Status: 5.1.1",
        "Diagnostic-Code: smtp; 550 5.1.1",
        " no such mailbox",
        "",
        "--b1",
        "Content-Type: text/rfc822-headers",
        "",
        `Message-ID: ${messageId}`,
        "Subject: Still open",
        "",
        "--b1--",
        "",
      ].join("\r\n"),
    );
  const taken = async (bytes: Buffer): Promise<string> => {
    const read = await readReturnedMail("mail.eml", bytes);
    return read.ok
      ? (book.must("takeReturnedMail", { reports: [read.value] }).returned[0]?.words ?? "")
      : read.error.code;
  };

  it("are known by the letter's own Message-ID, and taking one in twice changes nothing", async () => {
    persons([{ email: "ito@alderlane.example" }, { email: "ware@alderlane.example" }]);
    const id = write();
    const messageId = book.db.get<{ id: string }>("SELECT message_id AS id FROM letter")?.id ?? "";
    expect(await taken(report("ware@alderlane.example", messageId))).toBe(
      "no letter goes to ware@alderlane.example any more",
    );
    expect(stands(id)?.cameBack).toBe("550 5.1.1 no such mailbox");
    const acts = (): number => book.db.get<{ n: number }>("SELECT count(*) AS n FROM act")?.n ?? 0;
    const before = acts();
    await taken(report("ware@alderlane.example", messageId));
    expect(acts()).toBe(before);
    expect(backAddresses(book.db)).toEqual([
      expect.objectContaining({
        address: "ware@alderlane.example",
        customer: "Alder Lane Pottery School",
      }),
    ]);
  });
  it("are known by their address where they name no letter; a mail that is only late, and one of somebody else's, note nothing", async () => {
    write();
    expect(
      await taken(report("office@alderlane.example", "<other@elsewhere.example>", "delayed")),
    ).toContain("late, not lost");
    expect(await taken(report("nobody@elsewhere.example", "<other@elsewhere.example>"))).toBe(
      "no letter of this book went to nobody@elsewhere.example",
    );
    expect(backAddresses(book.db)).toEqual([]);
    expect(await taken(report("Office@AlderLane.example", "<other@elsewhere.example>"))).toContain(
      "no letter goes to",
    );
    expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" }).ok).toBe(false);
  });
  it("that speak of another address, as ours passed the letter on, are about ours", async () => {
    write();
    const messageId = book.db.get<{ id: string }>("SELECT message_id AS id FROM letter")?.id ?? "";
    expect(await taken(report("somebody@elsewhere.example", messageId))).toBe(
      "no letter goes to office@alderlane.example any more",
    );
    expect(backAddresses(book.db).map(({ address }) => address)).toEqual([
      "office@alderlane.example",
    ]);
  });
  it("any other mail is turned away with a word", async () => {
    expect(
      await taken(Buffer.from("From: a@b.example\r\nSubject: hello\r\n\r\nWhen do you open?\r\n")),
    ).toBe("mail.no_report");
  });
  // RFC 3464 appendix E, the first and the second example, from memory.
  it("the examples of RFC 3464 are read", async () => {
    const example = (status: string): Buffer =>
      Buffer.from(
        `Date: Thu, 7 Jul 1994 17:16:05 -0400\r\nFrom: Mail Delivery Subsystem <MAILER-DAEMON@CS.UTK.EDU>\r\nSubject: Returned mail: Cannot send message for 5 days\r\nTo: <owner-info-mime@cs.utk.edu>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/report; report-type=delivery-status;\r\n      boundary="RAA14128.773615765/CS.UTK.EDU"\r\n\r\n--RAA14128.773615765/CS.UTK.EDU\r\n\r\nThe original message was received at Sat, 2 Jul 1994 17:10:28 -0400\r\nfrom root@localhost\r\n\r\n--RAA14128.773615765/CS.UTK.EDU\r\ncontent-type: message/delivery-status\r\n\r\nReporting-MTA: dns; cs.utk.edu\r\n\r\n${status.replaceAll("\n", "\r\n")}\r\n--RAA14128.773615765/CS.UTK.EDU\r\ncontent-type: message/rfc822\r\n\r\nSubject: [original message goes here]\r\n\r\n--RAA14128.773615765/CS.UTK.EDU--\r\n`,
      );
    const name =
      "Original-Recipient: rfc822;louisl@larry.slip.umd.edu\nFinal-Recipient: rfc822;louisl@larry.slip.umd.edu\nAction: failed\nStatus: 4.0.0\nDiagnostic-Code: smtp; 426 connection timed out\nLast-Attempt-Date: Thu, 7 Jul 1994 17:15:49 -0400\n";
    expect(await readReturnedMail("e1", example(name))).toEqual({
      ok: true,
      value: {
        file: "e1",
        messageId: null,
        recipients: [
          { address: "louisl@larry.slip.umd.edu", forGood: true, why: "426 connection timed out" },
        ],
      },
    });
    const several =
      "Final-Recipient: rfc822;arathib@vnet.ibm.com\nAction: failed\nStatus: 5.0.0 (permanent failure)\nDiagnostic-Code: smtp; 550 'arathib@vnet.IBM.COM' is not a registered gateway user\n\nFinal-Recipient: rfc822;johnh@hpnjld.njd.hp.com\nAction: delayed\nStatus: 4.0.0 (hpnjld.njd.jp.com: host name lookup failure)\n\nFinal-Recipient: rfc822;wsnell@sdcc13.ucsd.edu\nAction: failed\nStatus: 5.0.0\nDiagnostic-Code: smtp; 550 user unknown\n";
    const read = await readReturnedMail("e2", example(several));
    expect(read.ok && read.value.recipients).toEqual([
      {
        address: "arathib@vnet.ibm.com",
        forGood: true,
        why: "550 'arathib@vnet.IBM.COM' is not a registered gateway user",
      },
      {
        address: "johnh@hpnjld.njd.hp.com",
        forGood: false,
        why: "status 4.0.0 (hpnjld.njd.jp.com: host name lookup failure)",
      },
      { address: "wsnell@sdcc13.ucsd.edu", forGood: true, why: "550 user unknown" },
    ]);
  });
});
