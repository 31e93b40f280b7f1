"use client";

import { useState } from "react";

import type { MethodOnFile, PayFacts, PayOutcome } from "@/contracts/paying";
import { minor, sumOf } from "@/core/money";
import { accountFace, cardFace, waysTogether, type WayToPay } from "@/core/paying";

import { say } from "./say";
import type { PayWords } from "./words";

/** The way that is chosen: one on file, or a new card or account. */
export type Chosen = { onFile: MethodOnFile } | { fresh: WayToPay };
/** A card or account that is typed: it goes to the processor alone. */
export type Typed = {
  number: string;
  expiry: string;
  code: string;
  routing: string;
  account: string;
  again: string;
};
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
  const end = async (methodId: number | null): Promise<void> => {
    await sent(`${base}/agreement`, { methodId });
    window.location.reload();
  };
  const again = (): void => {
    typing.setTaken(null);
    making.setOutcome(null);
    setStep("choose");
  };
  return { ...choice, ...typing, ...making, name, step, setStep, problem, busy, goOn, end, again };
}

/** Which invoices are paid, by what, and what is agreed to beside it. */
function useChoice(facts: PayFacts) {
  const payable = facts.items.filter(({ balance, beingPaid }) => beingPaid < balance);
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [chosen, setChosen] = useState<Chosen>(() => usualWay(facts));
  const [keep, setKeep] = useState(false);
  const [agree, setAgree] = useState(false);
  const [word, setWord] = useState("");
  const paid = payable.filter(({ id }) => !out.has(id));
  const parts = paid.map(({ id, number, balance, beingPaid }) => ({
    itemId: id,
    number,
    amount: minor(balance - beingPaid),
  }));
  const toggle = (id: number): void => {
    const next = new Set(out);
    if (!next.delete(id)) next.add(id);
    setOut(next);
  };
  const sum = sumOf(parts, ({ amount }) => amount);
  const ways = waysTogether([facts.ways, ...paid.map((item) => item.ways)]);
  return {
    ...{ payable, out, toggle, parts, sum, ways, chosen: fitting(chosen, ways), setChosen },
    ...{ keep, setKeep, agree, setAgree, word, setWord },
  };
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
    const face = isCard ? cardFace(typed, facts.today) : accountFace(typed);
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
  ReturnType<typeof useChoice>,
  "parts" | "sum" | "chosen" | "keep" | "agree" | "word"
> & {
  taken: Taken | null;
};
type Outcome = Extract<PayOutcome, { state: string }>;

/** The key is kept until an answer is here: whoever presses again, or loads the page, pays once. */
function useMaking(on: OnStep, { parts, sum, chosen, keep, agree, word, taken }: Put) {
  const { base, words, setStep, setProblem, busy, setBusy } = on;
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const pay = async (): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const answer = await sent<Outcome>(`${base}/payments`, {
      key: keyFor(base, sum),
      parts: parts.map(({ itemId, amount }) => ({ itemId, amount })),
      methodId: "onFile" in chosen ? chosen.onFile.id : null,
      token: "onFile" in chosen ? null : (taken?.token ?? null),
      keep,
      agree,
      word,
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

function usualWay({ methods, ways }: PayFacts): Chosen {
  const [first] = methods;
  return first ? { onFile: first } : { fresh: ways.includes("bank") ? "bank" : "card" };
}

function nameOf(chosen: Chosen, taken: Taken | null, method: string): string {
  const face = "onFile" in chosen ? chosen.onFile : taken;
  return face ? say(method, face) : "";
}

/** What is chosen, or, where what is paid now may not be paid so, a way by which it may. */
function fitting(chosen: Chosen, ways: readonly WayToPay[]): Chosen {
  const [first] = ways;
  const way = "onFile" in chosen ? chosen.onFile.way : chosen.fresh;
  return ways.includes(way) || first === undefined ? chosen : { fresh: first };
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
