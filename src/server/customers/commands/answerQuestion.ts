import { z } from "zod";

import { answerInput } from "@/contracts/questions";
import { ZERO } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { linkOf } from "@/db/accountPages";
import { customerById } from "@/db/customers";
import { insertLetter } from "@/db/letters";
import { backFrom, personsOf } from "@/db/persons";
import {
  insertQuestionWords,
  questionById,
  type QuestionRow,
  setQuestionState,
} from "@/db/questions";
import { addressed } from "@/server/overdue/letters";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** Answers a customer's question, on its page and by mail where mail reaches it; and ends it, if that is all. */
export const answerQuestion = defineCommand({
  name: "answerQuestion",
  schema: answerInput,
  run(ctx, { questionId, words, close }): Result<{ mailed: boolean }> {
    const question = questionById(ctx.db, questionId);
    if (!question) return fail("question.unknown");
    const said = { byCustomer: false, actor: ctx.who.actor, words, on: ctx.today, at: ctx.at };
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

/** No rung of a ladder. */
const NO_RUNG = 0;

function mail(
  ctx: CommandContext,
  { customerId, itemId, number }: QuestionRow,
  { words, actId }: { words: string; actId: number },
): boolean {
  const { db, settings } = ctx;
  const customer = customerById(db, customerId);
  if (!customer) return false;
  const reach = { persons: personsOf(db, customerId), customer };
  const { to, copies } = addressed(reach, (address) => backFrom(db, address));
  if (to === null) return false;
  const name = `${ctx.today}-answer-${actId}`;
  const link =
    settings.linkBase === null
      ? ""
      : `\n\n${settings.linkBase}/pay/${linkOf(db, customerId)}/questions`;
  insertLetter(
    db,
    {
      customerId,
      step: NO_RUNG,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject: number === null ? settings.name : `${settings.name}, ${number}`,
      body: `${words}${link}`,
      currency: settings.currency,
      sum: ZERO,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach: "none",
      fee: ZERO,
      feeCurrency: settings.currency,
      actId,
    },
    itemId === null ? [] : [{ openItemId: itemId, balance: ZERO }],
  );
  return true;
}
