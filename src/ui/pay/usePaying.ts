"use client";

import { useState } from "react";

import type { PayFacts, PayOutcome } from "@/contracts/paying";

import { say } from "./say";
import type { Typed } from "./typed";
import { type Choice, type Chosen, useChoice } from "./useChoice";
import type { PayWords } from "./words";

const NOTHING: Typed = { number: "", expiry: "", code: "", routing: "", account: "", again: "" };

export type Step = "choose" | "type" | "look" | "done";
type Problem = { field: string; words: string };
/** What the processor made of what was typed. */
type Taken = { token: string; name: string; lastFour: string };

/** A payment as it is put together, step by step, and made. */
export function usePaying(facts: PayFacts, base: string, words: PayWords) {
  const choice = useChoice(facts);
  const [step, setStep] = useState<Step>("choose");
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const on: OnStep = { facts, base, words, setStep, setProblem, busy, setBusy };
  const typing = useTyping(on, choice.chosen);
  const name = nameOf(choice.chosen, typing.taken, facts.method);
  const making = useMaking(on, { ...choice, ...typing });
  const goOn = (): void => {
    setProblem(null);
    setStep("onFile" in choice.chosen ? "look" : "type");
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
  return { ...choice, ...typing, ...making, name, step, setStep, problem, busy, goOn, end, again };
}

type OnStep = {
  facts: PayFacts;
  base: string;
  words: PayWords;
  setStep: (step: Step) => void;
  setProblem: (problem: Problem | null) => void;
  busy: boolean;
  setBusy: (busy: boolean) => void;
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
  return { typed, setTyped, taken, setTaken, take };
}

type Put = Pick<
  Choice,
  "parts" | "itemIds" | "plan" | "sum" | "chosen" | "keep" | "agree" | "word"
> & {
  taken: Taken | null;
};
type Outcome = Extract<PayOutcome, { state: string }>;

/** The key is kept until an answer is here: whoever presses again, or loads the page, pays once. */
function useMaking(
  on: OnStep,
  { parts, itemIds, plan, sum, chosen, keep, agree, word, taken }: Put,
) {
  const { base, words, setStep, setProblem, busy, setBusy } = on;
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const pay = async (): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const by = {
      key: keyFor(base, sum),
      methodId: "onFile" in chosen ? chosen.onFile.id : null,
      token: "onFile" in chosen ? null : (taken?.token ?? null),
    };
    const amounts = parts.map(({ itemId, amount }) => ({ itemId, amount }));
    const answer =
      plan.length > 0
        ? await sent<Outcome>(`${base}/plan`, { ...by, itemIds, count: plan.length })
        : await sent<Outcome>(`${base}/payments`, {
            ...{ ...by, parts: amounts, sum, keep, agree, word },
          });
    setBusy(false);
    if (!answer) return setProblem({ field: "", words: words.cut });
    sessionStorage.removeItem(keyPlace(base));
    if ("error" in answer) return setProblem({ field: "", words: answer.error.message });
    setOutcome(answer);
    setStep("done");
  };
  return { outcome, setOutcome, pay };
}

export type Paying = ReturnType<typeof usePaying>;

function nameOf(chosen: Chosen, taken: Taken | null, method: string): string {
  const face = "onFile" in chosen ? chosen.onFile : taken;
  return face ? say(method, face) : "";
}

const keyPlace = (base: string): string => `dozo-paying-${base}`;

function keyFor(base: string, sum: number): string {
  const kept = sessionStorage.getItem(keyPlace(base));
  const [before, of] = (kept ?? "").split(" ");
  if (before && of === String(sum)) return before;
  const key = crypto.randomUUID();
  sessionStorage.setItem(keyPlace(base), `${key} ${sum}`);
  return key;
}

/** Sends JSON; null where no answer came. */
async function sent<T>(
  address: string,
  body: object,
): Promise<T | { error: { message: string } } | null> {
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    return (await response.json()) as T | { error: { message: string } };
  } catch {
    return null;
  }
}
