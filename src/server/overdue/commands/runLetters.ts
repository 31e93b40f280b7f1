import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { runSkips } from "@/db/letters";
import { proposalsOf } from "@/server/match/proposals";
import { defineCommand } from "@/server/runtime/command";

import { overdueRows } from "../queries/overdue";
import { filesInTheWay } from "../steps/filesWaiting";
import { record } from "../steps/recordLetter";

/**
 * Records every letter that may go by itself today, with the words as they
 * are; whoever was taken out beforehand gets none. By schedule, or by hand.
 */
export const runLetters = defineCommand({
  name: "runLetters",
  schema: z.object({ despiteFiles: z.array(z.string()).optional() }),
  run(ctx, { despiteFiles }): Result<{ sent: number; held: number }> {
    const problem = filesInTheWay(ctx, despiteFiles);
    if (problem) return problem;
    const skips = runSkips(ctx.db, ctx.today);
    const rows = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).filter(
      (row) => row.goesByItself && !skips.has(row.customer.id),
    );
    let sent = 0;
    rows.forEach((row, at) => {
      ctx.who.progress?.(at, rows.length);
      if (record(ctx, row, null).ok) sent += 1;
    });
    ctx.act(
      "run",
      { kind: "book", id: 0 },
      `letters that go by themselves: ${sent} sent${rows.length > sent ? `, ${rows.length - sent} without an address that letters reach` : ""}${skips.size > 0 ? `, ${skips.size} taken out` : ""}`,
    );
    return ok({ sent, held: rows.length - sent });
  },
});
