import { z } from "zod";

import { askInput } from "@/contracts/questions";
import { fail, ok, type Result } from "@/core/result";
import { customerById, sitesOf } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import {
  insertQuestion,
  insertQuestionWords,
  lastQuestion,
  setQuestionKind,
  setQuestionState,
  wordsOfQuestion,
} from "@/db/questions";
import { linesAbout } from "../queries/linesAbout";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

/** So much is said in one question; then somebody calls. */
const MOST_WORDS = 60;

const DOES = { question: "asked about", dispute: "does not agree with" } as const;

/**
 * A customer asks about an invoice of its own, or about its account. What is said about the same
 * goes on in the same question, which opens again; while one is open nobody is reminded.
 */
export const askQuestion = defineCommand({
  name: "askQuestion",
  schema: askInput.omit({ key: true }).extend({ customerId: z.number().int() }),
  run(ctx, { customerId, itemId, kind, line, words }): Result<{ questionId: number }> {
    const found = itemOf(ctx, customerId, itemId);
    if (!found.ok) return found;
    const item = found.value;
    const before = lastQuestion(ctx.db, customerId, itemId);
    if (before && wordsOfQuestion(ctx.db, before.id).length >= MOST_WORDS)
      return fail("question.long");
    const about = lineOf(ctx, item, line);
    if (!about.ok) return about;
    const questionId =
      before?.id ?? insertQuestion(ctx.db, { kind, customerId, itemId, askedOn: ctx.today });
    setQuestionState(ctx.db, questionId, "open");
    // While it is open a dispute stays one, whatever else is asked.
    if (kind === "dispute" || before?.state === "closed") setQuestionKind(ctx.db, questionId, kind);
    const said = { byCustomer: true, actor: ctx.who.actor, line: about.value };
    insertQuestionWords(ctx.db, questionId, { ...said, words, on: ctx.today, at: ctx.at });
    ctx.act(
      "question",
      { kind: "customer", id: customerId, customerId },
      `${DOES[kind]} ${item?.number ?? "the account"}: ${words.slice(0, 200)}`,
    );
    return ok({ questionId });
  },
});

/** The line that is asked about, in words; null for all of the item. */
function lineOf(
  { db }: CommandContext,
  item: OpenItemRow | null,
  line: number | null,
): Result<string | null> {
  if (line === null || item === null) return ok(null);
  const words = linesAbout(db, item.id)[line - 1];
  return words === undefined ? fail("question.line") : ok(words);
}

/** What is asked about: an item of the customer or its sites, or (null) the account. */
function itemOf(
  { db }: CommandContext,
  customerId: number,
  itemId: number | null,
): Result<OpenItemRow | null> {
  if (!customerById(db, customerId)) return fail("customer.unknown", { id: customerId });
  if (itemId === null) return ok(null);
  const item = openItemById(db, itemId);
  const own = [customerId, ...sitesOf(db, customerId).map(({ id }) => id)];
  return item && own.includes(item.customerId) ? ok(item) : fail("pay.item_gone");
}
