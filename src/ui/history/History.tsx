"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Sum } from "../kit/Amount";
import { useActing } from "../shell/Notices";
import { EntryTable } from "./EntryTable";
import type { ActView, Around, Linked, Origin, Told } from "./types";

/** The lower half of every document's page: what was done to it, the entries it led to, and the line of the file it came from. */
export function Story({ told, ...around }: Around & { told: Told }): ReactNode {
  return (
    <section>
      <h2>What was done</h2>
      <Acts acts={told.acts} {...around} />
      <h2>Its entries</h2>
      {told.entries.length === 0 ? (
        <p className="soft">Nothing was posted for it.</p>
      ) : (
        told.entries
          .slice(0, 60)
          .map((entry) => <EntryTable key={entry.id} entry={entry} {...around} />)
      )}
      <OriginLine origin={told.origin} book={around.book} />
    </section>
  );
}

function Acts({ acts, today }: Around & { acts: readonly ActView[] }): ReactNode {
  const { act, busy } = useActing();
  if (acts.length === 0) return <p className="soft">Nothing yet, beyond taking it in.</p>;
  return (
    <table className="small">
      <tbody>
        {acts.map((one) => (
          <tr key={one.id}>
            <td className="soft" style={{ width: 118 }} title={one.at}>
              {formatDay(one.on, today)}
            </td>
            <td style={{ whiteSpace: "normal" }}>
              {one.undone ? <s>{one.text}</s> : one.text} <span className="soft">{one.actor}</span>
            </td>
            <td className="num" style={{ width: 64 }}>
              {one.undoable ? (
                <button
                  type="button"
                  className="row-open strong"
                  disabled={busy}
                  onClick={() =>
                    void act("undo", { actId: one.id }, () => ({
                      words: "Undone. Both entries stay in the journal.",
                    }))
                  }
                >
                  Undo
                </button>
              ) : one.undone ? (
                <span className="soft">undone</span>
              ) : null}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Where it came from: the file and its line, as it was given. */
function OriginLine({ origin, book }: { origin: Origin | null; book: string }): ReactNode {
  if (!origin) return null;
  return (
    <>
      <h2>Where it came from</h2>
      <p style={{ margin: "2px 0" }}>
        <NextLink
          href={`/b/${book}/files/${origin.fileId}${origin.line === null ? "" : `?line=${origin.line}`}`}
          prefetch={false}
        >
          {origin.name}
        </NextLink>
        {origin.line === null ? "" : `, line ${origin.line}`}
      </p>
      {origin.cells.length > 0 ? (
        <dl className="facts" style={{ fontSize: 13 }}>
          {origin.headers.map((header, at) =>
            (origin.cells[at] ?? "") === ""
              ? null
              : [
                  <dt key={`${header} t`}>{header}</dt>,
                  <dd key={`${header} d`}>{origin.cells[at]}</dd>,
                ],
          )}
        </dl>
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
}: Around & { linked: readonly Linked[]; label: string; foot: string; empty: string }): ReactNode {
  if (linked.length === 0) return <p className="soft">{empty}</p>;
  return (
    <table className="small" aria-label={label}>
      <tbody>
        {linked.map((one, at) => (
          <tr key={`${one.href} ${at}`} className={one.ended ? "soft" : undefined}>
            <td>
              <NextLink href={`/b/${book}/${one.href}`} prefetch={false}>
                {one.words}
              </NextLink>
              {one.note ? <span className="soft">, {one.note}</span> : null}
              {one.ended ? " (undone)" : ""}
            </td>
            <td className="soft" style={{ width: 130 }}>
              {formatDay(one.on, today)}
            </td>
            <td className="num sum" style={{ width: 110 }}>
              {one.ended ? (
                <s>
                  <Sum of={one.amount} currency={currency} />
                </s>
              ) : (
                <Sum of={one.amount} currency={currency} />
              )}
            </td>
          </tr>
        ))}
        <tr>
          <td className="soft">{foot}</td>
          <td />
          <td className="num">
            <span className="total">
              <Sum
                of={sumOf(
                  linked.filter(({ ended }) => !ended),
                  (one) => one.amount,
                )}
                currency={currency}
              />
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  );
}
