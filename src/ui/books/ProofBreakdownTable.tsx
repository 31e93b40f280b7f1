"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import type { ProofBreakdown, ProofLine } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Total } from "../kit/Amount";
import { Cell, DetailTable } from "../kit/tables";
import { Reading } from "../kit/Reading";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

/** What a control sum is made of, document by document. */
export function ProofDocuments({
  row,
  book,
  currency,
  today,
}: BookFacts & { row: ProofLine }): ReactNode {
  const { complain } = useActing();
  const [made, setMade] = useState<ProofBreakdown | null>(null);
  useEffect(() => {
    let current = true;
    void load<ProofBreakdown>(`/api/v1/b/${book}/proofs/${row.name}`).then((sent) => {
      if (!current) return;
      if (sent.ok) setMade(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.name]);
  if (!made) return <Reading />;
  if (made.count === 0 && made.off.length === 0)
    return (
      <chakra.p data-tone="soft" paddingLeft="16px">
        {row.documents === 0
          ? "Nothing stands there now."
          : "This is checked over all of them; there is no list of its own."}{" "}
        {row.holds ? "Both sides agree." : ""}
      </chakra.p>
    );
  return (
    <Box
      padding="0 16px"
      maxHeight="330px"
      overflow="auto"
      tabIndex={0}
      role="group"
      aria-label={row.what}
    >
      {made.off.length > 0 ? (
        <OffTable book={book} currency={currency} made={made} today={today} />
      ) : null}
      <MadeOf book={book} currency={currency} made={made} today={today} />
    </Box>
  );
}
type ProofTableProps = {
  book: string;
  currency: Currency;
  made: ProofBreakdown;
  today: Day;
};
function OffTable({ book, currency, made, today }: ProofTableProps): ReactNode {
  return (
    <DetailTable aria-label="Where it is off">
      <thead>
        <tr>
          <th data-tone="off" scope="col">
            Off in
          </th>
          <th data-numeric scope="col">
            in the journal
          </th>
          <th data-numeric scope="col">
            by itself
          </th>
          <th scope="col">since</th>
          <th scope="col">what explains it</th>
        </tr>
      </thead>
      <tbody>
        {made.off.map((off) => (
          <tr key={off.words}>
            <td>
              {off.href ? (
                <NextLink href={`/b/${book}/${off.href}`} prefetch={false}>
                  {off.words}
                </NextLink>
              ) : (
                off.words
              )}
            </td>
            <td data-numeric data-sum>
              {formatAmount(off.journal, currency)}
            </td>
            <td data-numeric data-sum>
              {formatAmount(off.documents, currency)}
            </td>
            <td>
              {off.sinceEntry === null ? (
                "no entry"
              ) : (
                <NextLink
                  href={`/b/${book}/books?view=journal&open=${off.sinceEntry}`}
                  prefetch={false}
                >
                  entry {off.sinceEntry}
                  {off.sinceOn ? ` of ${formatDay(off.sinceOn, today)}` : ""}
                </NextLink>
              )}
            </td>
            <td data-wrap>{off.explained}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
function MadeOf({ book, currency, made, today }: ProofTableProps): ReactNode {
  return (
    <DetailTable aria-label="What it is made of">
      <tbody>
        {made.documents.map((document, at) => (
          <tr key={at}>
            <td>
              {document.href ? (
                <NextLink href={`/b/${book}/${document.href}`} prefetch={false}>
                  {document.words}
                </NextLink>
              ) : (
                document.words
              )}
            </td>
            <td data-tone="soft" data-wrap>
              {document.more}
            </td>
            <Cell data-tone="soft" width="130px">
              {document.on ? formatDay(document.on, today) : ""}
            </Cell>
            <Cell data-numeric data-sum width="120px">
              {formatAmount(document.amount, currency)}
            </Cell>
          </tr>
        ))}
        {made.count > made.documents.length ? (
          <tr>
            <td data-tone="soft" colSpan={4}>
              and {made.count - made.documents.length} more; the CSV has them all
            </td>
          </tr>
        ) : null}
        <tr>
          <td data-tone="soft">{made.count} in all</td>
          <td />
          <td />
          <td data-numeric>
            <Total>{formatAmount(made.sum, currency)}</Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
