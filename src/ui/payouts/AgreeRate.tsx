"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import type { Day } from "@/core/calendar";
import { type Currency, parseAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { AmountField, Choice, TextField } from "../kit/fields";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { METHODS_WITH_FEES } from "./fees";
import { DayField, dayFieldOf } from "@/ui/kit/days";

type AgreeRateProps = {
  accounts: readonly { code: string; name: string }[];
  currency: Currency;
  today: Day;
};

/** Types in what was agreed with a processor: percent and fixed sum, from a day on, at most a sum. */
export function AgreeRate(props: AgreeRateProps): ReactNode {
  const [adding, setAdding] = useState(false);
  if (adding) return <RateForm {...props} close={() => setAdding(false)} />;
  return (
    <ActRow>
      <Act onClick={() => setAdding(true)} disabled={props.accounts.length === 0}>
        Say what was agreed
      </Act>
    </ActRow>
  );
}

const rateSchema = (currency: Currency) => {
  const amount = z.string().refine((text) => {
    const parsed = parseAmount(text, ".", currency);
    return parsed.ok && parsed.value >= 0;
  }, "A sum like 0.30.");
  return z.object({
    account: z.string().min(1),
    method: z.enum(["card", "ach_debit"]),
    percent: z.string().regex(/^\d{1,2}(\.\d{1,4})?$/, "Percent like 2.9."),
    fixed: amount,
    most: amount.or(z.literal("")),
    least: amount.or(z.literal("")),
    brand: z.string().trim().max(30),
    abroad: z.enum(["", "no", "yes"]),
    fromVolume: amount.or(z.literal("")),
    from: z.iso.date("A day, please."),
  });
};

type RateFormProps = AgreeRateProps & { close: () => void };

function RateForm(props: RateFormProps): ReactNode {
  const { accounts, close, currency } = props;
  const { form, register, field, agree, isSubmitting } = useRateForm(props);
  return (
    <Form
      display="grid"
      gridTemplateColumns="1fr 1fr 1fr"
      gap="10px"
      padding="8px 0"
      onSubmit={(event) => void agree(event)}
      noValidate
    >
      <Choice
        label="Processor account"
        options={accounts.map(({ code, name }) => [code, name] as const)}
        {...register("account")}
      />
      <Choice label="By" options={METHODS_WITH_FEES} {...register("method")} />
      <DayField label="From" {...dayFieldOf(form, "from")} />
      <TextField
        label="Percent"
        inputMode="decimal"
        autoFocus
        {...field("percent")}
        placeholder="2.9"
      />
      <AmountField label="And a fixed sum" currency={currency} {...field("fixed")} />
      <AmountField label="At most" currency={currency} {...field("most")} placeholder="no cap" />
      <AmountField
        label="At least"
        currency={currency}
        {...field("least")}
        placeholder="no least"
      />
      <TextField label="Brand of card" {...field("brand")} placeholder="every brand" />
      <Choice
        label="Cards"
        options={[
          ["", "from anywhere"],
          ["no", "of this country"],
          ["yes", "from abroad"],
        ]}
        {...register("abroad")}
      />
      <AmountField
        label="From a month’s volume of"
        currency={currency}
        {...field("fromVolume")}
        placeholder="0.00"
      />
      <ActRow gridColumn="1 / -1">
        <Act main type="submit" disabled={isSubmitting}>
          Keep it
        </Act>
        <Act onClick={close}>Not now</Act>
      </ActRow>
    </Form>
  );
}

function useRateForm({ accounts, currency, today, close }: RateFormProps) {
  const { act } = useActing();
  const form = useForm<z.input<ReturnType<typeof rateSchema>>>({
    resolver: zodResolver(rateSchema(currency)),
    defaultValues: {
      account: accounts[0]?.code ?? "",
      method: "card",
      percent: "",
      fixed: "0.00",
      most: "",
      least: "",
      brand: "",
      abroad: "",
      fromVolume: "",
      from: `${today.slice(0, 4)}-01-01`,
    },
  });
  const {
    register,
    handleSubmit,
    reset,
    formState: { isSubmitting },
  } = form;
  const field = fieldsOf(form);
  const minorOf = (text: string): number | null => {
    const parsed = parseAmount(text, ".", currency);
    return parsed.ok ? parsed.value : null;
  };
  const agree = handleSubmit(
    async ({ fixed, most, least, abroad, brand, fromVolume, ...typed }) => {
      const done = await act(
        "agreeRate",
        {
          ...typed,
          fixed: minorOf(fixed) ?? 0,
          most: most === "" ? null : minorOf(most),
          least: least === "" ? null : minorOf(least),
          brand: brand || null,
          abroad: abroad === "" ? null : abroad === "yes",
          fromVolume: fromVolume === "" ? 0 : minorOf(fromVolume),
        },
        () => ({ words: "Kept: every fee is checked against it." }),
      );
      if (done) {
        reset();
        close();
      }
    },
  );
  return { form, register, field, agree, isSubmitting };
}
