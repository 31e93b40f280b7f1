import type { PayFacts } from "@/contracts/paying";

import type { PayWords } from "./words";

export type Step = "choose" | "type" | "look" | "prove" | "code" | "done";
export type Problem = { field: string; words: string };
/** What the processor made of what was typed. */
export type Taken = { token: string; name: string; lastFour: string; proven: boolean };

/** What the parts of a payment share while it is put together. */
export type OnStep = {
  facts: PayFacts;
  base: string;
  words: PayWords;
  setStep: (step: Step) => void;
  setProblem: (problem: Problem | null) => void;
  busy: boolean;
  setBusy: (busy: boolean) => void;
};
