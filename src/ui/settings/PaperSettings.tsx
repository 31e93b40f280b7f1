"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { AmountField, Choice, TextField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { useTyped } from "./useTyped";

/** How invoices are written: what stands on each, its number, its tax, and who has to look at it. */
export type PaperSettingsFacts = {
  usualTerms: string;
  invoicePrefix: string;
  creditNotePrefix: string;
  taxIncluded: boolean;
  taxRounded: "by_code" | "by_line";
  approvalOver: number | null;
  address: string[];
  taxNumber: string | null;
};

type PaperSettingsProps = { settings: PaperSettingsFacts; currency: Currency };

export function PaperSettings(props: PaperSettingsProps): ReactNode {
  const { isChanged, set, keep, busy } = usePaperSettings(props);
  return (
    <>
      <Subheading>Invoices that are written here</Subheading>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <Box display="grid" gridTemplateColumns={{ base: "1fr", lg: "1fr 1fr" }} gap="10px">
          <TextField label="Address, line by line with commas" {...set("address")} />
          <TextField label="Tax number" {...set("taxNumber")} />
          <TextField label="Usual terms" {...set("usualTerms")} />
          <AmountField
            label="A second person approves over"
            currency={props.currency}
            help="empty: nobody has to"
            {...set("approvalOver")}
          />
          <TextField label="Numbers begin with" {...set("invoicePrefix")} />
          <TextField label="Of credit notes" {...set("creditNotePrefix")} />
          <Choice
            label="Rates"
            options={[
              ["no", "are without tax"],
              ["yes", "contain the tax"],
            ]}
            {...set("taxIncluded")}
          />
          <Choice
            label="Tax is rounded"
            options={[
              ["by_code", "once for each tax code"],
              ["by_line", "line by line"],
            ]}
            {...set("taxRounded")}
          />
        </Box>
        <ActRow>
          <Act type="submit" disabled={busy || !isChanged}>
            Keep
          </Act>
        </ActRow>
      </Form>
    </>
  );
}

type Typed = Record<keyof PaperSettingsFacts, string>;

const typedOf = ({ settings, currency }: PaperSettingsProps): Typed => ({
  ...settings,
  address: settings.address.join(", "),
  taxNumber: settings.taxNumber ?? "",
  taxIncluded: settings.taxIncluded ? "yes" : "no",
  approvalOver: settings.approvalOver === null ? "" : formatAmount(settings.approvalOver, currency),
});

function usePaperSettings(props: PaperSettingsProps) {
  const { act, busy, complain } = useActing();
  const { typed, isChanged, set, forget } = useTyped(typedOf(props));
  const keep = (): void => {
    const over = parseAmount(typed.approvalOver, ".", props.currency);
    if (typed.approvalOver.trim() !== "" && !over.ok)
      return complain("That sum cannot be read. Write it like 1234.56.");
    const parts = typed.address
      .split(",")
      .map((part) => part.trim())
      .filter((part) => part !== "");
    void act(
      "changeSettings",
      {
        ...typed,
        address: parts,
        taxNumber: typed.taxNumber.trim() || null,
        taxIncluded: typed.taxIncluded === "yes",
        approvalOver: over.ok ? over.value : null,
      },
      () => ({ words: "Kept. Invoices that are approved already stay as they are." }),
    ).then((done) => {
      if (done !== null) forget();
    });
  };
  return { isChanged, set, keep, busy };
}
