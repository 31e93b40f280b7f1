"use client";

import { useState } from "react";

import type { PayFacts } from "@/contracts/paying";

import type { OnStep, Problem, Step, Taken } from "./onStep";
import { say } from "./say";
import { sent } from "./sent";
import type { Typed } from "./typed";
import { type Chosen, useChoice, wayOf } from "./useChoice";
import { useMaking } from "./useMaking";
import type { PayWords } from "./words";

const NOTHING: Typed = { number: "", expiry: "", code: "", routing: "", account: "", again: "" };

/** A payment as it is put together, step by step, and made. */
export function usePaying(facts: PayFacts, base: string, words: PayWords) {
  const choice = useChoice(facts);
  const [step, setStep] = useState<Step>("choose");
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const on: OnStep = { facts, base, words, setStep, setProblem, busy, setBusy };
  const typing = useTyping(on, choice.chosen);
  const name = nameOf(choice.chosen, typing.taken, facts.method);
  const making = useMaking(on, { ...choice, taken: typing.taken, name });
  const goOn = (): void => {
    setProblem(null);
    setStep(firstStep(choice.chosen));
  };
  const end = async (methodId: number | null, planId: number | null = null): Promise<void> => {
    await sent(`${base}/agreement`, { methodId, planId });
    window.location.reload();
  };
  const again = (): void => {
    typing.setTaken(null);
    making.setOutcome(null);
    setStep("choose");
  };
  /** A new account is proven before anything is taken from it, where the business asks for that. */
  const mustProve =
    facts.provenAccounts && typing.taken?.proven === false && wayOf(choice.chosen) === "bank";
  return {
    ...choice,
    ...typing,
    ...making,
    mustProve,
    name,
    step,
    setStep,
    problem,
    busy,
    goOn,
    end,
    again,
  };
}

const firstStep = (chosen: Chosen): Step => {
  if (!("onFile" in chosen)) return "type";
  return chosen.onFile.usable ? "look" : "prove";
};

/** The form is looked at here; the numbers go to the processor's own address, and a token comes back. */
function useTyping({ facts, words, setStep, setProblem, setBusy }: OnStep, chosen: Chosen) {
  const [typed, setTyped] = useState(NOTHING);
  const [taken, setTaken] = useState<Taken | null>(null);
  const take = async (): Promise<void> => {
    if (!("fresh" in chosen)) return;
    const isCard = chosen.fresh === "card";
    // The rules of numbers come with the step that needs them.
    const { faceOfTyped } = await import("./faceOfTyped");
    const face = faceOfTyped(isCard, typed, facts.today);
    if (!face.ok) {
      const field = String(face.error.field ?? "");
      return setProblem({ field, words: words.problems[face.error.code] ?? "" });
    }
    setBusy(true);
    const { number, expiry, code, routing, account, again } = typed;
    const answer = await sent<Taken>(
      `${facts.processor}/${isCard ? "cards" : "accounts"}`,
      isCard ? { number, expiry, code } : { routing, account, again },
    );
    setBusy(false);
    if (!answer) return setProblem({ field: "", words: words.cut });
    if ("error" in answer) return setProblem({ field: "", words: words.notHere });
    setTaken(answer);
    setTyped(NOTHING);
    setProblem(null);
    setStep("look");
  };
  /** What its bank has said is the payer's own. */
  const takeSigned = (account: Taken): void => {
    setTaken(account);
    setProblem(null);
    setStep("look");
  };
  return { typed, setTyped, taken, setTaken, take, takeSigned };
}

export type Paying = ReturnType<typeof usePaying>;

function nameOf(chosen: Chosen, taken: Taken | null, method: string): string {
  const face = "onFile" in chosen ? chosen.onFile : taken;
  return face ? say(method, face) : "";
}
