import { z } from "zod";

import { consentWords, methodInWords } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { consentOf, insertConsent, insertConsentEnd } from "@/db/consents";
import { followedRow } from "@/db/followed";
import { payMethodById } from "@/db/payMethods";
import { defineCommand } from "@/server/runtime/command";

const whence = {
  address: z.string().trim().min(1).max(60),
  agent: z.string().trim().max(400),
};

/** Keeps that a customer agreed that what is due is taken by itself: the words, when, and from where. */
export const agree = defineCommand({
  name: "agree",
  schema: z.object({
    customerId: z.number().int(),
    methodId: z.number().int(),
    ...whence,
  }),
  run(ctx, { customerId, methodId, address, agent }): Result<{ id: number }> {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    const { language } = followedRow(ctx.db, customerId);
    const words = consentWords(language, ctx.settings.name, methodInWords(language, method));
    const made = { onDay: ctx.today, at: ctx.at, address, agent };
    const before = consentOf(ctx.db, customerId);
    if (before) insertConsentEnd(ctx.db, before.id, made);
    const id = insertConsent(ctx.db, { customerId, methodId, words, ...made });
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `agreed that what is due is taken from ${method.name} ending in ${method.lastFour}`,
    );
    return ok({ id });
  },
});

/** Ends what was agreed to, at once: nothing is taken by itself any more. */
export const endAgreement = defineCommand({
  name: "endAgreement",
  schema: z.object({ customerId: z.number().int(), ...whence }),
  run(ctx, { customerId, address, agent }): Result<null> {
    const consent = consentOf(ctx.db, customerId);
    if (!consent) return fail("consent.none");
    insertConsentEnd(ctx.db, consent.id, { onDay: ctx.today, at: ctx.at, address, agent });
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      "nothing is taken by itself any more: the agreement is ended",
    );
    return ok(null);
  },
});
