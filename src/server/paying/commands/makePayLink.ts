import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById, sitesOf } from "@/db/customers";
import { openItemById } from "@/db/openItems";
import { endPayLink, insertPayLink, payLinkById } from "@/db/payLinks";
import { defineCommand } from "@/server/runtime/command";

const sum = z.number().int().positive().transform(minor).nullable().default(null);

/**
 * Makes a link by which a customer pays some invoices, or all that is open. Its secret part is made
 * where it is shown, once; the book has its hash alone.
 */
export const makePayLink = defineCommand({
  name: "makePayLink",
  schema: z.object({
    customerId: z.number().int(),
    itemIds: z.array(z.number().int()).max(200),
    /** Between which sums it is paid; left out: as the book says. Both the same: the sum is fixed. */
    sumFrom: sum,
    sumTo: sum,
    /** Whether who pays by it agrees that what comes is taken by itself: a tenant, a monthly plan. */
    asksConsent: z.boolean().default(false),
    hash: z.string().regex(/^[0-9a-f]{64}$/),
  }),
  run(ctx, input): Result<{ id: number }> {
    const { customerId, itemIds, sumFrom, sumTo, hash } = input;
    if (sumFrom !== null && sumTo !== null && sumTo < sumFrom) return fail("pay.link_sums");
    if (!customerById(ctx.db, customerId)) return fail("customer.unknown", { id: customerId });
    const own = new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)]);
    const numbers: string[] = [];
    for (const id of itemIds) {
      const item = openItemById(ctx.db, id);
      if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
      numbers.push(item.number);
    }
    const actId = ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `a link to pay ${numbers.length === 0 ? "all that is open" : numbers.join(", ")} made`,
    );
    const asksConsent = input.asksConsent ? 1 : 0;
    const link = {
      hash,
      customerId,
      madeOn: ctx.today,
      sumFrom,
      sumTo,
      asksConsent,
      actId,
    } as const;
    const id = insertPayLink(ctx.db, link, itemIds);
    return ok({ id });
  },
});

/** Withdraws a link: it leads nowhere from now on. */
export const withdrawPayLink = defineCommand({
  name: "withdrawPayLink",
  schema: z.object({ id: z.number().int() }),
  run(ctx, { id }): Result<null> {
    const link = payLinkById(ctx.db, id);
    if (!link || link.endedOn !== null) return fail("pay.link_gone");
    endPayLink(ctx.db, id, ctx.today);
    ctx.act(
      "paying",
      { kind: "customer", id: link.customerId, customerId: link.customerId },
      "a link to pay was withdrawn",
    );
    return ok(null);
  },
});
