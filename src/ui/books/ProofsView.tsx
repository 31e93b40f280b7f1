"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { KeptBackup, ProofLine, WorkLine } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { formatAmount } from "@/core/money";

import { Amount, LeftOver } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { ListFiles } from "../kit/lists/ListFiles";
import { useOpenName } from "../kit/lists/useOpenRow";
import { Cell, DetailTable } from "../kit/tables";
import { Backups } from "./Backups";
import { BooksHeading } from "./BooksHeading";
import { ProofDocuments } from "./ProofBreakdownTable";

type Props = BookFacts & { proofs: ProofLine[]; work: WorkLine[]; kept: KeptBackup[] };
/**
 * The proofs: each control sum computed twice, from the journal and from the documents; below, the
 * work that is still open.
 */
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
              <span data-tone="good">0.00</span> <small>off: all {proofs.length} proofs hold</small>
            </>
          ) : (
            <>
              <span data-tone="off">{broken.length}</span>{" "}
              <small>{broken.length === 1 ? "proof is" : "proofs are"} broken</small>
            </>
          )
        }
        end={<ListFiles book={book} list="proofs" />}
      />
      <LedgerList<ProofLine>
        label="Proofs"
        rows={proofs}
        idOf={(row) => row.name}
        openId={open}
        onOpen={(id) => setOpen(id === null ? null : String(id))}
        workings={(row) => <ProofDocuments key={row.name} row={row} {...props} />}
        columns={[
          {
            id: "what",
            narrow: "who",
            header: "What must hold",
            width: "46%",
            cell: (row) => row.what,
          },
          {
            id: "journal",
            narrow: "sum",
            header: "In the journal",
            width: "16%",
            number: true,
            cell: (row) => <Amount of={row.journal} currency={currency} dash />,
          },
          {
            id: "documents",
            header: "By the documents",
            width: "16%",
            number: true,
            cell: (row) => <Amount of={row.documents} currency={currency} dash />,
          },
          {
            id: "off",
            narrow: "more",
            header: "Off by",
            width: "12%",
            number: true,
            cell: (row) => <LeftOver of={row.off} currency={currency} />,
          },
          {
            id: "holds",
            narrow: "state",
            header: "Holds",
            width: "10%",
            cell: (row) =>
              row.holds ? (
                <span data-tone="good">✓ holds</span>
              ) : (
                <span data-tone="off">✗ broken</span>
              ),
          },
        ]}
        empty={<p>No proofs.</p>}
      />
      <Halves flex="none">
        <Work {...props} />
        <Backups book={book} kept={props.kept} />
      </Halves>
    </>
  );
}
function Work({ work, book, currency }: Props): ReactNode {
  return (
    <Section padding="10px 8px 16px" flex="none">
      <Subheading fontSize="14px" fontWeight={600} margin="4px 0">
        Open work{" "}
        <span data-tone="soft" data-light>
          shown until it is done; it breaks no proof
        </span>
      </Subheading>
      {work.length === 0 ? (
        <p data-tone="good">✓ None.</p>
      ) : (
        <DetailTable maxWidth="640px" aria-label="Open work">
          <tbody>
            {work.map((workLine) => (
              <tr key={workLine.name}>
                <Cell data-numeric width="60px">
                  {workLine.count}
                </Cell>
                <td>
                  <NextLink href={`/b/${book}/${workLine.href}`}>{workLine.words}</NextLink>
                </td>
                <td data-numeric data-sum>
                  {formatAmount(workLine.sum, currency)}
                </td>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      )}
    </Section>
  );
}
