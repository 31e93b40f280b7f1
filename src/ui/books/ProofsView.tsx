"use client";

import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import type { Around } from "../history/types";
import { LeftOver, Sum } from "../kit/Amount";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenName } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { BooksHeading } from "./BooksHeading";

export type ProofLine = {
  name: string;
  what: string;
  journalWords: string;
  documentWords: string;
  journal: Minor;
  documents: Minor;
  off: Minor;
  holds: boolean;
};
export type WorkLine = { name: string; words: string; count: number; sum: Minor; href: string };
type Document = { words: string; more: string; on: Day | null; amount: Minor; href: string | null };
type Off = {
  words: string;
  href: string | null;
  journal: Minor;
  documents: Minor;
  sinceEntry: number | null;
  sinceOn: Day | null;
  explained: string;
};
type Documents = { documents: Document[]; count: number; sum: Minor; off: Off[] };
type Props = Around & { proofs: ProofLine[]; work: WorkLine[] };

/** The proofs: each control sum computed twice, from the journal and from the documents; below, the work that is still open. */
export function ProofsView(props: Props): ReactNode {
  const { currency, proofs, book } = props;
  const [open, setOpen] = useOpenName("proof");
  const broken = proofs.filter(({ holds }) => !holds);
  return (
    <>
      <BooksHeading
        view="proofs"
        sum={
          broken.length === 0 ? (
            <>
              <span className="good">0.00</span> <small>off: all {proofs.length} proofs hold</small>
            </>
          ) : (
            <>
              <span className="off">{broken.length}</span>{" "}
              <small>{broken.length === 1 ? "proof is" : "proofs are"} broken</small>
            </>
          )
        }
        end={
          <a className="soft" href={`/api/v1/b/${book}/export/proofs`}>
            CSV
          </a>
        }
      />
      <LedgerList<ProofLine>
        label="Proofs"
        rows={proofs}
        idOf={(row) => row.name}
        openId={open}
        onOpen={(id) => setOpen(id === null ? null : String(id))}
        workings={(row) => <Made key={row.name} row={row} {...props} />}
        columns={[
          { id: "what", header: "What must hold", width: "46%", cell: (row) => row.what },
          {
            id: "journal",
            header: "In the journal",
            width: "16%",
            number: true,
            cell: (row) => <Sum of={row.journal} currency={currency} dash />,
          },
          {
            id: "documents",
            header: "By the documents",
            width: "16%",
            number: true,
            cell: (row) => <Sum of={row.documents} currency={currency} dash />,
          },
          {
            id: "off",
            header: "Off by",
            width: "12%",
            number: true,
            cell: (row) => <LeftOver of={row.off} currency={currency} />,
          },
          {
            id: "holds",
            header: "Holds",
            width: "10%",
            cell: (row) =>
              row.holds ? (
                <span className="good">✓ holds</span>
              ) : (
                <span className="off">✗ broken</span>
              ),
          },
        ]}
        empty={<p>No proofs.</p>}
      />
      <Work {...props} />
    </>
  );
}

/** What a control sum is made of, document by document. */
function Made({ row, book, currency, today }: Around & { row: ProofLine }): ReactNode {
  const { complain } = useActing();
  const [made, setMade] = useState<Documents | null>(null);
  useEffect(() => {
    let current = true;
    void load<Documents>(`/api/v1/b/${book}/proofs/${row.name}`).then((sent) => {
      if (!current) return;
      if (sent.ok) setMade(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.name]);
  if (!made) return <p className="soft">Reading …</p>;
  if (made.count === 0 && made.off.length === 0)
    return (
      <p className="soft" style={{ paddingLeft: 16 }}>
        {row.documents === 0
          ? "Nothing stands there now."
          : "This is checked over all of them; there is no list of its own."}{" "}
        {row.holds ? "Both sides agree." : ""}
      </p>
    );
  return (
    <div
      style={{ padding: "0 16px", maxHeight: 330, overflow: "auto" }}
      tabIndex={0}
      role="group"
      aria-label={row.what}
    >
      {made.off.length > 0 ? (
        <table className="small" aria-label="Where it is off">
          <thead>
            <tr>
              <th scope="col" className="off">
                Off in
              </th>
              <th scope="col" className="num">
                in the journal
              </th>
              <th scope="col" className="num">
                by itself
              </th>
              <th scope="col">since</th>
              <th scope="col">what explains it</th>
            </tr>
          </thead>
          <tbody>
            {made.off.map((one) => (
              <tr key={one.words}>
                <td>
                  {one.href ? (
                    <NextLink href={`/b/${book}/${one.href}`} prefetch={false}>
                      {one.words}
                    </NextLink>
                  ) : (
                    one.words
                  )}
                </td>
                <td className="num sum">{formatAmount(one.journal, currency)}</td>
                <td className="num sum">{formatAmount(one.documents, currency)}</td>
                <td>
                  {one.sinceEntry === null ? (
                    "no entry"
                  ) : (
                    <NextLink
                      href={`/b/${book}/books?view=journal&open=${one.sinceEntry}`}
                      prefetch={false}
                    >
                      entry {one.sinceEntry}
                      {one.sinceOn ? ` of ${formatDay(one.sinceOn, today)}` : ""}
                    </NextLink>
                  )}
                </td>
                <td style={{ whiteSpace: "normal" }}>{one.explained}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <table className="small" aria-label="What it is made of">
        <tbody>
          {made.documents.map((one, at) => (
            <tr key={at}>
              <td>
                {one.href ? (
                  <NextLink href={`/b/${book}/${one.href}`} prefetch={false}>
                    {one.words}
                  </NextLink>
                ) : (
                  one.words
                )}
              </td>
              <td className="soft" style={{ whiteSpace: "normal" }}>
                {one.more}
              </td>
              <td className="soft" style={{ width: 130 }}>
                {one.on ? formatDay(one.on, today) : ""}
              </td>
              <td className="num sum" style={{ width: 120 }}>
                {formatAmount(one.amount, currency)}
              </td>
            </tr>
          ))}
          {made.count > made.documents.length ? (
            <tr>
              <td className="soft" colSpan={4}>
                and {made.count - made.documents.length} more; the CSV has them all
              </td>
            </tr>
          ) : null}
          <tr>
            <td className="soft">{made.count} in all</td>
            <td />
            <td />
            <td className="num">
              <span className="total">{formatAmount(made.sum, currency)}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}

function Work({ work, book, currency }: Props): ReactNode {
  return (
    <section style={{ padding: "10px 8px 16px", flex: "none" }}>
      <h2 style={{ fontSize: 14, fontWeight: 600, margin: "4px 0" }}>
        Open work{" "}
        <span className="soft" style={{ fontWeight: 400 }}>
          shown until it is done; it breaks no proof
        </span>
      </h2>
      {work.length === 0 ? (
        <p className="good">✓ None.</p>
      ) : (
        <table className="small" style={{ maxWidth: 640 }} aria-label="Open work">
          <tbody>
            {work.map((one) => (
              <tr key={one.name}>
                <td className="num" style={{ width: 60 }}>
                  {one.count}
                </td>
                <td>
                  <NextLink href={`/b/${book}/${one.href}`}>{one.words}</NextLink>
                </td>
                <td className="num sum">{formatAmount(one.sum, currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
