import { type ReactNode, useState } from "react";

import { PayButton, PayField, PayFoot, PayForm, PayPair, PayTitle, PayWord } from "../kit/pay";
import { say } from "./say";
import type { StepProps } from "./stepProps";

/** An account on file is proven by the two small sums that came to it. */
export function ProveStep({ facts, paying, words, day }: StepProps): ReactNode {
  const [sums, setSums] = useState(["", ""]);
  const { chosen, problem, busy } = paying;
  if (!("onFile" in chosen)) return null;
  const { id, sumsThereOn } = chosen.onFile;
  const set = (at: number) => (event: { target: { value: string } }) =>
    setSums(sums.map((sum, which) => (which === at ? event.target.value : sum)));
  return (
    <PayForm
      onSubmit={(event) => {
        event.preventDefault();
        void paying.prove({ methodId: id, sums });
      }}
    >
      <header>
        <p>{facts.business}</p>
        <PayTitle>{words.proveTitle}</PayTitle>
      </header>
      <p>
        {paying.name}. {sumsThereOn ? say(words.proveNote, { day: day(sumsThereOn) }) : ""}
      </p>
      <PayPair>
        {[words.proveFirst, words.proveSecond].map((label, at) => (
          <PayField
            key={label}
            label={label}
            name={`sum${at}`}
            value={sums[at]}
            autoFocus={at === 0}
            inputMode="decimal"
            autoComplete="off"
            placeholder="0.00"
            maxLength={6}
            onChange={set(at)}
          />
        ))}
      </PayPair>
      {facts.ofSmallSums === "" ? null : <p data-words>{facts.ofSmallSums}</p>}
      {problem ? (
        <p role="alert" data-tone="off">
          {problem.words}
        </p>
      ) : null}
      <PayFoot>
        <PayButton type="submit" disabled={busy || sums.some((sum) => sum.trim() === "")}>
          {busy ? words.working : words.proveGo}
        </PayButton>
        <PayWord onClick={() => paying.setStep("choose")}>{words.change}</PayWord>
      </PayFoot>
    </PayForm>
  );
}
