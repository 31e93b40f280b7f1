import type { ReactNode } from "react";

import { bankOf, isChecked, isRouting, schemeOf } from "@/core/paying";

import {
  PayBox,
  PayButton,
  PayField,
  PayFoot,
  PayForm,
  PayPair,
  PayTick,
  PayTitle,
  PayWord,
} from "../kit/pay";
import { SignIn } from "./SignIn";
import type { StepProps } from "./stepProps";
import type { Typed } from "./typed";

/** A card or bank account is typed, looked at while it is, and goes to the processor alone. */
export function TypeStep(props: StepProps): ReactNode {
  const { paying, words, sum } = props;
  const isCard = "fresh" in paying.chosen && paying.chosen.fresh === "card";
  return (
    <PayForm
      onSubmit={(event) => {
        event.preventDefault();
        void paying.take();
      }}
    >
      <header>
        <p>
          <PayWord onClick={() => paying.setStep("choose")}>‹ {words.back}</PayWord>
          {isCard ? words.card : words.bank}
        </p>
        <PayTitle data-sum>{sum(paying.sum)}</PayTitle>
      </header>
      {isCard ? <CardFields {...props} /> : <AccountFields {...props} />}
      {isCard || props.facts.byClerk ? null : <SignIn {...props} />}
      <PayTick>
        <PayBox
          checked={paying.keep || paying.agree}
          disabled={paying.agree}
          onChange={() => paying.setKeep(!paying.keep)}
        />
        <span>{words.keep}</span>
      </PayTick>
      {props.facts.byClerk ? null : (
        <PayTick>
          <PayBox
            checked={paying.agree}
            disabled={props.facts.mustAgree}
            onChange={() => paying.setAgree(!paying.agree)}
          />
          <span>
            {words.agree} <small>{words.agreeNote}</small>
          </span>
        </PayTick>
      )}
      {paying.problem && paying.problem.field === "" ? (
        <p role="alert" data-tone="off">
          {paying.problem.words}
        </p>
      ) : null}
      <PayFoot>
        <PayButton type="submit" disabled={paying.busy}>
          {paying.busy ? words.working : words.look}
        </PayButton>
        <p>{words.notYet}</p>
      </PayFoot>
    </PayForm>
  );
}

/** A field of what is typed, with what is wrong with it. */
function Typing({
  paying,
  field,
  label,
  help,
  hint,
}: Pick<StepProps, "paying"> & {
  field: keyof Typed;
  label: string;
  help?: string | undefined;
  hint: string;
}): ReactNode {
  return (
    <PayField
      label={label}
      name={field}
      value={paying.typed[field]}
      help={help}
      error={paying.problem?.field === field ? paying.problem.words : undefined}
      inputMode="numeric"
      autoComplete={hint}
      onChange={(event) => paying.setTyped({ ...paying.typed, [field]: event.target.value })}
    />
  );
}

function CardFields({ paying, words }: StepProps): ReactNode {
  const scheme = schemeOf(paying.typed.number);
  const isWhole = scheme !== undefined && isChecked(paying.typed.number);
  return (
    <>
      <Typing
        paying={paying}
        field="number"
        label={words.number}
        hint="cc-number"
        help={isWhole ? `✓ ${scheme.name}` : undefined}
      />
      <PayPair>
        <Typing paying={paying} field="expiry" label={words.expiry} hint="cc-exp" />
        <Typing paying={paying} field="code" label={words.code} hint="cc-csc" />
      </PayPair>
    </>
  );
}

function AccountFields({ paying, words }: StepProps): ReactNode {
  const { routing } = paying.typed;
  return (
    <>
      <Typing
        paying={paying}
        field="routing"
        label={words.routing}
        hint="off"
        help={isRouting(routing.trim()) ? `✓ ${bankOf(routing.trim())}` : undefined}
      />
      <Typing paying={paying} field="account" label={words.account} hint="off" />
      <Typing paying={paying} field="again" label={words.again} hint="off" />
    </>
  );
}
