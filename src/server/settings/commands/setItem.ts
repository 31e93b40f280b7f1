import { z } from "zod";

import { decimalOf, decimalText } from "@/core/invoices";
import { fail, ok, type Result } from "@/core/result";
import { deleteItem, items, setItem as keepItem } from "@/db/items";
import { accounts } from "@/db/journal";
import { taxCodes } from "@/db/taxCodes";
import { defineCommand } from "@/server/runtime/command";

/** Adds what is billed again and again, changes it, or (without words) takes it off the list. */
export const setItem = defineCommand({
  name: "setItem",
  schema: z.object({
    code: z.string().trim().min(1, "An item has a short name.").max(60),
    /** Null takes it off the list; what was billed stays. */
    to: z
      .object({
        description: z.string().trim().min(1).max(500),
        rate: z.string().trim().max(40),
        taxCode: z.string().trim().max(20).nullable().default(null),
        /** The number of its income account; null: the one of all income. */
        account: z.string().trim().max(20).nullable().default(null),
        /** Over how many months its income is earned; 1: at once. */
        months: z.number().int().min(1).max(120).default(1),
      })
      .nullable(),
  }),
  run(ctx, { code, to }): Result<null> {
    if (to === null) {
      if (!items(ctx.db).some((item) => item.code === code))
        return fail("item.gone", { item: code });
      deleteItem(ctx.db, code);
      ctx.act("settings", { kind: "book", id: 0 }, `item ${code} taken off the list`);
      return ok(null);
    }
    const rate = decimalOf(to.rate);
    if (!rate.ok) return fail("document.number", { field: "rate", text: to.rate });
    if (to.taxCode !== null && !taxCodes(ctx.db).some((tax) => tax.code === to.taxCode))
      return fail("document.tax_unknown", { field: "tax_code", text: to.taxCode });
    const account = accounts(ctx.db).find(
      (known) => known.role === "income" && known.code === to.account,
    );
    if (to.account !== null && !account) return fail("account.unknown", { account: to.account });
    keepItem(ctx.db, {
      code,
      description: to.description,
      rate: decimalText(rate.value),
      taxCode: to.taxCode,
      incomeOf: account?.of ?? null,
      months: to.months,
    });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `item ${code}: ${to.description}, ${to.rate}${to.months > 1 ? `, earned over ${to.months} months` : ""}`,
    );
    return ok(null);
  },
});
