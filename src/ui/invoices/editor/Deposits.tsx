"use client";

import NextLink from "next/link";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";

import type { EditorFacts } from "@/contracts/editor";

import { Amount } from "../../kit/Amount";
import { Act } from "../../kit/buttons";
import { TextField } from "../../kit/fields";
import { ActRow } from "../../kit/layout";
import { useActing } from "../../shell/Notices";
import type { useDraft } from "./useDraft";

type DepositsProps = { facts: EditorFacts; editor: ReturnType<typeof useDraft> };

/** What is asked for of a draft beforehand, and the way to ask for a part of it. */
export function Deposits({ facts, editor }: DepositsProps): ReactNode {
  const { book } = useActing();
  const [asking, setAsking] = useState(false);
  if (facts.kind !== "invoice" || facts.isDeposit) return null;
  return (
    <>
      {facts.deposits.map(({ id, itemId, words, total }) => (
        <p key={id} data-tone="soft">
          asked for beforehand: <Amount of={total} currency={editor.draft.currency} />,{" "}
          <NextLink href={`/b/${book}/invoices/${itemId ?? `drafts/${id}`}`}>{words}</NextLink>
        </p>
      ))}
      {asking ? (
        <DepositForm editor={editor} close={() => setAsking(false)} />
      ) : (
        <ActRow>
          <Act onClick={() => setAsking(true)}>Ask for a part beforehand …</Act>
        </ActRow>
      )}
    </>
  );
}

type DepositFormProps = { editor: DepositsProps["editor"]; close: () => void };

function DepositForm({ editor, close }: DepositFormProps): ReactNode {
  const { book, act, busy, complain } = useActing();
  const router = useRouter();
  const [percent, setPercent] = useState("30");
  const ask = async (): Promise<void> => {
    const kept = await editor.kept();
    if (!kept) return complain("Choose the customer and write what it is for first.");
    const asked = await act<{ id: number }>("askDeposit", { ...kept, percent }, () => ({
      words: `The deposit of ${percent} % is a draft; it is taken off on the invoice.`,
      final: "Drop the draft, and take its line off the invoice, where it is not wanted.",
    }));
    if (asked) router.push(`/b/${book}/invoices/drafts/${asked.id}`);
  };
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void ask();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") close();
      }}
    >
      <TextField
        label="Percent of this draft"
        autoFocus
        value={percent}
        onChange={(event) => setPercent(event.target.value)}
      />
      <Act main type="submit" disabled={busy}>
        Write the deposit
      </Act>
      <Act hint="Esc" onClick={close}>
        Not now
      </Act>
    </ActRow>
  );
}
