"use client";

import { type ReactNode, useState } from "react";

import { Act, RowButton } from "../kit/buttons";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

type PayLinkQuestionProps = { customerId: number; itemId: number; publicUrl: string };

/** A link by which the customer pays this invoice. It is shown once: the book keeps its hash alone. */
export function PayLinkQuestion({
  customerId,
  itemId,
  publicUrl,
}: PayLinkQuestionProps): ReactNode {
  const { act, busy } = useActing();
  const [link, setLink] = useState<{ id: number; address: string } | null>(null);
  const make = async (): Promise<void> => {
    const secret = secretWord();
    const made = await act<{ id: number }>(
      "makePayLink",
      { customerId, itemIds: [itemId], hash: await hashOf(secret) },
      () => ({
        words: "The link is made. Copy it now: it is not shown again.",
        final: "A link is withdrawn where it stands.",
      }),
    );
    if (made) setLink({ id: made.id, address: `${publicUrl}/pay/${secret}` });
  };
  const withdraw = (id: number): void =>
    void act("withdrawPayLink", { id }, () => ({
      words: "The link leads nowhere from now on.",
    })).then((done) => {
      if (done !== undefined) setLink(null);
    });
  return link ? (
    <p data-wrap>
      <a href={link.address} target="_blank" rel="noreferrer">
        {link.address}
      </a>{" "}
      <RowButton onClick={() => void navigator.clipboard.writeText(link.address)}>copy</RowButton>{" "}
      <RowButton data-tone="soft" disabled={busy} onClick={() => withdraw(link.id)}>
        withdraw it
      </RowButton>
    </p>
  ) : (
    <ActRow>
      <Act disabled={busy} onClick={() => void make()}>
        Link to pay it
      </Act>
    </ActRow>
  );
}

/** 192 bits that nobody guesses. */
const secretWord = (): string => [...crypto.getRandomValues(new Uint8Array(24))].map(hex).join("");

async function hashOf(secret: string): Promise<string> {
  const bytes = await crypto.subtle.digest("SHA-256", new TextEncoder().encode(secret));
  return [...new Uint8Array(bytes)].map(hex).join("");
}

const hex = (byte: number): string => byte.toString(16).padStart(2, "0");
