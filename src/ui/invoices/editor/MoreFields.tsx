"use client";

import { Box } from "@chakra-ui/react";
import { memo, type ReactNode } from "react";

import type { TypedCharge, TypedDraft } from "@/contracts/editor";
import type { TaxCode } from "@/core/invoices";

import { RowButton } from "../../kit/buttons";
import { DayField } from "../../kit/days";
import { Choice, TextField } from "../../kit/fields";
import { Details } from "../../kit/layout";
import { sameButLines } from "./sameButLines";

type MoreFieldsProps = {
  draft: TypedDraft;
  setDraft: (change: (draft: TypedDraft) => TypedDraft) => void;
  taxCodes: readonly TaxCode[];
};

const NO_CHARGE: TypedCharge = { words: "", sum: "", taxCode: "" };

/** What most invoices do without: charges, discounts on all of it, another due day, what is withheld. */
export const MoreFields = memo(function MoreFields(props: MoreFieldsProps): ReactNode {
  const { draft, setDraft, taxCodes } = props;
  const set = (changed: Partial<TypedDraft>): void => setDraft((now) => ({ ...now, ...changed }));
  const rare =
    draft.charges.length > 0 || Boolean(draft.dueOn || draft.withholdingPercent || draft.paysBy);
  return (
    <>
      <Box
        display="grid"
        gridTemplateColumns={{ base: "1fr 1fr", lg: "130px 130px 1fr" }}
        gap="12px"
      >
        <TextField
          label="Discount on all, %"
          inputMode="decimal"
          disabled={draft.discountSum !== ""}
          value={draft.discountPercent}
          onChange={(event) => set({ discountPercent: event.target.value })}
        />
        <TextField
          label="or as a sum"
          inputMode="decimal"
          disabled={draft.discountPercent !== ""}
          value={draft.discountSum}
          onChange={(event) => set({ discountSum: event.target.value })}
        />
        <TextField
          label="Note on the paper"
          value={draft.note}
          onChange={(event) => set({ note: event.target.value })}
        />
      </Box>
      <Details open={rare} padding="8px 0">
        <summary>Delivery and other charges, another due day, withholding, ways to pay</summary>
        <Charges charges={draft.charges} taxCodes={taxCodes} set={(charges) => set({ charges })} />
        <Box
          display="grid"
          gridTemplateColumns={{ base: "1fr 1fr", lg: "150px 1fr 170px" }}
          gap="12px"
        >
          <DayField label="Due on" value={draft.dueOn} onDay={(dueOn) => set({ dueOn })} />
          <TextField
            label="Why another day than by the terms"
            disabled={draft.dueOn === ""}
            value={draft.dueReason}
            onChange={(event) => set({ dueReason: event.target.value })}
          />
          <TextField
            label="Withheld by them, %"
            inputMode="decimal"
            value={draft.withholdingPercent}
            onChange={(event) => set({ withholdingPercent: event.target.value })}
          />
          <Choice
            label="May be paid by"
            options={[
              ["", "as the customer"],
              ["card,bank", "card or bank account"],
              ["card", "card only"],
              ["bank", "bank account only"],
            ]}
            value={draft.paysBy}
            onChange={(event) => set({ paysBy: event.target.value as TypedDraft["paysBy"] })}
          />
        </Box>
      </Details>
    </>
  );
}, sameButLines);

type ChargesProps = {
  charges: readonly TypedCharge[];
  taxCodes: readonly TaxCode[];
  set: (charges: TypedCharge[]) => void;
};

function Charges({ charges, taxCodes, set }: ChargesProps): ReactNode {
  const change = (at: number, changed: Partial<TypedCharge>): void =>
    set(charges.map((charge, index) => (index === at ? { ...charge, ...changed } : charge)));
  return (
    <>
      {charges.map((charge, at) => (
        <Box
          key={at}
          display="grid"
          gridTemplateColumns="1fr 130px 110px 24px"
          gap="12px"
          alignItems="end"
        >
          <TextField
            label={`Charge ${at + 1}`}
            value={charge.words}
            onChange={(event) => change(at, { words: event.target.value })}
          />
          <TextField
            label="Sum"
            inputMode="decimal"
            value={charge.sum}
            onChange={(event) => change(at, { sum: event.target.value })}
          />
          <Choice
            label="Tax"
            options={[["", "none"] as const, ...taxCodes.map(({ code }) => [code, code] as const)]}
            value={charge.taxCode}
            onChange={(event) => change(at, { taxCode: event.target.value })}
          />
          <RowButton
            aria-label={`Remove charge ${at + 1}`}
            onClick={() => set(charges.filter((_, index) => index !== at))}
          >
            ✕
          </RowButton>
        </Box>
      ))}
      <p>
        <RowButton onClick={() => set([...charges, NO_CHARGE])}>Add a charge</RowButton>
      </p>
    </>
  );
}
