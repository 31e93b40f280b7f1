import { z } from "zod";

import { askInput } from "@/contracts/questions";
import { fail, ok, type Result } from "@/core/result";
import { customerById, sitesOf } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import {
  insertQuestion,
  insertQuestionWords,
  lastQuestion,
  setQuestionState,
  wordsOfQuestion,
} from "@/db/questions";
import { defineCommand } from "@/server/runtime/command";

/** So much is said in one question; then somebody calls. */
const MOST_WORDS = 60;

/**
 * A customer asks about an invoice of its own, or about its account. What is said about the same
 * goes on in the same question, which opens again; while one is open nobody is reminded.
 */
export const askQuestion = defineCommand({
  name: "askQuestion",
  schema: askInput.omit({ key: true }).extend({ customerId: z.number().int() }),
  run(ctx, { customerId, itemId, words }): Result<{ questionId: number }> {
    if (!customerById(ctx.db, customerId)) return fail("customer.unknown", { id: customerId });
    const item = itemId === null ? null : openItemById(ctx.db, itemId);
    const own = [customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)];
    if (item === undefined || (item && !own.includes(item.customerId)))
      return fail("pay.item_gone");
    const before = lastQuestion(ctx.db, customerId, itemId);
    if (before && wordsOfQuestion(ctx.db, before.id).length >= MOST_WORDS)
      return fail("question.long");
    const questionId =
      before?.id ?? insertQuestion(ctx.db, { customerId, itemId, askedOn: ctx.today });
    setQuestionState(ctx.db, questionId, "open");
    const said = { byCustomer: true, actor: ctx.who.actor, words, on: ctx.today, at: ctx.at };
    insertQuestionWords(ctx.db, questionId, said);
    ctx.act(
      "question",
      { kind: "customer", id: customerId, customerId },
      `asked about ${item?.number ?? "the account"}: ${words.slice(0, 200)}`,
    );
    return ok({ questionId });
  },
});
