import { z } from "zod";

import { fail, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { proposalsOf } from "@/server/match/proposals";
import { defineCommand } from "@/server/runtime/command";

import { overdueRows } from "../queries/overdue";
import { filesInTheWay } from "../steps/filesWaiting";
import { letter, record } from "../steps/recordLetter";

/**
 * Records a letter that was looked at, to be delivered right after. Who waits
 * is looked up again here: a receipt that came in meanwhile holds the letter.
 */
export const sendLetter = defineCommand({
  name: "sendLetter",
  schema: letter.extend({ despiteFiles: z.array(z.string()).optional() }),
  run(ctx, input): Result<{ letterId: number; actId: number }> {
    const problem = filesInTheWay(ctx, input.despiteFiles);
    if (problem) return problem;
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customer.id).find(
      (overdue) => overdue.customer.id === customer.id,
    );
    return row ? record(ctx, row, input) : fail("letter.nothing", { customer: customer.name });
  },
});
