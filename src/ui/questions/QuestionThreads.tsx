"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { QuestionThread } from "@/contracts/questions";
import { type Day, formatDay } from "@/core/calendar";

import { Amount } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { Labels, LineText } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, LetterText, Section } from "../kit/layout";
import { useActing } from "../shell/Notices";

type ThreadsProps = { threads: readonly QuestionThread[]; today: Day };

/** What customers asked, each with what was said in turn and the place to answer. */
export function QuestionThreads({ threads, today }: ThreadsProps): ReactNode {
  return threads.map((thread) => <Thread key={thread.id} thread={thread} today={today} />);
}

function Thread({ thread, today }: { thread: QuestionThread; today: Day }): ReactNode {
  const { book } = useActing();
  const { id, kind, customerId, customer, itemId, number, balance, currency, said, state } = thread;
  return (
    <Section maxWidth="760px" aria-label={`Question of ${customer}`}>
      <Subheading>
        <NextLink href={`/b/${book}/customers/${customerId}`}>{customer}</NextLink>,{" "}
        {kind === "dispute" ? <b data-tone="off">does not agree with</b> : "about"}{" "}
        {itemId === null ? (
          "the account"
        ) : (
          <NextLink href={`/b/${book}/invoices/${itemId}`}>{number}</NextLink>
        )}
        {balance !== null && currency !== null ? (
          <span data-sum>
            , <Amount of={balance} currency={currency} /> open
          </span>
        ) : null}{" "}
        {state === "closed" ? <span data-tone="good">✓ ended</span> : null}
      </Subheading>
      {said.map((words, at) => (
        <Box key={at}>
          <span data-tone={words.byCustomer ? "waits" : "soft"}>
            {words.byCustomer ? "asked" : `answered by ${words.actor}`},{" "}
            {formatDay(words.on, today)}
          </span>
          {words.line === null ? null : <Box>{words.line}</Box>}
          <LetterText>{words.words}</LetterText>
        </Box>
      ))}
      <Answer key={`${id} ${said.length}`} questionId={id} isOpen={state === "open"} />
    </Section>
  );
}

type AnswerProps = { questionId: number; isOpen: boolean };

function Answer({ questionId, isOpen }: AnswerProps): ReactNode {
  const { act, busy } = useActing();
  const [words, setWords] = useState("");
  const answer = (close: boolean): void =>
    void act<{ mailed: boolean }>("answerQuestion", { questionId, words, close }, ({ mailed }) => ({
      words: `Answered${mailed ? ", and mailed" : "; no mail reaches them, it stands on their page"}.`,
      final: "What was said stays. Say something else in a further answer.",
    }));
  const end = (again: boolean): void =>
    void act("endQuestion", { questionId, again }, () => ({
      words: again ? "It is open again." : "Ended: it holds no reminder any more.",
    }));
  if (!isOpen)
    return (
      <p>
        <RowButton data-tone="soft" disabled={busy} onClick={() => end(true)}>
          open it again
        </RowButton>
      </p>
    );
  return (
    <>
      <Labels label="Your answer">
        <LineText
          kind="words"
          rows={3}
          width="100%"
          aria-label="Your answer"
          maxLength={2000}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </Labels>
      <ActRow>
        <Act main disabled={busy || words.trim() === ""} onClick={() => answer(true)}>
          Answer, and end it
        </Act>
        <Act disabled={busy || words.trim() === ""} onClick={() => answer(false)}>
          Answer, and keep it open
        </Act>
        <Act disabled={busy} onClick={() => end(false)}>
          End it without an answer
        </Act>
      </ActRow>
    </>
  );
}
