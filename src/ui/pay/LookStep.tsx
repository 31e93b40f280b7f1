import type { ReactNode } from "react";

import { Total } from "../kit/Amount";
import { PayButton, PayFactList, PayField, PayFoot, PaySum, PayTitle, PayWord } from "../kit/pay";
import { PlanParts } from "./Plan";
import { say } from "./say";
import type { StepProps } from "./stepProps";
import { wayOf } from "./useChoice";

/** The last look: the sum, for what, from where, when it counts. Nothing was taken before it. */
export function LookStep({ facts, paying, words, sum, day }: StepProps): ReactNode {
  const { chosen, parts, problem, busy } = paying;
  const way = wayOf(chosen);
  const cost = paying.costOf(way);
  if (paying.mustProve) return <ProveFirst paying={paying} words={words} />;
  return (
    <>
      <header>
        <p>{words.look}</p>
        <PayTitle>
          {say(words.lookTitle, { business: facts.business, customer: facts.customer })}
        </PayTitle>
      </header>
      <PaySum data-alone>
        <Total>{sum(paying.sum)}</Total>
      </PaySum>
      <PayFactList>
        <dt>{words.for}</dt>
        <dd>{parts.map(({ number }) => number).join(", ")}</dd>
        {cost === 0 ? null : (
          <>
            <dt>{cost > 0 ? words.onTop : words.saved}</dt>
            <dd>{sum(Math.abs(cost))}</dd>
          </>
        )}
        <dt>{words.from}</dt>
        <dd>{paying.name}</dd>
        <dt>{words.counts}</dt>
        <dd>{way === "card" ? words.atOnce : day(facts.debitSettlesOn)}</dd>
      </PayFactList>
      <PlanParts parts={paying.plan} sum={sum} day={day} />
      {paying.plan.length > 0 ? <p data-words>{words.planAgreed}</p> : null}
      {paying.agree && paying.plan.length === 0 ? (
        <p data-words>
          <b data-strong>{say(facts.consent, { method: paying.name })}</b>
        </p>
      ) : null}
      {paying.plan.length > 0 ? null : (
        <p data-words>{say(words.pressing, { business: facts.business })}</p>
      )}
      {facts.byClerk ? (
        <PayField
          label="Who allowed it, and how"
          name="word"
          maxLength={200}
          autoFocus
          placeholder="Ana Reyes, on the telephone"
          value={paying.word}
          onChange={(event) => paying.setWord(event.target.value)}
        />
      ) : null}
      {problem ? (
        <p role="alert" data-tone="off">
          {problem.words}
        </p>
      ) : null}
      <PayFoot>
        <PayButton type="button" disabled={busy} onClick={() => void paying.pay()}>
          {busy ? words.working : say(words.pay, { sum: sum(paying.sum) })}
        </PayButton>
        <PayWord onClick={paying.again}>{words.change}</PayWord>
      </PayFoot>
    </>
  );
}

/** A new account: nothing is taken from it before it is proven to be its payer's. */
function ProveFirst({ paying, words }: Pick<StepProps, "paying" | "words">): ReactNode {
  const { taken, problem, busy } = paying;
  return (
    <>
      <header>
        <p>{words.look}</p>
        <PayTitle>{words.proveTitle}</PayTitle>
      </header>
      <p>
        {paying.name}. {words.proveBefore}
      </p>
      {problem ? (
        <p role="alert" data-tone="off">
          {problem.words}
        </p>
      ) : null}
      <PayFoot>
        <PayButton
          type="button"
          disabled={busy}
          onClick={() => void paying.prove({ token: taken?.token })}
        >
          {busy ? words.working : words.proveSend}
        </PayButton>
        <PayWord onClick={paying.again}>{words.change}</PayWord>
      </PayFoot>
    </>
  );
}
