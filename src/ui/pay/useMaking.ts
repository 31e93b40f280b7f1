import { useEffect, useState } from "react";

import type { PayOutcome } from "@/contracts/paying";

import type { OnStep, Taken } from "./onStep";
import { sent } from "./sent";
import type { Choice } from "./useChoice";

type Put = Pick<
  Choice,
  "parts" | "rest" | "itemIds" | "plan" | "sum" | "chosen" | "keep" | "agree" | "word"
> & {
  taken: Taken | null;
  name: string;
};
type Outcome = Extract<PayOutcome, { state: string }>;
/** What was asked for, as it was shown: the same is asked again after a code. */
type Made = {
  path: string;
  body: object;
  sum: number;
  /** What of the chosen invoices stays open. */
  rest: number;
  name: string;
  numbers: string[];
};
/** A charge whose bank asks for a code, kept in the tab: who looks at its telephone finds it again. */
type Pending = { made: Made; charge: string; says: string };

/** The key is kept until an answer is here: whoever presses again, or loads the page, pays once. */
export function useMaking(on: OnStep, put: Put) {
  const { base, words, setStep, setProblem, busy, setBusy } = on;
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [made, setMade] = useState<Made | null>(null);
  const [pending, setPending] = usePending(on, setMade);
  const send = async (asked: Made): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const answer = await sent<Outcome>(asked.path, asked.body);
    setBusy(false);
    if (!answer) return setProblem({ field: "", words: words.cut });
    setMade(asked);
    if ("state" in answer && answer.state === "asks_code") {
      setPending({ made: asked, charge: answer.chargeId, says: answer.says });
      return setStep("code");
    }
    sessionStorage.removeItem(keyPlace(base));
    setPending(null);
    if ("error" in answer) return setProblem({ field: "", words: answer.error.message });
    setOutcome(answer);
    setStep("done");
  };
  const pay = (): Promise<void> => send(madeOf(base, put));
  /** The code that was typed goes to the processor alone; null: its owner gives up. */
  const confirm = async (code: string | null): Promise<void> => {
    if (!pending || busy) return;
    setBusy(true);
    const answer = await sent<object>(`${on.facts.processor}/codes`, {
      charge: pending.charge,
      code,
    });
    setBusy(false);
    if (!answer) return setProblem({ field: "", words: words.cut });
    if ("error" in answer) return setProblem({ field: "bankCode", words: words.codeWrong });
    await send(pending.made);
  };
  /** Asks for two small sums to a new account, or proves one by those that came; the page knows it then. */
  const prove = async (body: object): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const answer = await sent<object>(`${base}/accounts`, body);
    setBusy(false);
    if (!answer) return setProblem({ field: "", words: words.cut });
    if ("error" in answer) return setProblem({ field: "", words: problemOf(answer, words) });
    window.location.reload();
  };
  return { outcome, setOutcome, pay, made, pending, confirm, prove };
}

/** A refusal in the customer's language, where there is a word for it. */
const problemOf = ({ error }: { error?: unknown }, words: OnStep["words"]): string => {
  const { code, message } = error as { code: string; message: string };
  return words.problems[code] ?? message;
};

/** What waits for a code, found again where the page was loaded anew. */
function usePending({ base, setStep }: OnStep, setMade: (made: Made) => void) {
  const [pending, setPending] = useState<Pending | null>(null);
  const place = `dozo-code-${base}`;
  useEffect(() => {
    const kept = sessionStorage.getItem(place);
    if (kept === null) return;
    const found = JSON.parse(kept) as Pending;
    setPending(found);
    setMade(found.made);
    setStep("code");
  }, [place, setMade, setStep]);
  const keep = (next: Pending | null): void => {
    if (next) sessionStorage.setItem(place, JSON.stringify(next));
    else sessionStorage.removeItem(place);
    setPending(next);
  };
  return [pending, keep] as const;
}

function madeOf(
  base: string,
  { parts, rest, itemIds, plan, sum, chosen, keep, agree, word, taken, name }: Put,
): Made {
  const by = {
    key: keyFor(base, sum),
    methodId: "onFile" in chosen ? chosen.onFile.id : null,
    token: "onFile" in chosen ? null : (taken?.token ?? null),
  };
  const shown = { sum, rest, name, numbers: parts.map(({ number }) => number) };
  if (plan.length > 0)
    return { ...shown, path: `${base}/plan`, body: { ...by, itemIds, count: plan.length } };
  const amounts = parts.map(({ itemId, amount }) => ({ itemId, amount }));
  return {
    ...shown,
    path: `${base}/payments`,
    body: { ...by, parts: amounts, sum, keep, agree, word },
  };
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
