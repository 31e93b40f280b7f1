import NextLink from "next/link";
import type { ReactNode } from "react";

import { FIRST_STEPS, type FirstStep, type FirstStepsDone } from "@/contracts/start";

import { StepList } from "../kit/layout";

type Props = {
  at: FirstStep;
  done: FirstStepsDone;
  /** Null before there is a book: the later steps cannot be gone to yet. */
  book: string | null;
};

/** The four steps, what each is for, which are done and which is open. */
export function FirstSteps({ at, done, book }: Props): ReactNode {
  return (
    <StepList aria-label="First steps">
      {(Object.keys(FIRST_STEPS) as FirstStep[]).map((step, index) => {
        const { name, what } = FIRST_STEPS[step];
        const words = `${index + 1}. ${name}`;
        return (
          <li key={step} aria-current={step === at ? "step" : undefined}>
            <b>
              {book === null || step === "business" ? (
                words
              ) : (
                <NextLink href={`/b/${book}/start?step=${step}`} prefetch={false}>
                  {words}
                </NextLink>
              )}{" "}
              {done[step] ? <span data-tone="good">✓ done</span> : null}
            </b>
            <span data-tone="soft">{what}</span>
          </li>
        );
      })}
    </StepList>
  );
}
