"use client";

import { type ReactNode, useState } from "react";

import { type Currency, parseAmount } from "@/core/money";

import { Act, RowButton } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

type PayLinkQuestionProps = {
  customerId: number;
  item: { id: number; currency: Currency };
  publicUrl: string;
};

/** A link by which the customer pays this invoice. It is shown once: the book keeps its hash alone. */
export function PayLinkQuestion({ customerId, item, publicUrl }: PayLinkQuestionProps): ReactNode {
  const { act, busy, complain } = useActing();
  const [link, setLink] = useState<{ id: number; address: string } | null>(null);
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [asksConsent, setAsksConsent] = useState(false);
  const make = async (): Promise<void> => {
    const [sumFrom, sumTo] = [from, to].map((text) => sumOrNull(text, item.currency));
    if (sumFrom === undefined || sumTo === undefined)
      return complain("That sum cannot be read. Write it like 50.00.");
    const secret = secretWord();
    const made = await act<{ id: number }>(
      "makePayLink",
      { customerId, itemIds: [item.id], sumFrom, sumTo, asksConsent, hash: await hashOf(secret) },
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
      </Act>{" "}
      <label data-tone="soft">
        from{" "}
        <LineField
          aria-label="The smallest sum that is paid by the link"
          inputMode="decimal"
          placeholder="as set"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        />
      </label>{" "}
      <label data-tone="soft">
        to{" "}
        <LineField
          aria-label="The largest sum that is paid by the link"
          inputMode="decimal"
          placeholder="as set"
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
      </label>{" "}
      <label data-tone="soft">
        <Tick checked={asksConsent} onChange={() => setAsksConsent(!asksConsent)} /> and agree that
        the next are taken by themselves
      </label>
    </ActRow>
  );
}

/** A sum that was typed, null for none; undefined where it cannot be read. */
function sumOrNull(text: string, currency: Currency): number | null | undefined {
  if (text.trim() === "") return null;
  const read = parseAmount(text, ".", currency);
  return read.ok && read.value > 0 ? read.value : undefined;
}

/** 192 bits that nobody guesses. */
const secretWord = (): string => [...crypto.getRandomValues(new Uint8Array(24))].map(hex).join("");

async function hashOf(secret: string): Promise<string> {
  const bytes = await crypto.subtle.digest("SHA-256", new TextEncoder().encode(secret));
  return [...new Uint8Array(bytes)].map(hex).join("");
}

const hex = (byte: number): string => byte.toString(16).padStart(2, "0");
