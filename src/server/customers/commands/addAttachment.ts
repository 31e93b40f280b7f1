import { readFileSync } from "node:fs";
import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { endAttachment, insertAttachment } from "@/db/attachments";
import { customerById } from "@/db/customers";
import { documentById } from "@/db/documents";
import { defineCommand } from "@/server/runtime/command";
import { keptFile } from "@/server/runtime/folders";
import type { Reversal } from "@/server/runtime/reversal";

import { paperType } from "../steps/paperType";

/** Adds a paper, which lies under its hash already, to a customer or to a draft of it. */
export const addAttachment = defineCommand({
  name: "addAttachment",
  schema: z.object({
    customerId: z.number().int(),
    documentId: z.number().int().nullable().default(null),
    name: z.string().trim().min(1).max(200),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
  }),
  run(ctx, { customerId, documentId, name, sha256 }): Result<{ id: number; actId: number }> {
    const customer = customerById(ctx.db, customerId);
    if (!customer) return fail("customer.unknown", { id: customerId });
    const document = documentId === null ? undefined : documentById(ctx.db, documentId);
    if (documentId !== null && document?.customerId !== customerId)
      return fail("document.unknown", { id: documentId });
    const bytes = readFileSync(keptFile(ctx.who.book, sha256));
    const type = paperType(bytes, name);
    if (!type.ok) return type;
    const actId = ctx.act(
      "attachment",
      { kind: "customer", id: customerId, customerId },
      `paper added: ${name}`,
    );
    const row = { customerId, documentId, name, sha256, size: bytes.length };
    const id = insertAttachment(ctx.db, { ...row, type: type.value, addedOn: ctx.today, actId });
    return ok({ id, actId });
  },
});

/** A paper that is taken away is kept by its hash, as all files are. */
export const removeAttachment: Reversal = (ctx, act, by) => {
  endAttachment(ctx.db, act.id, by);
  return ok(null);
};
