import type { ReactNode } from "react";

import type { GlossaryTerm } from "@/contracts/glossary";

import type { ViewName } from "@/contracts/views";

import { Word } from "./Word";

/** Views whose name is a word that wants explaining. */
const TERMS: Readonly<Partial<Record<ViewName, GlossaryTerm>>> = {
  Proofs: "proofs",
  "Trial balance": "trial_balance",
  Clearing: "clearing",
  "Write-offs": "write_off",
  Ladders: "ladder",
  Aging: "aging",
};

/** The name of a view; where it is a word of the glossary it explains itself. */
export function ViewWords({ children }: { children: ViewName }): ReactNode {
  const term = TERMS[children];
  return term ? <Word of={term}>{children}</Word> : children;
}
