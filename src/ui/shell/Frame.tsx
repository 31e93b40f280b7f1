"use client";

import { type ReactNode, useEffect, useState } from "react";

import type { CountedFacts, ShellFacts } from "@/contracts/shell";

import { PageFrame, Sheet } from "../kit/sheets";
import { Notices } from "./Notices";
import { ProofStrip } from "./ProofStrip";
import { Run } from "./Run";
import { load } from "./send";

type Props = {
  shell: ShellFacts;
  /** Null where the page did not wait for it. */
  counted: CountedFacts | null;
  /** The state of the book that it is of. */
  change: number;
  children: ReactNode;
};

/**
 * What stands around every page: the run above, the proofs below. Where they take long, the page is
 * there and they follow.
 */
export function Frame({ shell, counted, change, children }: Props): ReactNode {
  const { facts, left, problem } = useCounted(shell.book, counted, change);
  return (
    <PageFrame>
      <Run shell={shell} left={left} />
      <Notices book={shell.book}>
        <Sheet id="sheet">{children}</Sheet>
      </Notices>
      <ProofStrip shell={shell} strip={facts?.strip ?? null} problem={problem} />
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
function useCounted(book: string, counted: CountedFacts | null, change: number): Counted {
  const [fetched, setFetched] = useState<{
    change: number;
    facts: CountedFacts | null;
    problem: string | null;
  }>({ change: -1, facts: null, problem: null });
  useEffect(() => {
    if (counted !== null) return;
    let current = true;
    void load<CountedFacts>(`/api/v1/b/${book}/count`).then((sent) => {
      if (!current) return;
      if (sent.ok) setFetched({ change, facts: sent.value, problem: null });
      else setFetched({ change, facts: null, problem: sent.message });
    });
    return () => {
      current = false;
    };
  }, [book, change, counted]);
  const late = fetched.change === change ? fetched : { facts: null, problem: null };
  const facts = counted ?? late.facts;
  const [last, setLast] = useState(counted);
  if (facts !== null && facts !== last) setLast(facts);
  return { facts, left: (facts ?? last)?.left ?? null, problem: facts ? null : late.problem };
}
