"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { HeadingEnd, PageHeading, Tab, TabLine, Title } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { OtherChoices } from "./LineChoices";
import { type Rule, Rules } from "./LineRules";
import type { Line, State } from "./lineTypes";

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: Line[];
  count: number;
  sum: Minor;
  state: State | null;
  text: string;
  page: number;
  pageRows: number;
  rules: Rule[];
};
const STATES: readonly (readonly [State, string])[] = [
  ["open", "To explain"],
  ["payout", "Payouts"],
  ["receipt", "Receipts"],
  ["deposit", "Deposits"],
  ["elsewhere", "Put aside"],
];
const WORDS: Record<State, string> = {
  open: "to be explained",
  payout: "a payout",
  receipt: "a receipt by itself",
  elsewhere: "put aside",
  deposit: "a deposit by hand",
  bounce: "a check taken back, or its fee",
  fee_bill: "the processor’s bill",
  refund: "credit sent back",
};
/** The lines of the statement: what each is, and what is still to be explained. */
export function BankLines(props: Props): ReactNode {
  const { currency, today, book, state, rows } = props;
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(props.sum, currency)} <small>{props.count} bank lines</small>
        </Title>
        <TabLine>
          <NextLink href="?" prefetch={false}>
            Files
          </NextLink>
          {STATES.map(([name, words]) => (
            <Tab key={name} href={`?list=lines&state=${name}`} here={state === name}>
              {words}
            </Tab>
          ))}
          <Tab href="?list=lines" here={state === null}>
            All lines
          </Tab>
        </TabLine>
        <HeadingEnd>
          <SearchBox label="Find in descriptions" value={props.text} />
          <a data-tone="soft" href={`/api/v1/b/${book}/export/bank-lines?state=${state ?? ""}`}>
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      <LedgerList<Line>
        label="Bank lines"
        rows={rows}
        idOf={(line) => line.id}
        openId={open}
        onOpen={setOpen}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        columns={[
          {
            id: "on",
            header: "Date",
            width: "12%",
            cell: (line) => formatDay(line.postedOn, today),
            foot: `${props.count} lines`,
          },
          {
            id: "words",
            header: "Description",
            width: "56%",
            cell: (line) => <span title={line.description}>{line.description}</span>,
          },
          {
            id: "is",
            header: "What it is",
            width: "18%",
            cell: (line) => (
              <span data-tone={line.state === "open" ? "waits" : undefined}>
                {WORDS[line.state]}
              </span>
            ),
          },
          {
            id: "sum",
            header: "Amount",
            width: "14%",
            number: true,
            cell: (line) => <Amount of={line.amount} currency={currency} />,
            foot: <Total>{formatAmount(props.sum, currency)}</Total>,
          },
        ]}
        workings={(line) => (
          <LineWorkings
            key={line.id}
            line={line}
            currency={currency}
            done={() => setOpen(rows[rows.findIndex((row) => row.id === line.id) + 1]?.id ?? null)}
          />
        )}
        empty={
          state === "open" ? (
            <p>Every bank line is explained.</p>
          ) : (
            <p>No lines. They come with a bank statement.</p>
          )
        }
      />
      {props.rules.length > 0 ? <Rules rules={props.rules} /> : null}
    </>
  );
}
function LineWorkings({
  line,
  currency,
  done,
}: {
  line: Line;
  currency: Currency;
  done: () => void;
}): ReactNode {
  const { act, book, busy } = useActing();
  const [words, setWords] = useState(() =>
    line.description.replace(/\d.*$/, "").trim().slice(0, 40),
  );
  const [always, setAlways] = useState(false);
  const explain = (as: "receipt" | "elsewhere"): void =>
    void act<{ lines: number }>(
      "explainLine",
      { lineId: line.id, as, rule: always ? { contains: words } : null },
      (value) => ({
        words: `${value.lines} ${value.lines === 1 ? "line" : "lines"} ${as === "receipt" ? "taken as receipts" : "put aside"}.`,
      }),
    ).then((value) => {
      if (value) done();
    });
  useHotkeys(
    "r",
    () => {
      if (line.state === "open" && line.amount > 0) explain("receipt");
    },
    [line, words, always],
  );
  useHotkeys(
    "o",
    () => {
      if (line.state === "open") explain("elsewhere");
    },
    [line, words, always],
  );
  const file =
    line.fileId === null ? null : (
      <NextLink href={`/b/${book}/files/${line.fileId}?line=${line.lineNo ?? ""}`}>
        line {line.lineNo} of its file
      </NextLink>
    );
  if (line.state !== "open")
    return (
      <ActRow paddingLeft="16px">
        {line.receiptId === null ? null : (
          <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>The receipt</NextLink>
        )}
        <NextLink href={`/b/${book}/books?q=${encodeURIComponent(line.description.slice(0, 40))}`}>
          Its entries, with undo
        </NextLink>
        {file}
      </ActRow>
    );
  return (
    <Box padding="4px 16px">
      <label>
        <Tick checked={always} onChange={(event) => setAlways(event.target.checked)} /> and all{" "}
        {line.amount > 0 ? "coming in" : "going out"} whose description has{" "}
      </label>
      <LineField
        kind="words"
        width="260px"
        aria-label="Words of the rule"
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setAlways(true);
        }}
      />
      <OtherChoices line={line} currency={currency} done={done} />
      <ActRow>
        {line.amount > 0 ? (
          <Act hint="R" main onClick={() => explain("receipt")} disabled={busy}>
            It is a receipt
          </Act>
        ) : null}
        <Act hint="O" main={line.amount < 0} onClick={() => explain("elsewhere")} disabled={busy}>
          Not of this job: put aside
        </Act>
        <NextLink href={`/b/${book}/payouts?show=open`}>Tie it to a payout</NextLink>
        {file}
      </ActRow>
    </Box>
  );
}
