"use client";

import { Box, chakra } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import type { ReactNode } from "react";
import { useForm, type UseFormReturn } from "react-hook-form";
import { z } from "zod";

import { type Day, formatDay } from "@/core/calendar";
import { type Currency, parseAmount, toDecimal } from "@/core/money";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { LineField, TextField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { Form, Section } from "../kit/layout";
import { useActing } from "../shell/Notices";

export type Settings = {
  name: string;
  timeZone: string;
  clock: Day | null;
  cutOverOn: Day;
  discountGraceDays: number;
  smallDifferenceLimit: number;
  smallestSumAskedFor: number;
  replyTo: string;
  smtpUrl: string | null;
  people: string[];
  lockedTo: Day | null;
  surchargePercent: string | null;
  taxOnDiscounts: boolean;
  taxOnBadDebts: boolean;
  returnFee: number | null;
  linkBase: string | null;
  letterInterval: number;
  letterRun: { weekdays: number[]; hour: number } | null;
};
const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri"] as const;
const schema = (currency: Currency) => {
  const amount = z.string().refine((text) => {
    const parsed = parseAmount(text, ".", currency);
    return parsed.ok && parsed.value >= 0;
  }, "A sum like 5.00.");
  return z.object({
    name: z.string().trim().min(1, "What is the business called?"),
    replyTo: z.email("The address that letters come from."),
    timeZone: z.string().min(3, "Like America/Chicago."),
    discountGraceDays: z.string().regex(/^([0-9]|[12][0-9]|30)$/, "0 to 30 days."),
    smallDifferenceLimit: amount,
    smallestSumAskedFor: amount,
    surchargePercent: z
      .string()
      .trim()
      .regex(/^(\d{1,2}(\.\d{1,3})?)?$/, "Percent like 2.5, or leave it empty."),
    returnFee: amount.or(z.literal("")),
    taxOnDiscounts: z.boolean(),
    taxOnBadDebts: z.boolean(),
    letterInterval: z.string().regex(/^([1-9]|[1-8][0-9]|90)$/, "1 to 90 days."),
    weekdays: z.array(z.string()),
    hour: z.string().regex(/^([0-9]|1[0-9]|2[0-3])$/, "0 to 23."),
    linkBase: z
      .string()
      .trim()
      .regex(
        /^(https?:\/\/\S*[^\s/])?$/,
        "Write it like https://accounts.example.com, or leave it empty.",
      ),
    smtpUrl: z
      .string()
      .trim()
      .regex(/^(smtps?:\/\/\S+)?$/, "Write it like smtp://host:587, or leave it empty."),
  });
};
type FactsProps = {
  settings: Settings;
  currency: Currency;
};
export function Facts(props: FactsProps): ReactNode {
  const { settings } = props;
  const { busy, form, register, isDirty, field, keep } = useFacts(props);
  return (
    <Section>
      <Subheading>The book</Subheading>
      <Form
        display="grid"
        gridTemplateColumns="1fr 1fr"
        gap="12px"
        paddingBottom="12px"
        onSubmit={(event) => void keep(event)}
        noValidate
      >
        <TextField label="Business" {...field("name")} />
        <TextField label="Time zone" {...field("timeZone")} />
        <TextField
          label="Days of grace for discounts"
          inputMode="numeric"
          {...field("discountGraceDays")}
        />
        <TextField
          label="Small differences up to"
          inputMode="decimal"
          {...field("smallDifferenceLimit")}
          help="Written off with one tick; a larger one needs a second person."
        />
        <TextField
          label="Smallest overdue sum asked for"
          inputMode="decimal"
          {...field("smallestSumAskedFor")}
        />
        <TextField
          label="Surcharge on cards, in percent"
          inputMode="decimal"
          {...field("surchargePercent")}
          placeholder="none"
        />
        <TextField
          label="Fee for a payment that came back"
          inputMode="decimal"
          {...field("returnFee")}
          placeholder="none"
          help="Charged to the customer as an open item of its own."
        />
        <TaxTicks register={register} />
        <TextField
          label="Days between two letters, at least"
          inputMode="numeric"
          {...field("letterInterval")}
        />
        <LetterDays form={form} />
        <TextField
          label="Customers reach this server at"
          {...field("linkBase")}
          placeholder="nowhere: letters carry no link"
          help="Then letters carry the link to the account page."
        />
        <TextField label="Letters come from" type="email" {...field("replyTo")} />
        <Box gridColumn="1 / -1">
          <TextField
            label="Mail server (SMTP)"
            {...field("smtpUrl")}
            placeholder="none: letters stay in the outbox"
            help="Every letter is written to the outbox as a file; with a server it is sent as well."
          />
        </Box>
        <Box>
          <Act main type="submit" disabled={busy || !isDirty}>
            Keep these
          </Act>
        </Box>
      </Form>
      {settings.clock ? (
        <p data-tone="soft">
          This book’s clock stands at {formatDay(settings.clock)}: it is for practice.
        </p>
      ) : null}
    </Section>
  );
}

function TaxTicks({ register }: Pick<FactsForm, "register">): ReactNode {
  return (
    <Box>
      <chakra.p data-tone="soft" fontSize="13px" margin="0 0 6px">
        The tax owed is lowered by
      </chakra.p>
      <chakra.label marginRight="16px">
        <Tick {...register("taxOnDiscounts")} /> discounts
      </chakra.label>
      <label>
        <Tick {...register("taxOnBadDebts")} /> bad debts
      </label>
    </Box>
  );
}

type FactsForm = UseFormReturn<z.input<ReturnType<typeof schema>>>;

function LetterDays({ form }: { form: FactsForm }): ReactNode {
  return (
    <Box>
      <chakra.p data-tone="soft" fontSize="13px" margin="0 0 6px">
        Letters that may go by themselves go on
      </chakra.p>
      {WEEKDAYS.map((name, at) => (
        <chakra.label marginRight="9px" key={name}>
          <Tick value={at + 1} {...form.register("weekdays")} /> {name}
        </chakra.label>
      ))}
      <label data-tone="soft">
        at{" "}
        <LineField width="34px" inputMode="numeric" aria-label="Hour" {...form.register("hour")} />{" "}
        o’clock
      </label>
      {form.formState.errors.hour ? (
        <p data-tone="off">{form.formState.errors.hour.message}</p>
      ) : null}
    </Box>
  );
}

function useFacts({ settings, currency }: FactsProps) {
  const { act, busy } = useActing();
  const form = useForm<z.input<ReturnType<typeof schema>>>({
    resolver: zodResolver(schema(currency)),
    values: {
      name: settings.name,
      replyTo: settings.replyTo,
      timeZone: settings.timeZone,
      discountGraceDays: String(settings.discountGraceDays),
      smallDifferenceLimit: toDecimal(settings.smallDifferenceLimit, currency),
      smallestSumAskedFor: toDecimal(settings.smallestSumAskedFor, currency),
      smtpUrl: settings.smtpUrl ?? "",
      surchargePercent: settings.surchargePercent ?? "",
      returnFee: settings.returnFee === null ? "" : toDecimal(settings.returnFee, currency),
      taxOnDiscounts: settings.taxOnDiscounts,
      taxOnBadDebts: settings.taxOnBadDebts,
      letterInterval: String(settings.letterInterval),
      weekdays: (settings.letterRun?.weekdays ?? []).map(String),
      hour: String(settings.letterRun?.hour ?? 9),
      linkBase: settings.linkBase ?? "",
    },
  });
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
          linkBase: typed.linkBase || null,
          letterRun:
            weekdays.length === 0 ? null : { weekdays: weekdays.map(Number), hour: Number(hour) },
          discountGraceDays: Number(typed.discountGraceDays),
          smallDifferenceLimit: minorOf(typed.smallDifferenceLimit),
          smallestSumAskedFor: minorOf(typed.smallestSumAskedFor),
          smtpUrl: typed.smtpUrl === "" ? null : typed.smtpUrl,
          surchargePercent: typed.surchargePercent || null,
          returnFee: typed.returnFee === "" ? null : minorOf(typed.returnFee),
        },
        () => ({ words: "Kept." }),
      ),
  );
  return { busy, form, register, isDirty, field, keep };
}
