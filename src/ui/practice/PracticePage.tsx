"use client";

import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { DayTold } from "@/contracts/paying";
import type { BookFacts } from "@/contracts/shell";
import { addBankingDays, addDays, type Day, formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { DayField } from "../kit/days";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import { ActRow, Section } from "../kit/layout";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { eventsInWords } from "./eventWords";
import { useClock } from "./useClock";

/** The clock of a practice book: moved on by a day, to a banking day, to a date; what happened stands below. */
export function PracticePage({ today }: BookFacts): ReactNode {
  const { told, under, now: here, goTo } = useClock(today);
  const [to, setTo] = useState<Day | "">("");
  const options = { ignoreEventWhen: inDialog };
  useHotkeys("d", () => void goTo(addDays(here, 1)), options, [here, goTo]);
  useHotkeys("b", () => void goTo(addBankingDays(here, 1)), options, [here, goTo]);
  return (
    <>
      <PageHeading>
        <Title>
          {formatDay(here, today)}{" "}
          <small>{under === null ? "the practice clock" : `on its way to ${under}`}</small>
        </Title>
        <HeadingEnd>
          <Act main hint="D" disabled={under !== null} onClick={() => void goTo(addDays(here, 1))}>
            A day on
          </Act>
          <Act
            hint="B"
            disabled={under !== null}
            onClick={() => void goTo(addBankingDays(here, 1))}
          >
            To the next banking day
          </Act>
        </HeadingEnd>
      </PageHeading>
      <ActRow>
        <DayField label="To a day" value={to} onDay={setTo} />
        <Act
          disabled={under !== null || to === "" || to <= here}
          onClick={() => {
            if (to !== "") void goTo(to);
          }}
        >
          Go there
        </Act>
      </ActRow>
      <DaysTold told={told} today={today} />
    </>
  );
}

function DaysTold({ told, today }: { told: readonly DayTold[]; today: Day }): ReactNode {
  return (
    <Section paddingTop="12px">
      <DetailTable aria-label="What happened">
        <tbody>
          <NoneRow of={told}>
            Customers order, pay, forget, pay twice and dispute by their habits; what the processor
            and the bank tell is taken in, matched where it is sure, and tied.
          </NoneRow>
          {told.map(({ day, events }) => (
            <tr key={day}>
              <Cell width="110px">{formatDay(day, today)}</Cell>
              <Cell data-wrap>{eventsInWords(events)}</Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
