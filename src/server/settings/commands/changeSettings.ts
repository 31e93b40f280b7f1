import { z } from "zod";

import { country, emailAddress, isoDay, isTimeZone, name } from "@/contracts/values";
import { readPlan } from "@/core/invoices";
import { PAYS_BY } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { type Settings, writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";

import { watchable } from "../watchable";

const percent = z
  .string()
  .trim()
  .regex(/^(100|\d{1,2}(\.\d{1,3})?)$/, "Write it like 2.5, from 0 to 100.");
/** What stands before the year in a number. */
const prefix = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9/-]{0,12}$/, "Up to twelve letters, digits, - or /.");
/** Changes what a book is set to. Its currency stays; the clock of a practice book only moves on. */
export const changeSettings = defineCommand({
  name: "changeSettings",
  schema: z.object({
    name: name.optional(),
    cutOverOn: isoDay.optional(),
    clock: isoDay.optional(),
    timeZone: z.string().optional(),
    country: country.optional(),
    discountGraceDays: z.number().int().min(0).max(30).optional(),
    smallDifferenceLimit: z.number().int().min(0).max(100_000).optional(),
    wrongPerThousand: z.number().int().min(1).max(200).optional(),
    smallestSumAskedFor: z.number().int().min(0).optional(),
    replyTo: emailAddress.optional(),
    people: z
      .array(z.string().trim().min(1, "A name is needed.").max(40))
      .min(1, "At least one person works in the book.")
      .max(50)
      .optional(),
    surchargePercent: z
      .string()
      .trim()
      .regex(/^\d{1,2}(\.\d{1,3})?$/, "Write it like 2.5.")
      .nullable()
      .optional(),
    bankSavingPercent: z
      .string()
      .trim()
      .regex(/^\d{1,2}(\.\d{1,3})?$/, "Write it like 0.5.")
      .nullable()
      .optional(),
    ownSumsFrom: z
      .number()
      .int()
      .min(1, "At least 0.01.")
      .max(100_000_000_000)
      .nullable()
      .optional(),
    planParts: z.number().int().min(2, "At least two parts.").max(24).nullable().optional(),
    mailReceipts: z.boolean().optional(),
    provenAccounts: z.boolean().optional(),
    noticeDays: z.number().int().min(0).max(60).optional(),
    taxOnDiscounts: z.boolean().optional(),
    taxOnBadDebts: z.boolean().optional(),
    achFixedPerMonth: z.number().int().min(0).max(10_000_000).optional(),
    returnFee: z.number().int().min(0).max(100_000).nullable().optional(),
    usualTerms: z
      .string()
      .trim()
      .refine((text) => readPlan(text).ok, "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30.")
      .optional(),
    paysBy: z.enum(PAYS_BY).nullable().optional(),
    invoicePrefix: prefix.optional(),
    creditNotePrefix: prefix.optional(),
    taxIncluded: z.boolean().optional(),
    taxRounded: z.enum(["by_code", "by_line"]).optional(),
    approvalOver: z.number().int().min(0).nullable().optional(),
    address: z.array(z.string().trim().min(1).max(120)).max(6).optional(),
    taxNumber: z.string().trim().max(40).nullable().optional(),
    coverSubject: z.string().trim().min(1).max(200).nullable().optional(),
    coverBody: z.string().trim().min(1).max(20_000).nullable().optional(),
    linkBase: z
      .string()
      .regex(
        /^https?:\/\/[^\s/]+(\/[^\s]*[^\s/])?$/,
        "Write it like https://accounts.example.com, without a slash at its end.",
      )
      .nullable()
      .optional(),
    letterInterval: z.number().int().min(1, "At least one day.").max(90).optional(),
    feedDays: z.number().int().min(1, "At least one banking day.").max(60).optional(),
    watchedFolder: z.string().trim().min(1).max(400).nullable().optional(),
    backupsKept: z.number().int().min(0).max(365).optional(),
    agingDays: z
      .array(z.number().int().min(1).max(3650))
      .min(1)
      .max(8)
      .refine(
        (edges) => edges.every((edge, at) => edge > (edges[at - 1] ?? 0)),
        "Rising days, like 30, 60, 90.",
      )
      .optional(),
    doubtfulPercent: z
      .object({
        not_due: percent,
        d1_30: percent,
        d31_60: percent,
        d61_90: percent,
        over_90: percent,
      })
      .nullable()
      .optional(),
    letterRun: z
      .object({
        weekdays: z
          .array(z.number().int().min(1).max(7))
          .min(1, "Choose at least one weekday.")
          .max(7),
        hour: z.number().int().min(0).max(23),
      })
      .nullable()
      .optional(),
  }),
  run(ctx, input): Result<null> {
    if (input.timeZone !== undefined && !isTimeZone(input.timeZone))
      return fail("settings.time_zone", { text: input.timeZone });
    if (input.clock !== undefined && ctx.settings.clock === null)
      return fail("settings.real_clock");
    if (
      input.clock !== undefined &&
      ctx.settings.clock !== null &&
      input.clock < ctx.settings.clock
    )
      return fail("settings.clock");
    if (
      input.people &&
      new Set(input.people.map((name) => name.toLowerCase())).size < input.people.length
    )
      return fail("settings.people");
    if (input.watchedFolder) {
      const watched = watchable(ctx.who.book, input.watchedFolder);
      if (!watched.ok) return watched;
    }
    const changed = Object.fromEntries(
      Object.entries(input).filter(([, value]) => value !== undefined),
    ) as Partial<Settings>;
    writeSettings(ctx.db, changed);
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `settings changed: ${Object.keys(changed).join(", ")}`,
    );
    return ok(null);
  },
});
