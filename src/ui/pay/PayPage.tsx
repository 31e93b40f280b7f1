"use client";

import { lazy, type ReactNode, Suspense } from "react";

import type { PayFacts } from "@/contracts/paying";
import { formatMoney } from "@/core/money";

import { PaySheet } from "../kit/pay";
import { ChooseStep } from "./ChooseStep";
import type { StepProps } from "./stepProps";
import { usePaying } from "./usePaying";
import type { PayWords } from "./payWords";

// What comes after the choice is fetched while it is looked at: the bill itself is there sooner.
const TypeStep = lazy(async () => ({ default: (await import("./TypeStep")).TypeStep }));
const CodeStep = lazy(async () => ({ default: (await import("./CodeStep")).CodeStep }));
const ProveStep = lazy(async () => ({ default: (await import("./ProveStep")).ProveStep }));
const LookStep = lazy(async () => ({ default: (await import("./LookStep")).LookStep }));
const Done = lazy(async () => ({ default: (await import("./Done")).Done }));

/** A customer's bill, and the way to pay it: choose, by what, a last look, done. */
export function PayPage({
  facts,
  base,
  words,
}: {
  facts: PayFacts;
  base: string;
  words: PayWords;
}): ReactNode {
  const paying = usePaying(facts, base, words);
  const step: StepProps = {
    facts,
    paying,
    words,
    base,
    sum: (amount) => `${facts.currency} ${formatMoney(amount, facts.currency, facts.currency)}`,
    day: (on) =>
      new Intl.DateTimeFormat(facts.language === "en" ? "en-US" : facts.language, {
        weekday: "short",
        day: "numeric",
        month: "short",
        timeZone: "UTC",
      }).format(new Date(`${on}T12:00:00Z`)),
  };
  const Step = {
    choose: ChooseStep,
    type: TypeStep,
    look: LookStep,
    prove: ProveStep,
    code: CodeStep,
    done: Done,
  }[paying.step];
  return (
    <PaySheet
      lang={facts.language}
      {...(facts.byClerk ? { as: "section", minHeight: "620px" } : {})}
    >
      <Suspense fallback={<p>{words.working}</p>}>
        <Step {...step} />
      </Suspense>
    </PaySheet>
  );
}
