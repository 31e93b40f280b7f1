import { z } from "zod";

import { decimalOf, decimalText } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import { insertTaxCode, taxCodes } from "@/db/taxCodes";
import { defineCommand } from "@/server/runtime/command";

/** Adds a tax code. What was billed under a code stays so: another percent is another code. */
export const setTaxCode = defineCommand({
  name: "setTaxCode",
  schema: z.object({
    code: z
      .string()
      .trim()
      .regex(/^[A-Za-z0-9 ._-]{1,20}$/, "Up to twenty letters and digits."),
    percent: z.string().trim().max(12),
    category: z.enum(["standard", "zero", "exempt", "reverse", "none"]),
    note: z
      .string()
      .trim()
      .max(300)
      .nullish()
      .transform((text) => text || null),
  }),
  run(ctx, { code, percent, category, note }): Result<null> {
    const read = decimalOf(percent);
    if (!read.ok || read.value.units < 0n || Number(decimalText(read.value)) > 100)
      return fail("document.number", { text: percent });
    if ((category === "standard") !== read.value.units > 0n)
      return fail("tax.category", { category, percent });
    if (taxCodes(ctx.db).some((tax) => tax.code === code)) return fail("tax.taken", { tax: code });
    insertTaxCode(ctx.db, { code, percent: decimalText(read.value), category, note });
    ctx.act("settings", { kind: "book", id: 0 }, `tax code ${code} of ${percent} percent added`);
    return ok(null);
  },
});
