"use client";

import { type ReactNode, useState } from "react";

import { maskedNumbers } from "@/core/gate";
import type { BankDetails, PaperLook } from "@/core/invoices";

import { Act } from "../../kit/buttons";
import { Choice, Labels, LineText, TextField } from "../../kit/fields";
import { Details } from "../../kit/layout";
import { useActing } from "../../shell/Notices";

type Props = {
  look: PaperLook;
  kept: readonly BankDetails[];
  set: (changed: Partial<PaperLook>) => void;
};

/** Which of the book's bank details a look shows, and the place where they are kept, once for all looks. */
export function BankDetailsField({ look, kept, set }: Props): ReactNode {
  const isOwn = look.bank !== "" && !kept.some(({ name }) => name === look.bank);
  return (
    <>
      <Choice
        label="Bank details"
        options={[
          ["", "none"] as const,
          ...kept.map(({ name }) => [name, name] as const),
          ...(isOwn ? [[look.bank, `“${look.bank.slice(0, 40)}”`] as const] : []),
        ]}
        value={look.bank}
        onChange={(event) => set({ bank: event.target.value })}
      />
      <KeptDetails key={look.bank} chosen={look.bank} kept={kept} set={set} />
    </>
  );
}

function KeptDetails({ chosen, kept, set }: Omit<Props, "look"> & { chosen: string }): ReactNode {
  const { act, busy } = useActing();
  const [name, setName] = useState(chosen.slice(0, 40));
  const [words, setWords] = useState(
    kept.find((details) => details.name === chosen)?.words ?? chosen,
  );
  const masked = maskedNumbers(words);
  const keep = (): void =>
    void act("setBankDetails", { name, words }, () => ({
      words: words.trim() === "" ? `${name} is dropped.` : `${name} is kept for every look.`,
    })).then((done) => {
      if (done && words.trim() !== "") set({ bank: name.trim() });
    });
  return (
    <Details open={kept.length === 0}>
      <summary>Keep bank details under a name</summary>
      <TextField
        label="Name of the bank details"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Labels label="Their words">
        <LineText
          kind="words"
          rows={2}
          width="100%"
          aria-label="Words of the bank details"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </Labels>
      {masked === words ? null : (
        <p role="alert" data-tone="waits">
          A full account number is never kept. It will say: {masked}
        </p>
      )}
      <Act disabled={busy || name.trim() === ""} onClick={keep}>
        Keep the details
      </Act>
    </Details>
  );
}
