import { lazy, type ReactNode } from "react";

import { Total } from "../kit/Amount";
import { PayButton, PayFactList, PayFoot, PaySum, PayTitle } from "../kit/pay";
import { say } from "./say";
import type { StepProps } from "./stepProps";

// Only who takes a payment for a customer records what comes by hand.
const RestByHand = lazy(async () => ({ default: (await import("./RestByHand")).RestByHand }));

/** What became of it: paid, on its way, or not taken, and what to do next. */
export function Done(props: StepProps): ReactNode {
  const { facts, paying, words, sum, day, base } = props;
  const { outcome, made } = paying;
  if (!outcome || !made) return null;
  if (outcome.state === "declined")
    return (
      <>
        <header>
          <p>{facts.business}</p>
          <PayTitle data-tone="off">{words.declined}</PayTitle>
        </header>
        <p role="alert">{words.problems[outcome.code ?? ""] ?? words.problems["05"]}</p>
        <p>{words.declinedNext}</p>
        <PayFoot>
          <PayButton type="button" onClick={paying.again}>
            {words.change}
          </PayButton>
        </PayFoot>
      </>
    );
  const isPaid = outcome.state === "paid";
  return (
    <>
      <header>
        <p>{facts.business}</p>
        <PayTitle data-tone={isPaid ? "good" : "waits"} role="status">
          {isPaid ? `✓ ${words.paid}` : words.started}
        </PayTitle>
      </header>
      <PaySum data-alone>
        <Total>{sum(made.sum)}</Total>
      </PaySum>
      <PayFactList>
        <dt>{words.for}</dt>
        <dd>{made.numbers.join(", ")}</dd>
        <dt>{words.from}</dt>
        <dd>{made.name}</dd>
      </PayFactList>
      <p>
        {isPaid
          ? say(words.thanks, { business: facts.business })
          : say(words.startedNote, { day: day(facts.debitSettlesOn) })}
      </p>
      {facts.byHand ? <RestByHand {...props} /> : null}
      <PayFoot>
        <p>
          <a href={base}>{words.back}</a>
        </p>
      </PayFoot>
    </>
  );
}
