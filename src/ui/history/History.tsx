"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ActView, Backing, Linked, Origin } from "@/contracts/history";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { FactList, Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { EntryTable } from "./EntryTable";

/**
 * The lower half of every document's page: what was done to it, the entries it led to, and the line
 * of the file it came from.
 */
export function History({ told, ...around }: BookFacts & { told: Backing }): ReactNode {
  return (
    <Section>
      <Subheading>What was done</Subheading>
      <Acts acts={told.acts} {...around} />
      <Subheading>Its entries</Subheading>
      {told.entries.length === 0 ? (
        <p data-tone="soft">Nothing was posted for it.</p>
      ) : (
        told.entries
          .slice(0, 60)
          .map((entry) => <EntryTable key={entry.id} entry={entry} {...around} />)
      )}
      <OriginLine origin={told.origin} book={around.book} />
    </Section>
  );
}

function Acts({ acts, today }: BookFacts & { acts: readonly ActView[] }): ReactNode {
  if (acts.length === 0) return <p data-tone="soft">Nothing yet, beyond taking it in.</p>;
  return (
    <DetailTable>
      <tbody>
        {acts.map((actHere) => (
          <tr key={actHere.id}>
            <Cell data-tone="soft" width="118px" title={actHere.at}>
              {formatDay(actHere.on, today)}
            </Cell>
            <td data-wrap>
              {actHere.undone ? <s>{actHere.text}</s> : actHere.text}{" "}
              <span data-tone="soft">{actHere.actor}</span>
            </td>
            <Cell data-numeric width="64px">
              <UndoCell actHere={actHere} />
            </Cell>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

type UndoCellProps = {
  actHere: ActView;
};
function UndoCell({ actHere }: UndoCellProps): ReactNode {
  const { act, busy } = useActing();
  if (actHere.undoable)
    return (
      <RowButton
        data-strong
        disabled={busy}
        onClick={() =>
          void act("undo", { actId: actHere.id }, () => ({
            words: "Undone. Both entries stay in the journal.",
          }))
        }
      >
        Undo
      </RowButton>
    );
  if (actHere.undone) return <span data-tone="soft">undone</span>;
  return null;
}

/** Where it came from: the file and its line, as it was given. */
function OriginLine({ origin, book }: { origin: Origin | null; book: string }): ReactNode {
  if (!origin) return null;
  return (
    <>
      <Subheading>Where it came from</Subheading>
      <chakra.p margin="2px 0">
        <NextLink
          href={`/b/${book}/files/${origin.fileId}${origin.line === null ? "" : `?line=${origin.line}`}`}
          prefetch={false}
        >
          {origin.name}
        </NextLink>
        {origin.line === null ? "" : `, line ${origin.line}`}
      </chakra.p>
      {origin.cells.length > 0 ? (
        <FactList fontSize="13px">
          {origin.headers.map((header, at) =>
            (origin.cells[at] ?? "") === ""
              ? null
              : [
                  <dt key={`${header} t`}>{header}</dt>,
                  <dd key={`${header} d`}>{origin.cells[at]}</dd>,
                ],
          )}
        </FactList>
      ) : null}
    </>
  );
}

/** The documents that a sum went to or came from, adding up to it. */
export function LinkedTable({
  linked,
  label,
  foot,
  empty,
  book,
  currency,
  today,
}: BookFacts & {
  linked: readonly Linked[];
  label: string;
  foot: string;
  empty: string;
}): ReactNode {
  if (linked.length === 0) return <p data-tone="soft">{empty}</p>;
  return (
    <DetailTable aria-label={label}>
      <tbody>
        {linked.map((linked, at) => (
          <tr data-tone={linked.ended ? "soft" : undefined} key={`${linked.href} ${at}`}>
            <td>
              <NextLink href={`/b/${book}/${linked.href}`} prefetch={false}>
                {linked.words}
              </NextLink>
              {linked.note ? <span data-tone="soft">, {linked.note}</span> : null}
              {linked.ended ? " (undone)" : ""}
            </td>
            <Cell data-tone="soft" width="130px">
              {formatDay(linked.on, today)}
            </Cell>
            <Cell data-numeric data-sum width="110px">
              {linked.ended ? (
                <s>
                  <Amount of={linked.amount} currency={currency} />
                </s>
              ) : (
                <Amount of={linked.amount} currency={currency} />
              )}
            </Cell>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">{foot}</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount
                of={sumOf(
                  linked.filter(({ ended }) => !ended),
                  (linked) => linked.amount,
                )}
                currency={currency}
              />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
