import fc from "fast-check";

import { type MailReport, MOST_MAIL_BYTES, readReturnedMail } from "./returnedMail";

type Part = { type: string; body: string };
const mail = (
  parts: readonly Part[],
  head = 'Content-Type: multipart/report; report-type=delivery-status; boundary="xx"',
): Buffer =>
  Buffer.from(
    [
      "From: MAILER-DAEMON@relay.example",
      "Subject: Undelivered",
      "MIME-Version: 1.0",
      head,
      "",
      ...parts.flatMap(({ type, body }) => ["--xx", `Content-Type: ${type}`, "", body]),
      "--xx--",
      "",
    ].join("\r\n"),
  );
const status = (...groups: string[]): Part => ({
  type: "message/delivery-status",
  body: ["Reporting-MTA: dns; relay.example", ...groups].join("\r\n\r\n"),
});
const words: Part = { type: "text/plain", body: "It did not arrive." };
const read = async (bytes: Buffer): Promise<MailReport | string> => {
  const found = await readReturnedMail("m.eml", bytes);
  return found.ok ? found.value : found.error.code;
};
const failed = "Final-Recipient: rfc822; ito@a.example\r\nAction: failed\r\nStatus: 5.1.1";

describe("mails that say that a letter came back (RFC 3464)", () => {
  it.each<[string, Part[], object]>([
    [
      "the whole letter sent back",
      [
        words,
        status(failed),
        {
          type: "message/rfc822",
          body: "Message-ID: <m1@book.dozo.invalid>\r\nSubject: Still open\r\n\r\nDear Ms Ito",
        },
      ],
      { messageId: "<m1@book.dozo.invalid>" },
    ],
    [
      "its head alone",
      [
        words,
        status(failed),
        {
          type: "text/rfc822-headers",
          body: "Subject: Still open\r\nMessage-Id:\r\n <m2@book.dozo.invalid>",
        },
      ],
      { messageId: "<m2@book.dozo.invalid>" },
    ],
    ["no letter sent back", [words, status(failed)], { messageId: null }],
    [
      "no words for people",
      [status(failed)],
      { recipients: [{ address: "ito@a.example", forGood: true, why: "status 5.1.1" }] },
    ],
    [
      "what the far system said, over several lines",
      [
        words,
        status(`${failed}\r\nDiagnostic-Code: smtp; 550-5.1.1 The account\r\n  does not exist`),
      ],
      {
        recipients: [
          { address: "ito@a.example", forGood: true, why: "550-5.1.1 The account does not exist" },
        ],
      },
    ],
    [
      "the address as it was written, where it was passed on",
      [words, status(`Original-Recipient: rfc822; office@a.example\r\n${failed}`)],
      { recipients: [{ address: "office@a.example", forGood: true, why: "status 5.1.1" }] },
    ],
    [
      "an address in angle brackets, fields in capitals",
      [words, status("FINAL-RECIPIENT: RFC822; <ito@a.example>\r\nACTION: FAILED")],
      {
        recipients: [
          { address: "ito@a.example", forGood: true, why: "the mail system gave it up" },
        ],
      },
    ],
    [
      "one that arrived and one that did not",
      [
        words,
        status(
          "Final-Recipient: rfc822; ware@a.example\r\nAction: delivered\r\nStatus: 2.0.0",
          failed,
        ),
      ],
      { recipients: [{ address: "ito@a.example", forGood: true, why: "status 5.1.1" }] },
    ],
    [
      "late, not lost",
      [words, status("Final-Recipient: rfc822; ito@a.example\r\nAction: delayed\r\nStatus: 4.4.1")],
      { recipients: [{ address: "ito@a.example", forGood: false, why: "status 4.4.1" }] },
    ],
  ])("%s", async (_case, parts, expected) =>
    expect(await read(mail(parts))).toMatchObject(expected),
  );
  it("an answer that is longer than a line is cut", async () => {
    const found = await read(
      mail([status(`${failed}\r\nDiagnostic-Code: smtp; ${"far too long ".repeat(60)}`)]),
    );
    expect(typeof found === "string" ? 0 : found.recipients[0]?.why.length).toBe(160);
  });
  it.each<[string, Buffer]>([
    [
      "an everyday mail",
      Buffer.from("From: a@b.example\r\nSubject: hello\r\n\r\nWhen do you open?\r\n"),
    ],
    ["nothing", Buffer.alloc(0)],
    [
      "a receipt that says that all arrived",
      mail([
        words,
        status("Final-Recipient: rfc822; ito@a.example\r\nAction: delivered\r\nStatus: 2.0.0"),
      ]),
    ],
    [
      "a report about something that is no mail address",
      mail([words, status("Final-Recipient: x400; nobody\r\nAction: failed")]),
    ],
    [
      "an answer of a person who is away",
      mail(
        [{ type: "text/plain", body: "I am away until Monday." }],
        'Content-Type: multipart/mixed; boundary="xx"',
      ),
    ],
  ])("%s is none", async (_case, bytes) => expect(await read(bytes)).toBe("mail.no_report"));
  it("what is larger than any report is not read", async () =>
    expect(await read(Buffer.alloc(MOST_MAIL_BYTES + 1, 97))).toBe("mail.large"));
  it("whatever is dropped there, it says something and does not break", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(
          fc.uint8Array({ maxLength: 400 }),
          fc.string({ maxLength: 200 }).map((text) => mail([status(text)])),
          fc
            .array(fc.string({ maxLength: 40 }), { maxLength: 6 })
            .map((groups) =>
              mail([
                words,
                status(...groups),
                { type: "message/rfc822", body: groups.join("\r\n") },
              ]),
            ),
        ),
        async (bytes) => {
          const found = await readReturnedMail("m.eml", Buffer.from(bytes));
          expect(
            found.ok
              ? found.value.recipients.every(
                  ({ address, why }) => /^\S+@\S+$/.test(address) && why !== "",
                )
              : ["mail.no_report", "mail.large"].includes(found.error.code),
          ).toBe(true);
        },
      ),
      { numRuns: 150 },
    );
  });
});
