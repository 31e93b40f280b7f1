import { z } from "zod";

import { type JournalFileMade } from "@/contracts/books";
import { isoDay } from "@/contracts/values";
import { JOURNAL_FIELDS } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import {
  insertJournalFile,
  journalFileOfAct,
  saveJournalLayout,
  setJournalFileUndone,
} from "@/db/journalFiles";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

export const layoutSchema = z.object({
  columns: z
    .array(
      z.object({
        header: z.string().trim().min(1, "A column needs a heading.").max(60),
        field: z.enum(JOURNAL_FIELDS),
      }),
    )
    .min(1, "A file has one column at least.")
    .max(20),
  accounts: z.record(z.string().max(20), z.string().trim().max(40)),
  dayOrder: z.enum(["ymd", "mdy", "dmy"]),
  decimalMark: z.enum([".", ","]),
});

/**
 * Makes a journal file for another ledger: entries of some days that never went out; with `again`
 * all of them, marked. The layout is kept by its name.
 */
export const makeJournalFile = defineCommand({
  name: "makeJournalFile",
  schema: z.object({
    layout: z.string().trim().min(1, "The layout needs a name.").max(60),
    spec: layoutSchema,
    from: isoDay,
    to: isoDay,
    again: z.boolean().default(false),
  }),
  run(ctx, input): Result<JournalFileMade> {
    if (input.to < input.from) return fail("journal.span");
    const fields = new Set(input.spec.columns.map(({ field }) => field));
    if (
      !fields.has("account") ||
      !(fields.has("amount") || (fields.has("debit") && fields.has("credit")))
    )
      return fail("journal.columns");
    saveJournalLayout(ctx.db, input.layout, input.spec);
    const actId = ctx.act(
      "export",
      { kind: "book", id: 0 },
      `journal file “${input.layout}” made, ${input.from} to ${input.to}${input.again ? ", with what was sent before" : ""}`,
    );
    const made = insertJournalFile(
      ctx.db,
      { layout: input.layout, spec: input.spec, fromDay: input.from, toDay: input.to, actId },
      input.again,
    );
    return made.entries === 0
      ? fail("journal.nothing", { from: input.from, to: input.to })
      : ok({ actId, fileId: made.id, entries: made.entries, again: made.sentAgain });
  },
});

/** The entries of a journal file count as never sent again. */
export const unmakeJournalFile: Reversal = (ctx, act) => {
  const file = journalFileOfAct(ctx.db, act.id);
  if (file) setJournalFileUndone(ctx.db, file.id);
  return ok(null);
};
