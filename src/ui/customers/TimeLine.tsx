"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import { type HistoryLine } from "@/contracts/customers";
import { formatDay } from "@/core/calendar";

import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Details, LetterText, Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { CameBack } from "./CustomerContacts";
import type { Props } from "./customerTypes";

export function TimeLine({ history, book, today }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <Section>
      <Subheading>
        History <span data-tone="soft">{history.length}</span>
      </Subheading>
      {history.length === 0 ? (
        <p data-tone="soft">Nothing yet.</p>
      ) : (
        <DetailTable aria-label="History">
          <tbody>
            {history.slice(0, 250).map((line, at) => (
              <tr key={at}>
                <Cell data-tone="soft" width="122px" verticalAlign="baseline">
                  {formatDay(line.on, today)}
                </Cell>
                <Cell data-tone="soft" width="84px" verticalAlign="baseline">
                  {line.kind}
                </Cell>
                <Cell whiteSpace="normal" verticalAlign="baseline">
                  <WordsOf book={book} line={line} />
                  <MoreOf book={book} line={line} />
                </Cell>
                <Cell data-numeric width="56px">
                  {line.actId !== null ? (
                    <RowButton
                      data-strong
                      disabled={busy}
                      onClick={() =>
                        void act("undo", { actId: line.actId }, () => ({
                          words: "Undone. Both entries stay in the journal.",
                        }))
                      }
                    >
                      Undo
                    </RowButton>
                  ) : null}
                </Cell>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      )}
    </Section>
  );
}

type WordsOfProps = {
  book: string;
  line: HistoryLine;
};
function WordsOf({ book, line }: WordsOfProps): ReactNode {
  if (line.href)
    return (
      <NextLink href={`/b/${book}/${line.href}`} prefetch={false}>
        {line.undone ? <s>{line.words}</s> : line.words}
      </NextLink>
    );
  if (line.undone) return <s>{line.words}</s>;
  return line.words;
}

type MoreOfProps = {
  book: string;
  line: HistoryLine;
};
function MoreOf({ book, line }: MoreOfProps): ReactNode {
  if (line.kind === "letter")
    return (
      <Details>
        <summary data-tone="soft">its words</summary>
        <LetterText>{line.more}</LetterText>
        {line.letterId !== null ? (
          <>
            <a data-tone="soft" href={`/api/v1/b/${book}/letters/${line.letterId}/pdf`}>
              On paper (PDF)
            </a>{" "}
            <CameBack letterId={line.letterId} />
          </>
        ) : null}
      </Details>
    );
  if (line.more) return <span data-tone="soft"> {line.more}</span>;
  return null;
}
