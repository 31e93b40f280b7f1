"use client";

import type { Dispatch, ReactNode, SetStateAction } from "react";

import {
  type MatchRow,
  type OnHandFacts,
  QUEUE_KINDS,
  type QueueName,
  QUEUES,
} from "@/contracts/match";
import type { GlossaryTerm } from "@/contracts/glossary";
import type { Day } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Tab, TabLine, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { Word } from "../kit/Word";

export type Props = {
  book: string;
  currency: Currency;
  today: Day;
  queue: QueueName | "hand";
  rows: MatchRow[];
  sums: Record<QueueName, { count: number; sum: Minor }>;
  total: Minor;
  sorted: string;
  hand: OnHandFacts;
};
/** What each queue is called in the glossary. */
const QUEUE_TERMS: Record<QueueName, GlossaryTerm> = {
  sure: "sure",
  check: "to_check",
  none: "no_home",
  second: "write_off",
  aside: "set_aside",
};

type MatchHeadingProps = {
  book: Props["book"];
  currency: Props["currency"];
  handCount: number;
  looking: boolean;
  queue: Props["queue"];
  recording: boolean;
  setLooking: Dispatch<SetStateAction<boolean>>;
  setRecording: Dispatch<SetStateAction<boolean>>;
  sums: Props["sums"];
  total: Props["total"];
};
export function MatchHeading({
  book,
  currency,
  handCount,
  looking,
  queue,
  recording,
  setLooking,
  setRecording,
  sums,
  total,
}: MatchHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        <span data-hidden>To match </span>
        {formatAmount(total, currency)} <small>to match</small>
      </Title>
      <TabLine>
        {QUEUES.filter(
          (name) => !QUEUE_KINDS[name].beside || sums[name].count > 0 || queue === name,
        ).map((name) => (
          <Tab key={name} href={`?queue=${name}`} here={name === queue}>
            <Word of={QUEUE_TERMS[name]}>{QUEUE_KINDS[name].label}</Word> <b>{sums[name].count}</b>
            {sums[name].sum > 0 && !QUEUE_KINDS[name].beside
              ? `, ${formatAmount(sums[name].sum, currency)}`
              : ""}
          </Tab>
        ))}
        {handCount > 0 || queue === "hand" ? (
          <Tab href="?queue=hand" here={queue === "hand"}>
            On hand <b>{handCount}</b>
          </Tab>
        ) : null}
      </TabLine>
      <HeadingEnd>
        <ListFiles book={book} list="match" more={{ queue }} />
        <Act hint="N" onClick={() => setRecording(!recording)}>
          By hand
        </Act>
        {sums.sure.count > 0 ? (
          <Act hint="A" onClick={() => setLooking(!looking)}>
            Look through {sums.sure.count} sure
          </Act>
        ) : null}
      </HeadingEnd>
    </PageHeading>
  );
}
