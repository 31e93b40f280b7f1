"use client";

import { Box } from "@chakra-ui/react";
import { memo, type ReactNode } from "react";

import type { TypedDraft } from "@/contracts/editor";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { instalmentsOf, readPlan } from "@/core/invoices";
import { type Currency, formatAmount, type Minor, minor } from "@/core/money";

import { DayField } from "../../kit/days";
import { Choice, TextField } from "../../kit/fields";
import { sameButLines } from "./sameButLines";

type TermsProps = {
  draft: TypedDraft;
  setDraft: (change: (draft: TypedDraft) => TypedDraft) => void;
  today: BookFacts["today"];
  currencies: readonly Currency[];
  /** What the document comes to so far, where the terms are of parts of it. */
  total: Minor;
};

/** The due day, or what is due when; undefined where the terms cannot be read. */
function dueWords({ draft, today, total }: TermsProps): string | undefined {
  const { terms, issuedOn, currency } = draft;
  const plan = readPlan(terms);
  if (!plan.ok) return undefined;
  const parts = instalmentsOf(plan.value, issuedOn, total === 0 ? minor(1) : total);
  const isParted = total !== 0 && parts.length > 1;
  return `due ${parts
    .map(({ dueOn, sum }) =>
      isParted
        ? `${formatDay(dueOn, today)} ${formatAmount(sum, currency)}`
        : formatDay(dueOn, today),
    )
    .join(", ")}`;
}

/** Day, terms and order number, and the due days that follow from them. */
export const Terms = memo(function Terms(props: TermsProps): ReactNode {
  const { draft, setDraft, currencies } = props;
  const set = (changed: Partial<TypedDraft>): void => setDraft((now) => ({ ...now, ...changed }));
  const due = dueWords(props);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "1fr 1fr", lg: "150px 150px 1fr 90px" }}
      gap="12px"
      padding="8px 0"
    >
      <DayField
        label="Date"
        value={draft.issuedOn}
        onDay={(day) => {
          if (day !== "") set({ issuedOn: day });
        }}
      />
      <TextField
        label="Terms"
        value={draft.terms}
        error={due === undefined ? "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30." : undefined}
        help={due}
        onChange={(event) => set({ terms: event.target.value })}
      />
      <TextField
        label="PO number"
        value={draft.poNumber}
        onChange={(event) => set({ poNumber: event.target.value })}
      />
      {currencies.length > 1 ? (
        <Choice
          label="Currency"
          options={currencies.map((code) => [code, code] as const)}
          value={draft.currency}
          onChange={(event) => set({ currency: event.target.value as Currency })}
        />
      ) : null}
    </Box>
  );
}, sameButLines);
