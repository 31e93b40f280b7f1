import type { ReactNode } from "react";

import type { QuestionThread } from "@/contracts/questions";
import type { Day } from "@/core/calendar";

import { PageHeading, Title } from "../kit/headings";
import { EmptyState } from "../kit/layout";
import { QuestionThreads } from "../questions/QuestionThreads";
import { OverdueTabs } from "./OverdueTabs";

type Props = { threads: QuestionThread[]; today: Day };

/** What customers asked and nobody has ended: while it is open they are not reminded. */
export function QuestionsPage({ threads, today }: Props): ReactNode {
  return (
    <>
      <PageHeading>
        <Title>
          {threads.length}{" "}
          <small>{threads.length === 1 ? "question is open" : "questions are open"}</small>
        </Title>
      </PageHeading>
      <OverdueTabs at="questions" />
      {threads.length === 0 ? (
        <EmptyState>
          Nobody asks anything. Customers ask on their page; while a question is open, its customer
          is not reminded.
        </EmptyState>
      ) : (
        <QuestionThreads threads={threads} today={today} />
      )}
    </>
  );
}
