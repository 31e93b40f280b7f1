import { type ReactNode, useState } from "react";

import { Total } from "../kit/Amount";
import { PayButton, PayField, PayFoot, PayForm, PaySum, PayTitle, PayWord } from "../kit/pay";
import type { StepProps } from "./stepProps";

/** The bank of a card asks its owner for a code. It goes to the processor alone. */
export function CodeStep({ facts, paying, words, sum }: StepProps): ReactNode {
  const [code, setCode] = useState("");
  const { pending, problem, busy } = paying;
  if (!pending) return null;
  const { made, says } = pending;
  return (
    <PayForm
      onSubmit={(event) => {
        event.preventDefault();
        void paying.confirm(code);
      }}
    >
      <header>
        <p>{facts.business}</p>
        <PayTitle>{words.codeAsked}</PayTitle>
      </header>
      <PaySum data-alone>
        <Total>{sum(made.sum)}</Total>
      </PaySum>
      <p>
        {made.name}. {words.codeNote}
      </p>
      <PayField
        label={words.bankCode}
        name="bankCode"
        value={code}
        autoFocus
        help={says}
        error={problem?.field === "bankCode" ? problem.words : undefined}
        inputMode="numeric"
        autoComplete="one-time-code"
        maxLength={12}
        onChange={(event) => setCode(event.target.value)}
      />
      {problem && problem.field === "" ? (
        <p role="alert" data-tone="off">
          {problem.words}
        </p>
      ) : null}
      <PayFoot>
        <PayButton type="submit" disabled={busy || code.trim() === ""}>
          {busy ? words.working : words.codeGo}
        </PayButton>
        <PayWord onClick={() => void paying.confirm(null)}>{words.codeGiveUp}</PayWord>
      </PayFoot>
    </PayForm>
  );
}
