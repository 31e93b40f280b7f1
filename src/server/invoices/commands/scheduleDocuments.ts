import { z } from "zod";

import { billedInput, planInput } from "@/contracts/schedules";
import { fail, ok, type Result } from "@/core/result";
import { documentById, type DocumentRow } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";

import { inputOf } from "../steps/inputOf";
import { setSchedule } from "./setSchedule";

const plan = planInput.pick({ startsOn: true, everyCount: true, everyUnit: true, makes: true });

/** Lets invoices come again, each by a schedule of its own and all by one plan; all of them or none. */
export const scheduleDocuments = defineCommand({
  name: "scheduleDocuments",
  schema: z.object({ ids: z.array(z.number().int()).min(1).max(500), plan }),
  run(ctx, { ids, plan: asked }): Result<{ scheduleIds: number[] }> {
    const scheduleIds: number[] = [];
    for (const id of new Set(ids)) {
      const document = documentById(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      const billed = billedInput.parse(inputOf(ctx.db, document));
      // What took a deposit off does so once.
      const lines = billed.lines.filter(({ settles }) => settles === null);
      const name = (lines[0]?.description ?? document.number ?? "").slice(0, 120);
      if (!comesAgain(document) || lines.length === 0)
        return fail("schedule.not_of", { number: document.number ?? name });
      const whole = planInput.parse({ ...asked, countedFrom: null, until: null, times: null });
      const begun = setSchedule.run(ctx, {
        id: null,
        version: 0,
        name,
        plan: whole,
        billed: { ...billed, lines },
        from: null,
      });
      if (!begun.ok) return begun;
      scheduleIds.push(begun.value.id);
    }
    return ok({ scheduleIds });
  },
});

/** A credit note, or what asks for a part of an order beforehand, does not. */
const comesAgain = ({ kind, depositOf }: DocumentRow): boolean =>
  kind === "invoice" && depositOf === null;
