"use client";

import { type ReactNode, useState } from "react";

import type { CustomerFacts } from "@/contracts/customers";
import type { Currency } from "@/core/money";

import { Act, RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { ActRow, Described, FactList } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { CustomerFinder } from "./CustomerFinder";

const WAYS = { mail: "by mail", paper: "on paper", none: "not at all" } as const;
const PAYS = {
  "": null,
  card: "card only",
  bank: "bank account only",
  "card,bank": "both",
} as const;

type Merged = { actId: number; name: string; number: string };
type Props = {
  facts: CustomerFacts;
  merged: readonly Merged[];
  currency: Currency;
};

/** What is agreed with a customer, and who was made one with it. */
export function CustomerFactsList({ facts, merged, currency }: Props): ReactNode {
  const rows: [string, string | null][] = [
    ["Address", facts.address || null],
    ["Tax number", facts.taxNumber || null],
    ["Terms", facts.terms || null],
    ["Currency", facts.currency || null],
    ["Invoices come", WAYS[facts.way]],
    ["May pay by", PAYS[facts.paysBy]],
    ["Notes", facts.notes || null],
  ];
  return (
    <>
      <Subheading>What is agreed</Subheading>
      <FactList>
        {rows.map(([term, said]) =>
          said === null ? null : (
            <Fact key={term} term={term}>
              {said}
            </Fact>
          ),
        )}
        {merged.map((gone) => (
          <Fact key={gone.actId} term="Was also">
            {gone.name} <span data-tone="soft">{gone.number}</span> <Apart gone={gone} />
          </Fact>
        ))}
      </FactList>
      <MergeQuestion facts={facts} currency={currency} />
    </>
  );
}

function Fact({ term, children }: { term: string; children: ReactNode }): ReactNode {
  return (
    <>
      <dt>{term}</dt>
      <Described>{children}</Described>
    </>
  );
}

function Apart({ gone }: { gone: Merged }): ReactNode {
  const { act, busy } = useActing();
  return (
    <RowButton
      data-tone="soft"
      disabled={busy}
      onClick={() =>
        void act("undo", { actId: gone.actId }, () => ({
          words: `${gone.name} stands by itself again.`,
        }))
      }
    >
      make two again
    </RowButton>
  );
}

/** Two that are one: the other is chosen, and looked at before. */
function MergeQuestion({
  facts,
  currency,
}: {
  facts: CustomerFacts;
  currency: Currency;
}): ReactNode {
  const { act, busy } = useActing();
  const [asked, setAsked] = useState(false);
  const [gone, setGone] = useState<{ id: number; name: string } | null>(null);
  if (!asked)
    return (
      <p>
        <RowButton data-tone="soft" onClick={() => setAsked(true)}>
          Make one with another customer …
        </RowButton>
      </p>
    );
  if (gone === null)
    return (
      <CustomerFinder
        label="The other"
        placeholder="the double: part of its name or number …"
        currency={currency}
        autoFocus
        choose={({ id, name }) => setGone({ id, name })}
      />
    );
  const merge = (): void =>
    void act<{ actId: number }>(
      "mergeCustomers",
      { keep: facts.id, gone: gone.id },
      ({ actId }) => ({ words: `${gone.name} is one with ${facts.name} now.`, undo: actId }),
    ).then((done) => {
      if (done) setAsked(false);
    });
  return (
    <ActRow>
      <span>
        All of <b data-strong>{gone.name}</b> goes to <b data-strong>{facts.name}</b>: invoices,
        receipts, letters, schedules. Its number, name and link lead here. It can be taken back.
      </span>
      <Act main disabled={busy} onClick={merge}>
        Make them one
      </Act>
      <Act onClick={() => setAsked(false)}>Leave it</Act>
    </ActRow>
  );
}
