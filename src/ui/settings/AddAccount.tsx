"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import { type Currency, currencyOf, parseAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { choiceOf, SearchChoice } from "../kit/choices";
import { AmountField, Choice, TextField } from "../kit/fields";
import { ActRow, Form } from "../kit/layout";
import { CURRENCIES } from "../kit/places";
import { useActing } from "../shell/Notices";

const code = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9-]{0,30}$/, "Small letters, digits and hyphens, like operating.");
const name = z.string().trim().min(1, "What do you call it?").max(80);
const grid = {
  display: "grid",
  gridTemplateColumns: "1fr 1fr",
  gap: "10px",
  padding: "8px 0",
} as const;

/** A bank account with what stood on it at the cut-over; never its number, only the last four digits. */
export function AddBank({ currency }: { currency: Currency }): ReactNode {
  const { act, busy } = useActing();
  const [adding, setAdding] = useState(false);
  const schema = z.object({
    name,
    code,
    lastFour: z.string().regex(/^(\d{4})?$/, "The last four digits only."),
    openingBalance: z
      .string()
      .refine((text) => parseAmount(text, ".", currency).ok, "A sum like 1234.56."),
  });
  const form = useForm<z.input<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: { name: "", code: "", lastFour: "", openingBalance: "0.00" },
  });
  const { handleSubmit, reset } = form;
  const field = fieldsOf(form);
  const add = handleSubmit(async (typed) => {
    const opening = parseAmount(typed.openingBalance, ".", currency);
    const done = await act(
      "addBankAccount",
      {
        ...typed,
        lastFour: typed.lastFour || null,
        openingBalance: opening.ok ? opening.value : 0,
      },
      () => ({ words: `${typed.name} added.` }),
    );
    if (done) {
      reset();
      setAdding(false);
    }
  });
  if (!adding)
    return (
      <ActRow>
        <Act onClick={() => setAdding(true)}>Add a bank account</Act>
      </ActRow>
    );
  return (
    <Form onSubmit={(event) => void add(event)} noValidate {...grid}>
      <TextField
        label="Name of the bank account"
        autoFocus
        {...field("name")}
        placeholder="Operating bank"
      />
      <TextField
        label="Short code of the bank account"
        {...field("code")}
        placeholder="operating"
      />
      <TextField label="Last four digits" inputMode="numeric" {...field("lastFour")} />
      <AmountField
        label="Balance at the cut-over"
        currency={currency}
        {...field("openingBalance")}
      />
      <ActRow>
        <Act main type="submit" disabled={busy}>
          Add it
        </Act>
        <Act onClick={() => setAdding(false)}>Not now</Act>
      </ActRow>
    </Form>
  );
}

/** A processor account, with a clearing account of its own. */
export function AddProcessor({ currency }: { currency: Currency }): ReactNode {
  const { act, busy } = useActing();
  const [adding, setAdding] = useState(false);
  const schema = z.object({
    name,
    code,
    delayDays: z.string().regex(/^([0-9]|[12][0-9]|30)$/, "0 to 30 banking days."),
    descriptor: z.string().trim().max(60),
    feeBilling: z.enum(["taken", "monthly"]),
    currency: z
      .string()
      .refine((text) => currencyOf(text) !== undefined, "A code of ISO 4217, like USD."),
  });
  const form = useForm<z.input<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: {
      currency,
      name: "",
      code: "",
      delayDays: "2",
      descriptor: "",
      feeBilling: "taken",
    },
  });
  const { register, handleSubmit, reset } = form;
  const field = fieldsOf(form);
  const add = handleSubmit(async (typed) => {
    const done = await act(
      "addProcessorAccount",
      { ...typed, delayDays: Number(typed.delayDays), descriptor: typed.descriptor || null },
      () => ({ words: `${typed.name} added, with a clearing account of its own.` }),
    );
    if (done) {
      reset();
      setAdding(false);
    }
  });
  if (!adding)
    return (
      <ActRow>
        <Act onClick={() => setAdding(true)}>Add a processor account</Act>
      </ActRow>
    );
  return (
    <Form onSubmit={(event) => void add(event)} noValidate {...grid}>
      <TextField
        label="Name of the processor account"
        autoFocus
        {...field("name")}
        placeholder="card account"
      />
      <TextField
        label="Short code of the processor account"
        {...field("code")}
        placeholder="card"
      />
      <TextField
        label="Banking days until it pays out"
        inputMode="numeric"
        {...field("delayDays")}
      />
      <TextField
        label="Its words on the statement"
        {...field("descriptor")}
        help="Narrows which bank lines can be its payouts."
      />
      <SearchChoice
        label="Its currency"
        options={CURRENCIES}
        {...choiceOf(form, "currency")}
        help={`Another than ${currency} needs its rates: Books, Other currencies.`}
      />
      <Choice
        label="Its fees are"
        options={[
          ["taken", "taken with the charges"],
          ["monthly", "billed by the month"],
        ]}
        {...register("feeBilling")}
      />
      <ActRow>
        <Act main type="submit" disabled={busy}>
          Add it
        </Act>
        <Act onClick={() => setAdding(false)}>Not now</Act>
      </ActRow>
    </Form>
  );
}
