"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";

import type { DrillResult, KeptBackup } from "@/contracts/books";

import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { ActRow, Section } from "../kit/layout";
import { DetailTable, NoneRow } from "../kit/tables";
import { post } from "../shell/send";

type Said = { words: string; tone: "good" | "off" };

/** The copies of the book, how to take one now, and whether the last one would bring it all back. */
export function Backups({ book, kept }: { book: string; kept: readonly KeptBackup[] }): ReactNode {
  const { said, busy, take, drill } = useBackups(book);
  return (
    <Section padding="10px 8px 16px" flex="none" id="backups">
      <Subheading fontSize="14px" fontWeight={600} margin="4px 0">
        Backups{" "}
        <span data-tone="soft" data-light>
          each was proven, page by page and sum by sum, before it got its name
        </span>
      </Subheading>
      <DetailTable maxWidth="640px" aria-label="Backups">
        <tbody>
          {kept.slice(0, MOST_SHOWN).map(({ at, bytes, file }) => (
            <tr key={file}>
              <td>{at.replace("T", " ").replace("Z", " UTC")}</td>
              <td data-tone="soft" title={file}>
                {file.slice(file.lastIndexOf("/") + 1)}
              </td>
              <td data-numeric>{(bytes / 1_000_000).toFixed(1)} MB</td>
            </tr>
          ))}
          <NoneRow of={kept}>None yet.</NoneRow>
        </tbody>
      </DetailTable>
      <ActRow>
        <Act disabled={busy} onClick={() => void take()}>
          Back up now
        </Act>
        <Act disabled={busy || kept.length === 0} onClick={() => void drill()}>
          Try the last one
        </Act>
        {said === null ? null : (
          <span data-tone={said.tone} role="status">
            {said.words}
          </span>
        )}
      </ActRow>
    </Section>
  );
}
const MOST_SHOWN = 5;

function useBackups(book: string) {
  const router = useRouter();
  const [said, setSaid] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const ask = async <T,>(what: "keep" | "drill", words: (value: T) => Said): Promise<void> => {
    setBusy(true);
    const sent = await post<T>(`/api/v1/b/${book}/backups`, JSON.stringify({ what }), {
      "content-type": "application/json",
    });
    setBusy(false);
    setSaid(sent.ok ? words(sent.value) : { words: sent.message, tone: "off" });
    if (sent.ok) router.refresh();
  };
  const take = (): Promise<void> =>
    ask<{ file: string }>("keep", ({ file }) => ({ words: `Kept as ${file}.`, tone: "good" }));
  const drill = (): Promise<void> => ask<DrillResult>("drill", drillInWords);
  return { said, busy, take, drill };
}

function drillInWords({ at, proofs, head, broken }: DrillResult): Said {
  const when = at.replace("T", " ").replace("Z", " UTC");
  return broken.length === 0
    ? {
        words: `The copy of ${when} was restored aside: all ${proofs} proofs hold, and its audit trail is whole up to ${head.slice(0, 12)}….`,
        tone: "good",
      }
    : { words: `The copy of ${when} does not hold: ${broken.join("; ")}.`, tone: "off" };
}
