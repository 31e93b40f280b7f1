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
  const [late, setLate] = useState<{
    change: number;
    counted: CountedFacts | null;
    problem: string | null;
  } | null>(null);
  const { book } = shell;
  useEffect(() => {
    if (counted !== null) return;
    let current = true;
    void load<CountedFacts>(`/api/v1/b/${book}/count`).then((sent) => {
      if (current)
        setLate({
          change,
          counted: sent.ok ? sent.value : null,
          problem: sent.ok ? null : sent.message,
        });
    });
    return () => {
      current = false;
    };
  }, [book, change, counted]);
  const facts = counted ?? (late?.change === change ? late.counted : null);
  // What was left a moment ago is shown until it is counted anew; a proof is not.
  const [last, setLast] = useState(counted);
  if (facts !== null && facts !== last) setLast(facts);
  return (
    <PageFrame>
      <Run shell={shell} left={(facts ?? last)?.left ?? null} />
      <Notices book={book}>
        <Sheet id="sheet">{children}</Sheet>
      </Notices>
      <ProofStrip
        shell={shell}
        strip={facts?.strip ?? null}
        problem={facts === null && late?.change === change ? late.problem : null}
      />
    </PageFrame>
  );
}
