import type { ReactNode } from "react";

import type { PlanShown } from "@/contracts/payPlans";
import type { Day } from "@/core/calendar";

import { PayFactList, PayWord } from "../kit/pay";
import type { StepProps } from "./stepProps";

type Shown = Pick<StepProps, "sum" | "day">;
type PlanProps = Shown & Pick<StepProps, "paying" | "words"> & { plan: PlanShown };

/** A plan that goes on: what is taken when, and the way to end it. */
export function Plan({ plan, paying, words, sum, day }: PlanProps): ReactNode {
  const parts = plan.parts.map(({ dueOn, amount, stands }) => ({
    dueOn,
    sum: amount,
    isPaid: stands === "paid",
  }));
  return (
    <>
      <p data-words>
        {words.plan} <PayWord onClick={() => void paying.end(null, plan.id)}>{words.end}</PayWord>
      </p>
      <PlanParts parts={parts} sum={sum} day={day} />
    </>
  );
}

type PartsProps = Shown & { parts: readonly { dueOn: Day; sum: number; isPaid?: boolean }[] };

/** The parts in which it is paid, each with its day. */
export function PlanParts({ parts, sum, day }: PartsProps): ReactNode {
  if (parts.length === 0) return null;
  return (
    <PayFactList>
      {parts.map((part) => [
        <dt key={`${part.dueOn} day`}>{day(part.dueOn)}</dt>,
        <dd key={part.dueOn} data-sum>
          {part.isPaid ? "✓ " : ""}
          {sum(part.sum)}
        </dd>,
      ])}
    </PayFactList>
  );
}
