import { randomUUID } from "node:crypto";

import type { Proposal } from "@/core/matching";
import { postSure } from "@/server/match/commands/postSure";
import { proposalsOf } from "@/server/match/proposals";
import { openBookToRead, openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";

import { EXIT, failed, type Outcome, outcomeOf } from "./outcome";

/** The proposals of a book; its sure ones are posted if told to. */
export function matchBook(book: string, post: boolean): Outcome {
  const opened = post ? openBookToWrite(book) : openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  const proposals = proposalsOf(opened.value);
  const count = (decision: Proposal["decision"]): number =>
    proposals.filter((proposal) => proposal.decision === decision).length;
  const counts = {
    receipts: proposals.length,
    sure: count("sure"),
    check: count("check"),
    none: count("none"),
  };
  const words = `${counts.receipts} receipts to match: ${counts.sure} sure, ${counts.check} to check, ${counts.none} no home yet`;
  if (!post) return { code: EXIT.done, text: words, data: { ...counts, proposals } };
  const done = runCommand(
    opened.value,
    postSure,
    { receiptIds: null },
    { book, actor: "command line", key: randomUUID() },
  );
  return outcomeOf(done, (value) => ({
    code: EXIT.done,
    text: `${words}\n${value.posted} posted`,
    data: { ...counts, ...value },
  }));
}
