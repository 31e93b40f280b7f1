import { z } from "zod";

import type { ImportReport } from "@/contracts/arrivals";
import { ROW_KIND_NAMES } from "@/core/activity";
import { FILE_KINDS, type MappingSpec, missingInWords } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import { insertImportFile, saveMapping, setRowCounts } from "@/db/files";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";

import { fillTray, readAgain, takenBackFirst } from "../imports/again";
import { readKept } from "../imports/readKept";

export const mappingSchema = z.object({
  kind: z.enum(FILE_KINDS),
  columns: z.record(z.string(), z.string()),
  dayOrder: z.enum(["ymd", "mdy", "dmy"]),
  decimalMark: z.enum([".", ","]),
  markSaid: z.boolean().optional(),
  rowKinds: z.record(z.string(), z.enum(ROW_KIND_NAMES)),
  signs: z.enum(["as_written", "by_kind"]),
  payoutSign: z.enum(["as_written", "turned"]),
  feeSign: z.enum(["cost", "effect"]),
  answers: z.record(z.string().max(300), z.string().max(100)).optional(),
});

/**
 * Takes in a kept file: all lines that can be read and are new, in one
 * transaction; lines that are wrong stay out and are named. A dry run is the
 * same command, rolled back, so it can promise what will happen.
 */
export const importFile = defineCommand({
  name: "importFile",
  keepsImages: true,
  schema: z.object({
    sha256: z.string(),
    name: z.string().max(200),
    size: z.number().int().nonnegative(),
    mapping: mappingSchema,
    account: z.string().nullable().default(null),
    saveAs: z.string().trim().max(200).nullable().default(null),
    /** Whether to say what the file leaves open, instead of refusing it for that. */
    asking: z.boolean().default(false),
    /** A file of before that this is, read anew or with cells mended: its lines leave the tray. */
    again: z.number().int().nullable().default(null),
    /** Whether what it brought is taken back first, in the same go. */
    backFirst: z.boolean().default(false),
  }),
  first: takenBackFirst,
  run(ctx, input): Result<ImportReport> {
    const { mapping } = input;
    const again = readAgain(ctx, input);
    if (!again.ok) return again;
    const missing = missingInWords(mapping);
    if (missing.length > 0) return fail("mapping.fields", { fields: missing.join(", ") });
    const read = readKept(ctx, input);
    if (!read.ok) return read;
    const { tally, questions, takeIn, format } = read.value;
    const [question] = questions;
    if (question)
      return isToSay(ctx, input)
        ? ok({ ...tally.report(null), questions, leftOut: [] })
        : fail("questions.open", { count: questions.length, first: question.words });
    const fileId = insertImportFile(ctx.db, {
      sha256: input.sha256,
      name: input.name,
      size: input.size,
      kind: mapping.kind,
      mapping: JSON.stringify({ ...mapping, format }),
      importedAt: ctx.at,
      onDay: ctx.today,
      actor: ctx.who.actor,
      rowsNew: 0,
      rowsKnown: 0,
      rowsChanged: 0,
      rowsRefused: 0,
    });
    const actId = ctx.act("import", { kind: "import_file", id: fileId }, `took in ${input.name}`);
    takeIn({ fileId, actId, tally });
    if (input.saveAs)
      saveMapping(ctx.db, {
        name: input.saveAs,
        kind: mapping.kind,
        spec: JSON.stringify({ ...mapping, answers: lasting(mapping.answers) }),
      });
    const report = tally.report(fileId);
    fillTray(ctx, fileId, report, input.again);
    setRowCounts(ctx.db, fileId, {
      ...report,
      refused: new Set(report.refused.map(({ line }) => line)).size,
    });
    return ok(report);
  },
});

/** Whether open questions are an answer. In earnest they undo nothing, not even what is to go back first. */
const isToSay = (
  { who }: CommandContext,
  { asking, backFirst }: { asking: boolean; backFirst: boolean },
): boolean => asking && (who.rehearse === true || !backFirst);

/** Answers that hold for one file alone are not kept with the mapping. */
const OF_ONE_FILE = new Set([
  ...["before", "future", "outside", "whose"],
  ...["balance", "totals", "first", "same", "reused", "paid_on", "other_account"],
  ...["three", "stands", "ages", "against", "says"],
  ...["head", "year", "taken_back", "corrected", "hidden", "turned"],
]);

const lasting = (answers: MappingSpec["answers"]): MappingSpec["answers"] =>
  answers &&
  Object.fromEntries(
    // Lines that are taken in as they stand, though their sums do not agree, are those of one file.
    Object.entries(answers).filter(([key, said]) => !OF_ONE_FILE.has(key) && said !== "take"),
  );
