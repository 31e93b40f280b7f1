"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ScheduleFacts } from "@/contracts/schedules";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import type { PastPeriod } from "@/core/invoices";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import { ActRow, Halves, Section } from "../kit/layout";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { ScheduleEditor } from "./ScheduleEditor";
import { MAKES_WORDS, STATE_WORDS } from "./words";

/** A schedule: what it will write, what it has written, and what it bills. */
export function SchedulePage({
  schedule,
  ...book
}: BookFacts & { schedule: ScheduleFacts }): ReactNode {
  const [changing, setChanging] = useState(false);
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={schedule.total} currency={schedule.currency} />{" "}
          <small>each time, {schedule.words}</small>
        </Title>
        <span>
          <b data-strong>{schedule.name}</b>,{" "}
          <NextLink href={`/b/${book.book}/customers/${schedule.customerId}`}>
            {schedule.customer}
          </NextLink>
        </span>
        <span data-tone={schedule.state === "running" ? "soft" : "waits"}>
          {schedule.state === "running" ? MAKES_WORDS[schedule.makes] : STATE_WORDS[schedule.state]}
        </span>
        <HeadingEnd>
          <Moving schedule={schedule} changing={changing} change={setChanging} />
        </HeadingEnd>
      </PageHeading>
      {schedule.failed === null ? null : (
        <p role="alert" data-tone="off">
          Not written: {schedule.failed}
        </p>
      )}
      {changing ? (
        <ScheduleEditor
          // A changed schedule is typed anew.
          key={schedule.version}
          editor={schedule.editor}
          schedule={schedule}
          today={book.today}
          kept={() => setChanging(false)}
        />
      ) : (
        <Halves>
          <Section>
            <Subheading>Will write</Subheading>
            <Ahead schedule={schedule} {...book} />
          </Section>
          <Section>
            <Subheading>Has written</Subheading>
            <Behind schedule={schedule} {...book} />
          </Section>
        </Halves>
      )}
    </>
  );
}

type MovingProps = {
  schedule: ScheduleFacts;
  changing: boolean;
  change: (changing: boolean) => void;
};

/** Pausing, resuming and ending; ending is asked once more. */
function Moving({ schedule, changing, change }: MovingProps): ReactNode {
  const { act, busy } = useActing();
  const [asked, setAsked] = useState<"end" | "resume" | null>(null);
  const move = (to: "pause" | "resume" | "end", makeUp = false): void =>
    void act<{ leftOut: number }>(
      "moveSchedule",
      { id: schedule.id, to, makeUp },
      ({ leftOut }) => ({
        words: `${to === "end" ? "Ended for good" : `${to === "pause" ? "Paused" : "Resumed"}`}${leftOut > 0 ? `; ${leftOut} of the pause are left out` : ""}.`,
      }),
    ).then(() => setAsked(null));
  const first = schedule.state === "paused" ? "resume" : "pause";
  const go = (): void => {
    if (first === "pause") move("pause");
    else if (schedule.due > 0) setAsked("resume");
    else move("resume");
  };
  useHotkeys("p", () => (schedule.state === "ended" ? undefined : go()), {
    ignoreEventWhen: inDialog,
  });
  useHotkeys("e", () => change(!changing), { ignoreEventWhen: inDialog }, [changing]);
  if (schedule.state === "ended") return null;
  if (asked === "resume")
    return (
      <ActRow>
        <span>{schedule.due} passed in the pause.</span>
        <Act main disabled={busy} onClick={() => move("resume")}>
          Leave them out
        </Act>
        <Act disabled={busy} onClick={() => move("resume", true)}>
          Bill them too
        </Act>
      </ActRow>
    );
  return (
    <ActRow>
      <Act hint="E" onClick={() => change(!changing)}>
        {changing ? "What it writes" : "Change it"}
      </Act>
      <Act hint="P" disabled={busy} onClick={go}>
        {first === "pause" ? "Pause" : "Resume"}
      </Act>
      {asked === "end" ? (
        <Act main disabled={busy} onClick={() => move("end")}>
          End it for good
        </Act>
      ) : (
        <Act disabled={busy} onClick={() => setAsked("end")}>
          End …
        </Act>
      )}
    </ActRow>
  );
}

function Ahead({ schedule, today }: BookFacts & { schedule: ScheduleFacts }): ReactNode {
  return (
    <DetailTable aria-label="What it will write">
      <tbody>
        <NoneRow of={schedule.ahead}>Nothing any more.</NoneRow>
        {schedule.ahead.map(({ no, from, to, writtenOn, total }) => (
          <tr key={no}>
            <Cell width="130px">{formatDay(writtenOn, today)}</Cell>
            <Cell data-tone="soft">
              for {formatDay(from, today)} to {formatDay(to, today)}
            </Cell>
            <Cell data-numeric data-sum>
              <Amount of={total} currency={schedule.currency} />
            </Cell>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

function Behind({ schedule, book, today }: BookFacts & { schedule: ScheduleFacts }): ReactNode {
  return (
    <DetailTable aria-label="What it has written">
      <tbody>
        <NoneRow of={schedule.behind}>Nothing yet.</NoneRow>
        {schedule.behind.map((period) => (
          <tr key={period.no}>
            <Cell data-tone="soft">
              {formatDay(period.fromDay, today)} to {formatDay(period.toDay, today)}
            </Cell>
            <Cell>
              <Became period={period} book={book} />
            </Cell>
            <Cell data-numeric data-sum>
              {period.total === null || period.currency === null ? null : (
                <Amount of={period.total} currency={period.currency} />
              )}
            </Cell>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

function Became({ period, book }: { period: PastPeriod; book: string }): ReactNode {
  if (period.leftOut !== null) return <span data-tone="soft">left out: {period.leftOut}</span>;
  if (period.openItemId !== null)
    return <NextLink href={`/b/${book}/invoices/${period.openItemId}`}>{period.number}</NextLink>;
  if (period.stage === "dropped") return <span data-tone="soft">draft dropped</span>;
  return (
    <NextLink href={`/b/${book}/invoices/drafts/${period.documentId}`}>
      {period.stage === "waiting" ? "waits for approval" : "a draft"}
    </NextLink>
  );
}
