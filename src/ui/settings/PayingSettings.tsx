"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { type Currency, formatAmount, parseAmount } from "@/core/money";
import type { PaysBy } from "@/core/paying";

import { Act } from "../kit/buttons";
import { AmountField, Choice, TextField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { useTyped } from "./useTyped";

/** What customers may pay here, by what, and what they are told. */
export type PayingSettingsFacts = {
  paysBy: PaysBy | null;
  ownSumsFrom: number | null;
  bankSavingPercent: string | null;
  planParts: number | null;
  mailReceipts: boolean;
  provenAccounts: boolean;
  noticeDays: number;
};

type PayingSettingsProps = { settings: PayingSettingsFacts; currency: Currency };

export function PayingSettings(props: PayingSettingsProps): ReactNode {
  const { typed, isChanged, set, keep, busy } = usePayingSettings(props);
  return (
    <>
      <Subheading>What customers pay on their page</Subheading>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Box display="grid" gridTemplateColumns={{ base: "1fr", lg: "1fr 1fr" }} gap="10px">
          <Choice
            label="May be paid by"
            options={[
              ["", "card or bank account"],
              ["card", "card only"],
              ["bank", "bank account only"],
            ]}
            {...set("paysBy")}
          />
          <AmountField
            label="Sums of their own from"
            currency={props.currency}
            placeholder="none: invoices are paid whole"
            help="The oldest of what is chosen is paid first."
            {...set("ownSumsFrom")}
          />
          <TextField
            label="A bank account saves, in percent"
            inputMode="decimal"
            placeholder="nothing"
            help="Of an invoice that is paid whole; said before, and posted as a discount."
            {...set("bankSavingPercent")}
          />
          <TextField
            label="What is overdue may be paid in parts, at most"
            inputMode="numeric"
            placeholder="none"
            help="Month by month, taken by themselves as agreed on the page."
            {...set("planParts")}
          />
          <Choice
            label="Receipts"
            options={[
              ["no", "are there to be fetched"],
              ["yes", "are mailed by themselves"],
            ]}
            {...set("mailReceipts")}
          />
          <Choice
            label="A new bank account"
            options={[
              ["no", "is used as it is typed"],
              ["yes", "is proven first: by its bank, or by two small sums"],
            ]}
            {...set("provenAccounts")}
          />
          <TextField
            label="Days before a sum is taken as agreed that its customer knows it"
            inputMode="numeric"
            help="0: no notice. A sum that is the same as the one before needs none."
            {...set("noticeDays")}
          />
        </Box>
        <ActRow>
          <Act type="submit" disabled={busy || !isChanged || !/^\d{1,2}$/.test(typed.noticeDays)}>
            Keep
          </Act>
        </ActRow>
      </Form>
    </>
  );
}

type Typed = Record<keyof PayingSettingsFacts, string>;

const typedOf = ({ settings, currency }: PayingSettingsProps): Typed => ({
  paysBy: settings.paysBy ?? "",
  ownSumsFrom: settings.ownSumsFrom === null ? "" : formatAmount(settings.ownSumsFrom, currency),
  bankSavingPercent: settings.bankSavingPercent ?? "",
  planParts: settings.planParts === null ? "" : String(settings.planParts),
  mailReceipts: settings.mailReceipts ? "yes" : "no",
  provenAccounts: settings.provenAccounts ? "yes" : "no",
  noticeDays: String(settings.noticeDays),
});

function usePayingSettings(props: PayingSettingsProps) {
  const { act, busy, complain } = useActing();
  const { typed, isChanged, set, forget } = useTyped(typedOf(props));
  const keep = (): void => {
    const from = parseAmount(typed.ownSumsFrom, ".", props.currency);
    if (typed.ownSumsFrom.trim() !== "" && !from.ok)
      return complain("That sum cannot be read. Write it like 50.00.");
    void act(
      "changeSettings",
      {
        paysBy: typed.paysBy || null,
        ownSumsFrom: from.ok ? from.value : null,
        bankSavingPercent: typed.bankSavingPercent.trim() || null,
        planParts: typed.planParts.trim() === "" ? null : Number(typed.planParts),
        mailReceipts: typed.mailReceipts === "yes",
        provenAccounts: typed.provenAccounts === "yes",
        noticeDays: Number(typed.noticeDays),
      },
      () => ({ words: "Kept. Pages that stand open show it when they are loaded again." }),
    ).then((done) => {
      if (done !== null) forget();
    });
  };
  return { typed, isChanged, set, keep, busy };
}
