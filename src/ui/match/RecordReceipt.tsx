"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import type { Day } from "@/core/calendar";
import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { AmountField, Choice, TextField } from "../kit/fields";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { sendCommand } from "../shell/send";
import { DayField, dayFieldOf } from "@/ui/kit/days";

const METHODS = [
  ["check", "Check"],
  ["cash", "Cash"],
  ["money_order", "Money order"],
  ["wire", "Wire"],
] as const;

type RecordReceiptProps = {
  currency: Currency;
  today: Day;
  close: () => void;
  recorded: (receiptId: number) => void;
  /** What is known of it already. */
  known?: { payerName: string; amount: string; reference: string };
};
/** A receipt made by hand: what was given, by whom, with its number. It is matched like any other. */
export function RecordReceipt(props: RecordReceiptProps): ReactNode {
  const { close, currency } = props;
  const { again, form, isSubmitting, field, record } = useReceiptForm(props);
  return (
    <Form
      display="grid"
      gridTemplateColumns={{
        base: "1fr 1fr",
        lg: "110px 120px 120px 150px minmax(0, 1fr) minmax(0, 1fr)",
      }}
      gap="10px"
      alignItems="start"
      padding="4px 0 12px"
      borderBottom="1px solid {colors.rule}"
      onSubmit={(event) => void record(event)}
      noValidate
      onKeyDown={(event) => {
        if (event.key === "Escape") close();
      }}
    >
      <Choice label="By" options={METHODS} {...form.register("method")} />
      <TextField label="Number" autoFocus {...field("number")} />
      <AmountField label="Sum" currency={currency} {...field("amount")} />
      <DayField label="Day" {...dayFieldOf(form, "paidOn")} />
      <TextField label="From" {...field("payerName")} placeholder="who gave it" />
      <TextField label="Memo" {...field("reference")} placeholder="what is written on it" />
      <ActRow gridColumn="1 / -1" marginTop="0">
        <Act main type="submit" disabled={isSubmitting}>
          {again ? "It is another one: record it" : "Record it"}
        </Act>
        <Act hint="Esc" onClick={close}>
          Done
        </Act>
      </ActRow>
    </Form>
  );
}

function useReceiptForm({ currency, today, recorded, known }: RecordReceiptProps) {
  const { book, act, complain } = useActing();
  const [again, setAgain] = useState(false);
  const schema = z
    .object({
      method: z.enum(["check", "cash", "money_order", "wire"]),
      number: z.string().trim().max(40),
      paidOn: z.iso
        .date("A day, please.")
        .refine((day) => day <= today, "That day has not come yet."),
      amount: z.string().refine((text) => {
        const parsed = parseAmount(text, ".", currency);
        return parsed.ok && parsed.value > 0;
      }, "A sum like 420.00."),
      payerName: z.string().trim().max(120),
      reference: z.string().trim().max(300),
    })
    .refine(({ method, number }) => number !== "" || method === "cash" || method === "wire", {
      path: ["number"],
      message: "Its number, please.",
    });
  const form = useForm<z.input<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: {
      method: "check",
      number: "",
      paidOn: today,
      amount: "",
      payerName: "",
      reference: "",
      ...known,
    },
  });
  const {
    handleSubmit,
    reset,
    formState: { isSubmitting },
  } = form;
  const field = fieldsOf(form);
  const record = handleSubmit(async ({ amount, ...typed }) => {
    const parsed = parseAmount(amount, ".", currency);
    if (!parsed.ok) return;
    const input = { ...typed, amount: parsed.value, again };
    // A rehearsal says whether the same one is there already; then a second press means another one.
    const rehearsed = again
      ? { ok: true as const }
      : await sendCommand(book, "recordReceipt", input, { rehearse: true });
    if (!rehearsed.ok) {
      complain(rehearsed.message);
      setAgain(rehearsed.message.includes("already"));
      return;
    }
    const done = await act<{ receiptId: number; actId: number }>(
      "recordReceipt",
      input,
      (value) => ({
        words: `${formatAmount(parsed.value, currency)} recorded.`,
        undo: value.actId,
      }),
    );
    if (done) {
      reset();
      setAgain(false);
      recorded(done.receiptId);
    }
  });
  return { again, form, isSubmitting, field, record };
}
