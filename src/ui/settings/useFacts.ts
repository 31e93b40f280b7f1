import { zodResolver } from "@hookform/resolvers/zod";
import { useForm, type UseFormReturn } from "react-hook-form";
import { z } from "zod";

import { emailAddress } from "@/contracts/values";
import { type Day } from "@/core/calendar";
import type { MailboxFacts, MailServerFacts } from "@/contracts/settings";
import { type Currency, parseAmount, toDecimal } from "@/core/money";

import { fieldsOf } from "../kit/checked";
import { useActing } from "../shell/Notices";

export type Settings = {
  name: string;
  timeZone: string;
  country: string;
  clock: Day | null;
  cutOverOn: Day;
  discountGraceDays: number;
  smallDifferenceLimit: number;
  wrongPerThousand: number;
  smallestSumAskedFor: number;
  replyTo: string;
  mailServer: MailServerFacts | null;
  mailbox: MailboxFacts | null;
  people: string[];
  lockedTo: Day | null;
  surchargePercent: string | null;
  taxOnDiscounts: boolean;
  taxOnBadDebts: boolean;
  returnFee: number | null;
  linkBase: string | null;
  letterInterval: number;
  feedDays: number;
  backupsKept: number;
  watchedFolder: string | null;
  letterRun: { weekdays: number[]; hour: number } | null;
};

const schema = (currency: Currency) => {
  const amount = z.string().refine((text) => {
    const parsed = parseAmount(text, ".", currency);
    return parsed.ok && parsed.value >= 0;
  }, "A sum like 5.00.");
  return z.object({
    name: z.string().trim().min(1, "What is the business called?"),
    replyTo: emailAddress,
    timeZone: z.string().min(3, "Like America/Chicago."),
    country: z.string().regex(/^[A-Z]{2}$/, "Choose a country."),
    discountGraceDays: z.string().regex(/^([0-9]|[12][0-9]|30)$/, "0 to 30 days."),
    smallDifferenceLimit: amount,
    wrongPerThousand: z.string().regex(/^([1-9]|[1-9][0-9]|1[0-9]{2}|200)$/, "1 to 200."),
    smallestSumAskedFor: amount,
    surchargePercent: z
      .string()
      .trim()
      .regex(/^(\d{1,2}(\.\d{1,3})?)?$/, "Percent like 2.5, or leave it empty."),
    returnFee: amount.or(z.literal("")),
    taxOnDiscounts: z.boolean(),
    taxOnBadDebts: z.boolean(),
    letterInterval: z.string().regex(/^([1-9]|[1-8][0-9]|90)$/, "1 to 90 days."),
    feedDays: z.string().regex(/^([1-9]|[1-5][0-9]|60)$/, "1 to 60 banking days."),
    watchedFolder: z.string().trim().max(400, "At most 400 letters."),
    backupsKept: z
      .string()
      .regex(/^([0-9]|[1-9][0-9]|[12][0-9]{2}|3[0-5][0-9]|36[0-5])$/, "0 to 365."),
    weekdays: z.array(z.string()),
    hour: z.string().regex(/^([0-9]|1[0-9]|2[0-3])$/, "0 to 23."),
    linkBase: z
      .string()
      .trim()
      .regex(
        /^(https?:\/\/\S*[^\s/])?$/,
        "Write it like https://accounts.example.com, or leave it empty.",
      ),
  });
};

export type FactsProps = {
  settings: Settings;
  currency: Currency;
};

export type FactsForm = UseFormReturn<z.input<ReturnType<typeof schema>>>;

type Typed = z.input<ReturnType<typeof schema>>;

/** The settings as they are typed. */
const typedOf = ({ settings, currency }: FactsProps): Typed => ({
  name: settings.name,
  replyTo: settings.replyTo,
  timeZone: settings.timeZone,
  country: settings.country,
  discountGraceDays: String(settings.discountGraceDays),
  smallDifferenceLimit: toDecimal(settings.smallDifferenceLimit, currency),
  wrongPerThousand: String(settings.wrongPerThousand),
  smallestSumAskedFor: toDecimal(settings.smallestSumAskedFor, currency),
  surchargePercent: settings.surchargePercent ?? "",
  returnFee: settings.returnFee === null ? "" : toDecimal(settings.returnFee, currency),
  taxOnDiscounts: settings.taxOnDiscounts,
  taxOnBadDebts: settings.taxOnBadDebts,
  letterInterval: String(settings.letterInterval),
  feedDays: String(settings.feedDays),
  backupsKept: String(settings.backupsKept),
  watchedFolder: settings.watchedFolder ?? "",
  weekdays: (settings.letterRun?.weekdays ?? []).map(String),
  hour: String(settings.letterRun?.hour ?? 9),
  linkBase: settings.linkBase ?? "",
});

export function useFacts(facts: FactsProps) {
  const { currency } = facts;
  const { act, busy } = useActing();
  const form = useForm<Typed>({ resolver: zodResolver(schema(currency)), values: typedOf(facts) });
  const {
    register,
    handleSubmit,
    formState: { isDirty },
  } = form;
  const field = fieldsOf(form);
  const minorOf = (text: string): number => {
    const parsed = parseAmount(text, ".", currency);
    return parsed.ok ? parsed.value : 0;
  };
  const keep = handleSubmit(
    ({ weekdays, hour, ...typed }) =>
      void act(
        "changeSettings",
        {
          ...typed,
          letterInterval: Number(typed.letterInterval),
          feedDays: Number(typed.feedDays),
          backupsKept: Number(typed.backupsKept),
          watchedFolder: typed.watchedFolder || null,
          linkBase: typed.linkBase || null,
          letterRun:
            weekdays.length === 0 ? null : { weekdays: weekdays.map(Number), hour: Number(hour) },
          discountGraceDays: Number(typed.discountGraceDays),
          smallDifferenceLimit: minorOf(typed.smallDifferenceLimit),
          wrongPerThousand: Number(typed.wrongPerThousand),
          smallestSumAskedFor: minorOf(typed.smallestSumAskedFor),
          surchargePercent: typed.surchargePercent || null,
          returnFee: typed.returnFee === "" ? null : minorOf(typed.returnFee),
        },
        () => ({ words: "Kept." }),
      ),
  );
  return { busy, form, register, isDirty, field, keep };
}
