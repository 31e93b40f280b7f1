"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { MailRow, MailsRead } from "@/contracts/arrivals";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { PageHeading, Title } from "../kit/headings";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { ArrivalsTabs } from "./ArrivalsTabs";

const BECAME: Readonly<Record<MailRow["became"], { words: string; tone: string }>> = {
  files: { words: "files", tone: "plain" },
  reply: { words: "answer", tone: "good" },
  report: { words: "came back", tone: "off" },
  left: { words: "left alone", tone: "soft" },
};

/** Mails of the mailbox as they were read: files, answers, letters that came back, and all else. */
export function MailPage(facts: BookFacts & MailsRead): ReactNode {
  const { rows, count, page, pageRows, mailbox, problem, book, today } = facts;
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <PageHeading>
        <Title>
          {count}{" "}
          <small>
            {count === 1 ? "mail" : "mails"} read
            {mailbox === null
              ? "; no mailbox is read now"
              : ` of ${mailbox}${problem === null ? ", each minute" : ""}`}
          </small>
        </Title>
        <ArrivalsTabs at="mail" />
      </PageHeading>
      {problem === null ? null : (
        <p role="alert" data-tone="off">
          {problem}
        </p>
      )}
      <LedgerList<MailRow>
        label="Mails that were read"
        rows={rows}
        idOf={({ id }) => id}
        count={count}
        page={page}
        pageRows={pageRows}
        openId={open}
        onOpen={setOpen}
        workings={(mail) => <MailWorkings mail={mail} book={book} />}
        columns={[
          {
            id: "from",
            narrow: "who",
            header: "From",
            width: "24%",
            cell: ({ fromAddress }) => <span title={fromAddress}>{fromAddress || "nobody"}</span>,
          },
          {
            id: "subject",
            narrow: "more",
            header: "Subject",
            width: "26%",
            cell: ({ subject }) => <span title={subject}>{subject}</span>,
          },
          {
            id: "on",
            narrow: "sum",
            header: "Read",
            width: "8%",
            cell: ({ onDay }) => formatDay(onDay, today),
          },
          {
            id: "became",
            narrow: "more",
            header: "Became",
            width: "10%",
            cell: ({ became }) => (
              <span data-tone={BECAME[became].tone}>{BECAME[became].words}</span>
            ),
          },
          {
            id: "words",
            narrow: "state",
            header: "What came of it",
            width: "32%",
            cell: ({ words }) => <span title={words}>{words}</span>,
          },
        ]}
        empty={
          <p>
            No mail was read yet. Name the mailbox, and who may send files to it, under{" "}
            <NextLink href={`/b/${book}/settings`}>Set-up</NextLink>.
          </p>
        }
      />
    </>
  );
}

function MailWorkings({ mail, book }: { mail: MailRow; book: string }): ReactNode {
  return (
    <Box data-words padding="2px 0 12px 16px">
      <p>
        {mail.fromAddress || "nobody"}: “{mail.subject}”
      </p>
      {mail.words.split("; ").map((words) => (
        <p key={words}>{words}</p>
      ))}
      {mail.customerId === null ? null : (
        <p>
          <NextLink href={`/b/${book}/customers/${mail.customerId}`}>{mail.customer}</NextLink>
        </p>
      )}
      {mail.became === "files" ? (
        <p>
          <NextLink href={`/b/${book}/arrivals`}>The files that came</NextLink>
        </p>
      ) : null}
    </Box>
  );
}
