import { z } from "zod";

import { type Day, UNITS } from "@/core/calendar";
import type { PastPeriod, Plan } from "@/core/invoices";
import type { Currency, Minor } from "@/core/money";

import type { EditorFacts } from "./editor";
import { draftInput } from "./invoices";
import { isoDay } from "./values";

const dayOrNone = isoDay.nullish().transform((value) => value ?? null);

/** When a schedule writes, as it is typed. */
export const planInput = z.object({
  startsOn: isoDay,
  /** Periods are counted from here, on or before the start; null: from the start. */
  countedFrom: dayOrNone,
  everyCount: z.number().int().min(1, "At least every one.").max(400),
  everyUnit: z.enum(UNITS),
  monthEnd: z.boolean().default(false),
  until: dayOrNone,
  times: z
    .number()
    .int()
    .min(1)
    .max(10_000)
    .nullish()
    .transform((value) => value ?? null),
  ahead: z.number().int().min(0).max(90).default(0),
  prorated: z.boolean().default(true),
  makes: z.enum(["draft", "approved", "sent"]).default("draft"),
});

/** What a schedule bills: a draft without its days. */
export const billedInput = draftInput.omit({ issuedOn: true, dueOn: true, dueReason: true });
export type BilledInput = z.output<typeof billedInput>;

/** A schedule in the list. */
export type ScheduleListed = {
  id: number;
  customerId: number;
  customer: string;
  name: string;
  words: string;
  state: "running" | "paused" | "ended";
  makes: "draft" | "approved" | "sent";
  nextOn: Day | null;
  total: Minor;
  currency: Currency;
  failed: string | null;
};

/** A period to come. */
export type PeriodListed = { no: number; from: Day; to: Day; writtenOn: Day; total: Minor };

/** A schedule on its own page. */
export type ScheduleFacts = ScheduleListed & {
  version: number;
  plan: Plan;
  prorated: boolean;
  /** Whether it has billed anything: its days stand then. */
  begun: boolean;
  ahead: PeriodListed[];
  behind: PastPeriod[];
  contents: { fromDay: Day; total: Minor }[];
  due: number;
  editor: EditorFacts;
};

export type SchedulesFacts = {
  rows: ScheduleListed[];
  /** What will be written in each of the next twelve months, in the book's currency. */
  months: { month: string; sum: Minor; count: number }[];
  due: number;
};
