import { z } from "zod";

import { nextCode, inBook, postOpening } from "@/core/ledger";
import { currencyOf, minor, type Currency } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, insertBankAccount } from "@/db/bank";
import { accounts, insertAccount } from "@/db/journal";
import { insertProcessorAccount, processorAccounts } from "@/db/processor";
import { writeSettings, type Settings } from "@/db/settings";
import type { Day } from "@/core/calendar";

import { defineCommand } from "../command";

const code = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9-]{0,30}$/, "Use small letters, digits and hyphens.");
/** An ISO 4217 code. */
export const currencyCode = z.string().transform((text, context) => {
  const found = currencyOf(text);
  if (!found) context.addIssue({ code: "custom", message: "Use a code of ISO 4217, like USD." });
  return found ?? ("USD" as Currency);
});
const name = z.string().trim().min(1, "A name is needed.").max(80);
const isoDay = z.iso.date().transform((text) => text as Day);

/** Adds a processor account with a clearing account of its own. */
export const addProcessorAccount = defineCommand({
  name: "addProcessorAccount",
  schema: z.object({
    code,
    name,
    delayDays: z.number().int().min(0).max(30),
    descriptor: z.string().trim().max(60).nullable().default(null),
    currency: currencyCode.nullable().default(null),
    feeBilling: z.enum(["taken", "monthly"]).default("taken"),
  }),
  run(ctx, input): Result<{ id: number }> {
    if (processorAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { code: input.code });
    const id = insertProcessorAccount(ctx.db, {
      ...input,
      descriptor: input.descriptor || null,
      currency: input.currency ?? ctx.settings.currency,
    });
    const taken = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken, "clearing"),
      name: `Clearing, ${input.name}`,
      role: "clearing",
      of: input.code,
    });
    ctx.chartChanged();
    ctx.act("account", { kind: "processor_account", id }, `processor account ${input.name} added`);
    return ok({ id });
  },
});

/** Adds a bank account, with what stood on it at the cut-over. The account number itself is never asked for, only its last four digits. */
export const addBankAccount = defineCommand({
  name: "addBankAccount",
  schema: z.object({
    code,
    name,
    lastFour: z
      .string()
      .regex(/^\d{4}$/, "The last four digits only.")
      .nullable()
      .default(null),
    openingBalance: z.number().int().transform(minor),
  }),
  run(ctx, input): Result<{ id: number }> {
    if (bankAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { code: input.code });
    const id = insertBankAccount(ctx.db, { ...input, currency: ctx.settings.currency });
    const taken = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken, "bank"),
      name: input.name,
      role: "bank",
      of: input.code,
    });
    ctx.chartChanged();
    const actId = ctx.act(
      "account",
      { kind: "bank_account", id },
      `bank account ${input.name} added`,
    );
    if (input.openingBalance !== 0) {
      const document = {
        kind: "bank_line" as const,
        id: 0,
        text: `opening balance, ${input.name}`,
      };
      ctx.post(
        postOpening({
          on: ctx.settings.cutOverOn,
          document,
          account: { role: "bank", of: input.code },
          sum: inBook(input.openingBalance, ctx.settings.currency),
          item: null,
        }),
        actId,
      );
    }
    return ok({ id });
  },
});

const percent = z
  .string()
  .trim()
  .regex(/^(100|\d{1,2}(\.\d{1,3})?)$/, "Write it like 2.5, from 0 to 100.");

/** Changes what a book is set to. Its currency stays; the clock of a practice book only moves on. */
export const changeSettings = defineCommand({
  name: "changeSettings",
  schema: z.object({
    name: name.optional(),
    cutOverOn: isoDay.optional(),
    clock: isoDay.optional(),
    timeZone: z.string().optional(),
    discountGraceDays: z.number().int().min(0).max(30).optional(),
    smallDifferenceLimit: z.number().int().min(0).max(100_000).optional(),
    smallestSumAskedFor: z.number().int().min(0).optional(),
    replyTo: z.email("An e-mail address is needed.").optional(),
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
    taxOnDiscounts: z.boolean().optional(),
    taxOnBadDebts: z.boolean().optional(),
    achFixedPerMonth: z.number().int().min(0).max(10_000_000).optional(),
    returnFee: z.number().int().min(0).max(100_000).nullable().optional(),
    linkBase: z
      .string()
      .regex(
        /^https?:\/\/[^\s/]+(\/[^\s]*[^\s/])?$/,
        "Write it like https://accounts.example.com, without a slash at its end.",
      )
      .nullable()
      .optional(),
    letterInterval: z.number().int().min(1, "At least one day.").max(90).optional(),
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
    smtpUrl: z
      .string()
      .regex(/^smtps?:\/\/\S+$/, "Write it like smtp://host:587.")
      .nullable()
      .optional(),
  }),
  run(ctx, input): Result<null> {
    if (input.timeZone !== undefined && !isTimeZone(input.timeZone))
      return fail("settings.time_zone", { text: input.timeZone });
    if (
      input.clock !== undefined &&
      ctx.settings.clock !== null &&
      input.clock < ctx.settings.clock
    )
      return fail("settings.clock");
    if (
      input.people &&
      new Set(input.people.map((one) => one.toLowerCase())).size < input.people.length
    )
      return fail("settings.people");
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

/** Closes every day up to one, or opens them again: nothing is dated there any more, and what comes late stands on the first open day. */
export const lockPeriod = defineCommand({
  name: "lockPeriod",
  schema: z.object({
    to: isoDay.nullable(),
    why: z.string().trim().min(3, "Say why, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number }> {
    if (input.to !== null && input.to >= ctx.today) return fail("lock.today");
    writeSettings(ctx.db, { lockedTo: input.to });
    const before = ctx.settings.lockedTo;
    return ok({
      actId: ctx.act(
        "lock",
        { kind: "book", id: 0 },
        `${input.to === null ? "every day is open again" : `days up to ${input.to} are closed`}${before === null ? "" : ` (before: ${before})`}: ${input.why}`,
      ),
    });
  },
});

export function isTimeZone(text: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: text });
    return true;
  } catch {
    return false;
  }
}

export const bookSchema = z.object({
  name,
  currency: currencyCode,
  timeZone: z.string().refine(isTimeZone, "Use a time zone, like America/Chicago."),
  cutOverOn: isoDay,
  replyTo: z.email("An e-mail address is needed."),
  clock: isoDay.nullable().default(null),
});
