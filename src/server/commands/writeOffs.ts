import { z } from "zod";

import { inBook, postBadDebt, postSmallDifference } from "@/core/ledger";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { changeBalance, openItemById } from "@/db/openItems";
import {
  decideWriteOffRow,
  insertWriteOff,
  writeOffById,
  writeOffsOf,
  type WriteOffRow,
} from "@/db/writeOffs";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { isOver, taxIn } from "../steps/place";

/**
 * Gives up what is open of an invoice, or a part, without a payment. Within the
 * book's limit it is posted at once as a small difference; over it, it waits
 * for a second person and is a bad debt.
 */
export const writeOff = defineCommand({
  name: "writeOff",
  schema: z.object({
    itemId: z.number().int(),
    sum: z.number().int().positive().transform(minor),
    why: z.string().trim().min(3, "Say why it is given up, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number; waits: boolean }> {
    const item = openItemById(ctx.db, input.itemId);
    if (!item || item.balance <= 0)
      return fail("write_off.settled", { number: item?.number ?? "this invoice" });
    if (input.sum > item.balance)
      return fail("tally.item", {
        number: item.number,
        balance: ctx.sum(item.balance, item.currency),
        wanted: ctx.sum(input.sum, item.currency),
      });
    if (writeOffsOf(ctx.db, item.id).some(({ state }) => state === "waiting"))
      return fail("write_off.waits", { number: item.number });
    const over = isOver(ctx, input.sum, item.currency, ctx.today);
    if (over && ctx.settings.people.length < 2) return fail("approval.people");
    const words = `${ctx.sum(input.sum, item.currency)} of ${item.number}`;
    const actId = ctx.act(
      over ? "ask" : "write_off",
      { kind: "open_item", id: item.id, customerId: item.customerId },
      over
        ? `a write-off of ${words} waits for a second person: ${input.why}`
        : `${words} written off: ${input.why}`,
    );
    const id = insertWriteOff(ctx.db, {
      itemId: item.id,
      sum: input.sum,
      kind: over ? "bad_debt" : "small",
      why: input.why,
      askedBy: ctx.who.actor,
      askedOn: ctx.today,
      actId,
    });
    if (!over) post(ctx, id, actId, null, null);
    return ok({ actId, waits: over });
  },
});

/** The second person agrees (then it is posted) or refuses (then the invoice stays open). */
export const decideInvoiceWriteOff = defineCommand({
  name: "decideInvoiceWriteOff",
  schema: z.object({
    writeOffId: z.number().int(),
    approve: z.boolean(),
    why: z.string().trim().max(200).default(""),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const asked = writeOffById(ctx.db, input.writeOffId);
    if (!asked || asked.state !== "waiting") return fail("approval.unknown");
    if (asked.askedBy === ctx.who.actor)
      return fail("approval.same_person", { person: asked.askedBy });
    const about = { kind: "open_item" as const, id: asked.itemId, customerId: asked.customerId };
    const words = `${ctx.sum(asked.sum, asked.currency)} of ${asked.number}`;
    if (!input.approve) {
      decideWriteOffRow(ctx.db, asked.id, {
        state: "refused",
        by: ctx.who.actor,
        why: input.why || null,
        tax: minor(0),
        postedAct: null,
      });
      return ok({
        actId: ctx.act(
          "decide",
          about,
          `write-off of ${words} refused${input.why ? `: ${input.why}` : ""}`,
        ),
      });
    }
    const item = openItemById(ctx.db, asked.itemId);
    if (!item || item.balance < asked.sum)
      return fail("tally.item", {
        number: asked.number,
        balance: ctx.sum(item?.balance ?? 0, asked.currency),
        wanted: ctx.sum(asked.sum, asked.currency),
      });
    const actId = ctx.act(
      "write_off",
      about,
      `${words} written off, asked by ${asked.askedBy}: ${asked.why}`,
    );
    post(ctx, asked.id, actId, ctx.who.actor, input.why || null);
    return ok({ actId });
  },
});

function post(ctx: Ctx, id: number, actId: number, by: string | null, why: string | null): void {
  const row = writeOffById(ctx.db, id) as WriteOffRow;
  const item = openItemById(ctx.db, row.itemId);
  const tax =
    row.kind === "bad_debt" && ctx.settings.taxOnBadDebts ? taxIn(row.sum, item) : minor(0);
  const head = {
    on: ctx.today,
    partyId: row.customerId,
    document: { kind: "open_item" as const, id: row.itemId, text: `invoice ${row.number}` },
    itemId: row.itemId,
    sum: inBook(row.sum, row.currency),
  };
  ctx.post(
    row.kind === "small"
      ? postSmallDifference(head)
      : postBadDebt({ ...head, tax: inBook(tax, row.currency) }),
    actId,
  );
  changeBalance(ctx.db, row.itemId, minor(-row.sum));
  decideWriteOffRow(ctx.db, id, { state: "posted", by, why, tax, postedAct: actId });
}
