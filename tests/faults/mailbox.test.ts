import { mailbox } from "@/cli/mailbox";
import { contactsOf } from "@/db/contacts";
import { lettersOf } from "@/db/letters";
import { mailPage } from "@/db/mailRead";
import { backFrom } from "@/db/persons";
import { lookProblem } from "@/server/arrivals/mailbox/lastLook";
import { keepSecret } from "@/server/runtime/secrets";
import { arrivedFiles } from "@/server/runtime/folders";

import { eachBook, type TestBook } from "../support/book";
import { Mailbox, withFiles } from "../support/mailbox";

/* The business's mailbox: files, letters that came back, answers; each mail once. */

let book: TestBook;
eachBook((made) => {
  book = made;
});
let box: Mailbox;
beforeEach(async () => {
  box = await Mailbox.start();
  book.take("customers", "customer_id,name,email\nC1,Alder Lane Pottery,ann@alderlane.example\n");
  book.take(
    "invoices",
    "invoice_number,customer_id,issued_on,due_on,total\n20088,C1,2026-10-01,2026-10-31,100.00\n",
  );
  book.must("changeMailbox", { mailbox: settings(), secret: "open" });
});
const settings = () => ({
  ...{ host: "127.0.0.1", port: box.port, secure: false, user: "office@kestrelrow.example" },
  from: ["@bank.example"],
});
afterEach(() => box.end());

const look = async (): Promise<string> => {
  const {
    code,
    text = "",
    messages = [],
  } = await mailbox({
    values: { book: book.name, once: true },
    answers: [],
    files: [],
  });
  return code === 0 ? text : messages.join("\n");
};
const became = (): string[] => mailPage(book.db, 50, 0).rows.map((mail) => mail.became);
const TEXT = "Content-Type: text/plain; charset=utf-8\r\n\r\n";

/** OFX 1.x as SGML (OFX 2.2, from memory). */
const OFX =
  "OFXHEADER:100\r\nDATA:OFXSGML\r\n\r\n<OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>USD\n<BANKTRANLIST><STMTTRN><TRNTYPE>CREDIT\n<DTPOSTED>20261103\n<TRNAMT>1200.50\n<FITID>F1\n<NAME>LEE AND CO\n</STMTTRN></BANKTRANLIST></STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>";

describe("files that come by mail", () => {
  const lines = (): number => book.db.get<{ n: number }>("SELECT count(*) AS n FROM bank_line")!.n;

  it("are taken in where the sender may send and all is proven, once", async () => {
    box.add(
      { From: "Reports <Reports@Bank.example>", Subject: "Your statement" },
      withFiles("Here it is.", { "november.ofx": OFX }),
    );
    expect(await look()).toBe("reports@bank.example, “Your statement”: november.ofx is taken in");
    expect([lines(), became()]).toEqual([1, ["files"]]);
    expect(await look()).toBe("no new mail");
  });

  it("are taken in once though the box is numbered anew, and the mail comes twice", async () => {
    const head = {
      From: "x@bank.example",
      Subject: "Statement",
      "Message-ID": "<s1@bank.example>",
    };
    box.add(head, withFiles("", { "november.ofx": OFX }));
    box.add(head, withFiles("", { "november.ofx": OFX }));
    await look();
    await box.end();
    box = await Mailbox.start(77);
    book.must("changeMailbox", { mailbox: { ...settings(), port: box.port } });
    box.add(head, withFiles("", { "november.ofx": OFX }));
    expect(await look()).toContain("was read before");
    expect([lines(), became()]).toEqual([1, ["left", "left", "files"]]);
  });

  it("may have names that no folder takes", async () => {
    const name = `../../${"窯".repeat(200)}.ofx`;
    box.add({ From: "x@bank.example", Subject: "S" }, withFiles("", { [name]: OFX }));
    expect(await look()).toContain("is taken in");
    expect(lines()).toBe(1);
  });

  it("wait under Arrivals where they leave something open, with what", async () => {
    box.add(
      { From: "x@bank.example", Subject: "List" },
      withFiles("", { "list.csv": "When,What,How much\n01/02/2026,LEE AND CO,120.00\n" }),
    );
    expect(await look()).toContain("list.csv waits under Files");
    expect(arrivedFiles(book.name)).toEqual(["list.csv"]);
    expect(lines()).toBe(0);
  });

  it.each([
    ["anybody else", { From: "reports@other.example" }, "may not send files"],
    [
      "whoever the server calls forged",
      {
        "Authentication-Results": "mx.kestrelrow.example; dmarc=fail header.from=bank.example",
        From: "reports@bank.example",
      },
      "could not be proven",
    ],
  ])("of %s are not taken up", async (_who, head, why) => {
    box.add({ ...head, Subject: "Pay here" }, withFiles("", { "november.ofx": OFX }));
    expect(await look()).toContain(why);
    expect([lines(), became(), arrivedFiles(book.name)]).toEqual([0, ["left"], []]);
  });
});

describe("answers to letters", () => {
  const written = (): string => {
    book.must("sendLetter", { customerId: 1, subject: "Still open", body: "Please pay." });
    return lettersOf(book.db, 1)[0]!.messageId;
  };
  const notes = (): string[] => contactsOf(book.db, 1).map(({ text }) => text);

  it("stand in the history of the customer that the letter went to, without what they quote", async () => {
    const id = written();
    box.add(
      { From: "Ann <ann@alderlane.example>", Subject: "Re: Still open", "In-Reply-To": id },
      `${TEXT}We pay on Friday, card 4111 1111 1111 1111.\r\n\r\n> Please pay.\r\n`,
    );
    expect(await look()).toMatch(/“We pay on Friday, card \S+ ?.*”, to “Still open”/);
    expect(JSON.stringify(mailPage(book.db, 50, 0).rows)).not.toMatch(/4111.?1111.?1111.?1111/);
    const [note = ""] = notes();
    expect(note).toContain("By mail from ann@alderlane.example: We pay on Friday, card ");
    // What must not be kept is not.
    expect(note).not.toContain("4111 1111");
    expect(await look()).toBe("no new mail");
    expect(notes()).toHaveLength(1);
  });

  it("that are cut in the middle of a sign are kept", async () => {
    const id = written();
    const head = { From: "ann@alderlane.example", "In-Reply-To": id };
    const base64 = (text: string): string => Buffer.from(text).toString("base64");
    box.add(
      { ...head, Subject: `=?utf-8?b?${base64(`${"a".repeat(199)}😀`)}?=` },
      `Content-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: base64\r\n\r\n${base64(`${"b".repeat(1499)}😀`)}\r\n`,
    );
    expect(await look()).toContain("bbb”, to “Still open”");
    expect(notes()[0]).toMatch(/: b{1499}$/);
  });

  it("that hold what is no text are kept without it", async () => {
    const id = written();
    const subject = "=?utf-8?q?Re:_=00=E2=80=AEnow?=";
    box.add(
      { From: "ann@alderlane.example", Subject: subject, "In-Reply-To": id },
      `${TEXT}\u0007Yes.`,
    );
    await look();
    expect(mailPage(book.db, 1, 0).rows[0]?.subject).toBe("Re: now");
    expect(notes()).toEqual(["By mail from ann@alderlane.example: Yes."]);
  });

  it("are not those of a machine, nor mails that answer nothing of ours", async () => {
    const id = written();
    const head = { From: "ann@alderlane.example", Subject: "Out of office" };
    box.add({ ...head, "In-Reply-To": id, "Auto-Submitted": "auto-replied" }, `${TEXT}Away.\r\n`);
    box.add({ ...head, "In-Reply-To": "<other@elsewhere.example>" }, `${TEXT}Hello.\r\n`);
    await look();
    expect([notes(), became()]).toEqual([[], ["left", "left"]]);
  });

  it("letters that came back are noted, and nothing goes there any more", async () => {
    const id = written();
    const status = [
      "Reporting-MTA: dns; relay.example",
      "",
      "Final-Recipient: rfc822; ann@alderlane.example",
      "Action: failed",
      "Status: 5.1.1",
      "",
    ];
    box.add(
      { From: "MAILER-DAEMON@relay.example", Subject: "Undelivered" },
      [
        'Content-Type: multipart/report; report-type=delivery-status; boundary="b1"',
        ...["", "--b1", "Content-Type: text/plain", "", "It did not arrive.", ""],
        ...["--b1", "Content-Type: message/delivery-status", "", ...status],
        ...["--b1", "Content-Type: text/rfc822-headers", "", `Message-ID: ${id}`, "", "--b1--", ""],
      ].join("\r\n"),
    );
    expect(await look()).toContain("no letter goes to ann@alderlane.example any more");
    expect([backFrom(book.db, "ann@alderlane.example"), became()]).toEqual([
      "status 5.1.1",
      ["report"],
    ]);
  });
});

describe("a mailbox that does not open", () => {
  it("says so of a wrong password, and that there is none", async () => {
    keepSecret(book.name, "mailbox", "wrong");
    expect(await look()).toContain("did not let us in");
    // It stands on the page as long as it is so.
    expect(lookProblem(book.name)).toContain("did not let us in");
    keepSecret(book.name, "mailbox", "open");
    expect([await look(), lookProblem(book.name)]).toEqual(["no new mail", null]);
    book.must("changeMailbox", { mailbox: null });
    expect(await look()).toContain("No mailbox is named");
  });

  it("says so of a machine that does not answer, and goes on where it was afterwards", async () => {
    const { port } = box;
    await box.end();
    expect(await look()).toContain("was not reached");
    expect(port).toBeGreaterThan(0);
    box = await Mailbox.start();
  });
});
