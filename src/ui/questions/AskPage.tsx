"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useRef, useState } from "react";

import type { QuestionFacts, QuestionThread } from "@/contracts/questions";
import type { Day } from "@/core/calendar";

import { Choice, Labels, LineText } from "../kit/fields";
import { LetterText } from "../kit/layout";
import {
  PayButton,
  PayFoot,
  PayForm,
  PayHeading,
  PayLine,
  PayLists,
  PaySheet,
  PayTitle,
} from "../kit/pay";
import type { AskWords } from "./askWords";

type Props = { base: string; facts: QuestionFacts; words: AskWords };

/** What a customer asked and what was answered, and the way to ask; made for a phone. */
export function AskPage({ base, facts, words }: Props): ReactNode {
  const day = (on: Day): string =>
    new Intl.DateTimeFormat(facts.language === "en" ? "en-US" : facts.language, {
      dateStyle: "medium",
      timeZone: "UTC",
    }).format(new Date(`${on}T12:00:00Z`));
  return (
    <PaySheet lang={facts.language}>
      <header>
        <p>
          {words.title} {facts.business}
        </p>
        <PayTitle>{facts.customer}</PayTitle>
      </header>
      {facts.threads.length === 0 ? <p data-words>{words.nothing}</p> : null}
      {facts.threads.map((thread) => (
        <Thread key={thread.id} thread={thread} words={words} facts={facts} day={day} />
      ))}
      <AskForm base={base} facts={facts} words={words} />
      <p>
        <a href={base}>{words.back}</a>
      </p>
    </PaySheet>
  );
}

type ThreadProps = Omit<Props, "base"> & { thread: QuestionThread; day: (on: Day) => string };

function Thread({ thread, words, facts, day }: ThreadProps): ReactNode {
  return (
    <>
      <PayHeading>
        {thread.number ?? words.account}{" "}
        {thread.kind === "dispute" ? <small>{words.disputed}</small> : null}{" "}
        {thread.state === "closed" ? <small data-tone="good">✓ {words.ended}</small> : null}
      </PayHeading>
      {thread.said.map((said, at) => (
        <PayLine key={at}>
          <small data-tone="soft">
            {said.byCustomer ? words.you : facts.business}, {day(said.on)}
          </small>
          {said.line === null ? null : <small>{said.line}</small>}
          <LetterText>{said.words}</LetterText>
        </PayLine>
      ))}
    </>
  );
}

function AskForm({ base, facts, words }: Props): ReactNode {
  const router = useRouter();
  const [about, setAbout] = useState("");
  const [line, setLine] = useState("");
  const [kind, setKind] = useState("question");
  const item = facts.items.find(({ id }) => String(id) === about);
  const [text, setText] = useState("");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  /** The same until it has arrived: who presses again sends it once. */
  const key = useRef<string | null>(null);
  const send = async (): Promise<void> => {
    key.current ??= crypto.randomUUID();
    setBusy(true);
    const where = { itemId: item?.id ?? null, line: line === "" ? null : Number(line) };
    const body = { ...where, kind, words: text, key: key.current };
    const failed = await sent(`${base}/ask`, body);
    setBusy(false);
    if (failed !== null) return setProblem(failed || words.cut);
    key.current = null;
    setText("");
    setProblem("");
    router.refresh();
  };
  return (
    <PayForm
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <PayLists>
        <Choice
          label={words.about}
          options={[
            ["", words.account] as const,
            ...facts.items.map(({ id, number }) => [String(id), number] as const),
          ]}
          value={about}
          onChange={(event) => {
            setAbout(event.target.value);
            setLine("");
          }}
        />
        {item && item.lines.length > 1 ? (
          <Choice
            label={words.line}
            options={[
              ["", words.whole] as const,
              ...item.lines.map((text, at) => [String(at + 1), text] as const),
            ]}
            value={line}
            onChange={(event) => setLine(event.target.value)}
          />
        ) : null}
        <Choice
          label={words.kind}
          options={[
            ["question", words.question],
            ["dispute", words.dispute],
          ]}
          value={kind}
          onChange={(event) => setKind(event.target.value)}
        />
      </PayLists>
      <Labels label={words.words}>
        <LineText
          kind="words"
          rows={4}
          width="100%"
          maxLength={2000}
          aria-label={words.words}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </Labels>
      {problem === "" ? null : (
        <p role="alert" data-tone="off">
          {problem}
        </p>
      )}
      <PayFoot>
        <PayButton type="submit" disabled={busy || text.trim() === ""}>
          {words.send}
        </PayButton>
        <p>{words.held}</p>
      </PayFoot>
    </PayForm>
  );
}

/** Null where it arrived; else why not, and "" where no answer came. */
async function sent(address: string, body: object): Promise<string | null> {
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    const answer = (await response.json()) as { error?: { message: string } };
    return answer.error?.message ?? null;
  } catch {
    return "";
  }
}
