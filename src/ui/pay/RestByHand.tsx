import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import { formatAmount } from "@/core/money";

import { PayWord } from "../kit/pay";
import { RecordReceipt } from "../match/RecordReceipt";
import type { StepProps } from "./stepProps";

/** What was not taken from a card or an account has come as a check or in cash: it is recorded here. */
export function RestByHand({ facts, paying, sum }: StepProps): ReactNode {
  const [stands, setStands] = useState<"asked" | "typed" | number>("asked");
  const { made } = paying;
  if (!made || made.rest <= 0) return null;
  if (stands === "asked")
    return (
      <p>
        {sum(made.rest)} stays open.{" "}
        <PayWord onClick={() => setStands("typed")}>The rest came as a check or in cash</PayWord>
      </p>
    );
  if (stands !== "typed")
    return (
      <p role="status">
        Recorded.{" "}
        <NextLink href={`/b/${facts.book}/match?open=${stands}`}>Give it to its invoices</NextLink>
      </p>
    );
  return (
    <RecordReceipt
      currency={facts.currency}
      today={facts.today}
      close={() => setStands("asked")}
      recorded={setStands}
      known={{
        payerName: facts.customer,
        amount: formatAmount(made.rest, facts.currency),
        reference: made.numbers.join(" ").slice(0, 300),
      }}
    />
  );
}
