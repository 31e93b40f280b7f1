import { z } from "zod";

import { answerInput } from "@/contracts/questions";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import {
  insertQuestionWords,
  questionById,
  type QuestionRow,
  setQuestionState,
} from "@/db/questions";
import { mailBeside, reachOf } from "@/server/overdue/steps/besideLadder";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** Answers a customer's question, on its page and by mail where mail reaches it; and ends it, if that is all. */
export const answerQuestion = defineCommand({
  name: "answerQuestion",
  schema: answerInput,
  run(ctx, { questionId, words, close }): Result<{ mailed: boolean }> {
    const question = questionById(ctx.db, questionId);
    if (!question) return fail("question.unknown");
    const own = { byCustomer: false, actor: ctx.who.actor, line: null };
    const said = { ...own, words, on: ctx.today, at: ctx.at };
    insertQuestionWords(ctx.db, questionId, said);
    if (close) setQuestionState(ctx.db, questionId, "closed");
    const actId = ctx.act(
      "question",
      { kind: "customer", id: question.customerId, customerId: question.customerId },
      `answered about ${question.number ?? "the account"}${close ? ", and ended" : ""}: ${words.slice(0, 200)}`,
    );
    return ok({ mailed: mail(ctx, question, { words, actId }) });
  },
});

/** Ends a question that needs no answer, or opens one again. */
export const endQuestion = defineCommand({
  name: "endQuestion",
  schema: z.object({ questionId: z.number().int(), again: z.boolean().default(false) }),
  run(ctx, { questionId, again }): Result<null> {
    const question = questionById(ctx.db, questionId);
    if (!question) return fail("question.unknown");
    setQuestionState(ctx.db, questionId, again ? "open" : "closed");
    ctx.act(
      "question",
      { kind: "customer", id: question.customerId, customerId: question.customerId },
      `the question about ${question.number ?? "the account"} ${again ? "opened again" : "ended"}`,
    );
    return ok(null);
  },
});

function mail(
  ctx: CommandContext,
  { customerId, number }: QuestionRow,
  { words, actId }: { words: string; actId: number },
): boolean {
  const { db, settings } = ctx;
  const customer = customerById(db, customerId);
  if (!customer) return false;
  const { to, copies } = reachOf(ctx, customer);
  if (to === null) return false;
  const link =
    settings.linkBase === null
      ? ""
      : `\n\n${settings.linkBase}/pay/${linkOf(db, customerId)}/questions`;
  const subject = number === null ? settings.name : `${settings.name}, ${number}`;
  const body = `${words}${link}`;
  mailBeside(ctx, { customerId, to, copies, subject, body, what: "answer", actId });
  return true;
}
