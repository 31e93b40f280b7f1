"use client";

import { type ReactNode, useEffect, useState } from "react";

import type { CountedFacts, ShellFacts } from "@/contracts/shell";

import { PageFrame, Sheet } from "../kit/sheets";
import { Notices } from "./Notices";
import { ProofStrip } from "./ProofStrip";
import { Run } from "./Run";
import { load } from "./send";
import { useArrival } from "./useArrival";
import { useLaterStates } from "./useLaterStates";

type Props = {
  shell: ShellFacts;
  /** Null where the page did not wait for it. */
  counted: CountedFacts | null;
  /** The state of the book that it is of. */
  state: string;
  children: ReactNode;
};

/**
 * What stands around every page: the run above, the proofs below. Where they take long, the page is
 * there and they follow.
 */
export function Frame({ shell, counted, state, children }: Props): ReactNode {
  const { facts, left, problem } = useCounted(shell.book, counted, state);
  useLaterStates(shell.book, state);
  useArrival();
  return (
    <PageFrame>
      <Notices book={shell.book}>
        <Run shell={shell} left={left} />
        <Sheet id="sheet" tabIndex={-1}>
          {children}
        </Sheet>
        <ProofStrip shell={shell} strip={facts?.strip ?? null} problem={problem} />
      </Notices>
    </PageFrame>
  );
}

type Counted = {
  facts: CountedFacts | null;
  /** What was left a moment ago is shown until it is counted anew; a proof is not. */
  left: CountedFacts["left"] | null;
  problem: string | null;
};

/** What is left to do and the proofs: with the page, or fetched after it. */
function useCounted(book: string, counted: CountedFacts | null, state: string): Counted {
  const [fetched, setFetched] = useState<{
    state: string;
    facts: CountedFacts | null;
    problem: string | null;
  }>({ state: "", facts: null, problem: null });
  useEffect(() => {
    if (counted !== null) return;
    let current = true;
    void load<CountedFacts>(`/api/v1/b/${book}/count`).then((sent) => {
      if (!current) return;
      if (sent.ok) setFetched({ state, facts: sent.value, problem: null });
      else setFetched({ state, facts: null, problem: sent.message });
    });
    return () => {
      current = false;
    };
  }, [book, state, counted]);
  const late = fetched.state === state ? fetched : { facts: null, problem: null };
  const facts = counted ?? late.facts;
  const [last, setLast] = useState(counted);
  if (facts !== null && facts !== last) setLast(facts);
  return { facts, left: (facts ?? last)?.left ?? null, problem: facts ? null : late.problem };
}
