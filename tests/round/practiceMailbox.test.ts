import { writeFileSync } from "node:fs";

import { mailbox } from "@/cli/mailbox";
import { mailPage } from "@/db/mailRead";
import { PRACTICE_PASSWORD, PRACTICE_USER, servePracticeMailbox } from "@/practice/mailbox";
import { answerTo } from "@/practice/mailbox/answers";
import { outboxFile } from "@/server/runtime/folders";

import { eachBook, type TestBook } from "../support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const letter = (id: string): string =>
  [
    `From: ${PRACTICE_USER}`,
    "To: ann@alderlane.example",
    "Subject: One invoice past the due date",
    `Message-ID: ${id}`,
    "MIME-Version: 1.0",
    "Content-Type: text/plain; charset=utf-8",
    "",
    "Dear Ann, …",
  ].join("\r\n");
const idOf = (at: number): string => `<letter-${at}@kestrel.example>`;
const answerOf = (at: number): Promise<string | null> =>
  answerTo({ id: idOf(at), from: PRACTICE_USER, to: "ann@alderlane.example", subject: "S" });

const look = async (): Promise<string> =>
  (await mailbox({ values: { book: book.name, once: true }, answers: [], files: [] })).text ?? "";

const NO_MAIL = "no new mail";

/** The first letter from a number on that is answered. */
async function nextAnswered(from: number): Promise<number> {
  return (await answerOf(from)) === null ? nextAnswered(from + 1) : from;
}

describe("the practice mailbox", () => {
  it("answers letters that left, or sends them back, and so the business hears of them", async () => {
    for (let at = 0; at < 30; at += 1)
      writeFileSync(outboxFile(book.name, `${at + 10}.eml`), letter(idOf(at)));
    const served = await servePracticeMailbox(book.name, 0);
    if (!served.ok) throw new Error(served.error.code);
    const server = { host: "127.0.0.1", port: served.value.port, secure: false };
    book.must("changeMailbox", {
      mailbox: { ...server, user: PRACTICE_USER, from: [] },
      secret: PRACTICE_PASSWORD,
    });
    await look();
    const read = mailPage(book.db, 100, 0).rows;
    const answers = await Promise.all(Array.from({ length: 30 }, (_, at) => answerOf(at)));
    expect(read).toHaveLength(answers.filter((answer) => answer !== null).length);
    const reports = answers.filter((answer) => answer?.includes("report-type=delivery-status"));
    expect(read.filter(({ became }) => became === "report")).toHaveLength(reports.length);
    expect([read.length > 3, read.length < 20]).toEqual([true, true]);
    expect(await look()).toBe(NO_MAIL);
    // A letter that leaves while it is open is answered too.
    const next = await nextAnswered(30);
    writeFileSync(outboxFile(book.name, "99.eml"), letter(idOf(next)));
    let heard = await look();
    for (let tries = 0; tries < 40 && heard === NO_MAIL; tries += 1) {
      await new Promise((resolve) => setTimeout(resolve, 250));
      heard = await look();
    }
    expect(heard).not.toBe(NO_MAIL);
    await served.value.end();
  });

  it("says which port cannot be opened", async () => {
    const first = await servePracticeMailbox(book.name, 0);
    if (!first.ok) throw new Error(first.error.code);
    const second = await servePracticeMailbox(book.name, first.value.port);
    expect(second).toMatchObject({ ok: false, error: { code: "practice.mailbox" } });
    await first.value.end();
  });
});
