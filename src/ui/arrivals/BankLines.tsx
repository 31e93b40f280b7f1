"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { LineChoices } from "@/contracts/arrivals";
import type { BulkPayout } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField, SmallChoice, Tick } from "../kit/fields";
import { HeadingEnd, PageHeading, TabLine, Title } from "../kit/headings";
import { ActRow, Details } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

type State =
  "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce" | "fee_bill" | "refund";
type Line = {
  id: number;
  postedOn: Day;
  description: string;
  amount: Minor;
  state: State;
  receiptId: number | null;
  fileId: number | null;
  lineNo: number | null;
};
type Rule = {
  id: number;
  contains: string;
  sign: "in" | "out" | "both";
  treatAs: "elsewhere" | "receipt" | "payout";
};
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
            <NextLink
              key={name}
              href={`?list=lines&state=${name}`}
              aria-current={state === name ? "page" : undefined}
              prefetch={false}
            >
              {words}
            </NextLink>
          ))}
          <NextLink
            href="?list=lines"
            aria-current={state === null ? "page" : undefined}
            prefetch={false}
          >
            All lines
          </NextLink>
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

/**
 * A deposit by hand that this line may be; or a check that the bank took back, with the line beside
 * it that is its fee.
 */
function OtherChoices({
  line,
  currency,
  done,
}: {
  line: Line;
  currency: Currency;
  done: () => void;
}): ReactNode {
  const { act, book, busy } = useActing();
  const [choices, setChoices] = useState<LineChoices | null>(null);
  const [feeLineId, setFee] = useState<number | null>(null);
  useEffect(() => {
    let current = true;
    void load<LineChoices>(`/api/v1/b/${book}/lines/${line.id}/choices`).then((sent) => {
      if (current && sent.ok) setChoices(sent.value);
    });
    return () => {
      current = false;
    };
  }, [book, line.id]);
  if (
    choices === null ||
    (choices.deposits.length === 0 &&
      choices.bounced.length === 0 &&
      choices.lumps.length === 0 &&
      choices.bills.length === 0 &&
      choices.refunds.length === 0)
  )
    return null;
  return (
    <>
      {choices.deposits.map((deposit) => (
        <DepositChoice key={deposit.id} deposit={deposit} done={done} line={line} />
      ))}
      {choices.bills.map((bill) => (
        <BillChoice key={bill.ids.join()} bill={bill} currency={currency} done={done} line={line} />
      ))}
      {choices.refunds.map((refund) => (
        <RefundChoice key={refund.receiptId} done={done} line={line} refund={refund} />
      ))}
      {choices.lumps.map((lump) => (
        <LumpChoice key={lump.account} done={done} line={line} lump={lump} />
      ))}
      {choices.bounced.length > 0 && choices.fees.length > 0 ? (
        <BounceFee choices={choices} feeLineId={feeLineId} setFee={setFee} />
      ) : null}
      {choices.bounced.map((entry) => (
        <BouncedChoice
          key={entry.receiptId}
          done={done}
          entry={entry}
          feeLineId={feeLineId}
          line={line}
        />
      ))}
    </>
  );
}

type DepositChoiceProps = {
  deposit: { id: number; onDay: Day; words: string; sum: Minor };
  done: () => void;
  line: Line;
};

function DepositChoice({ deposit, done, line }: DepositChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act
        onClick={() =>
          void act<{ actId: number }>(
            "tieDeposit",
            { depositId: deposit.id, lineId: line.id },
            (value) => ({ words: "The deposit is tied to its bank line.", undo: value.actId }),
          ).then((value) => {
            if (value) done();
          })
        }
        disabled={busy}
      >
        It is the deposit of {formatDay(deposit.onDay)}, {deposit.words}
      </Act>
    </ActRow>
  );
}

type BillChoiceProps = {
  bill: { ids: number[]; words: string; sum: Minor };
  currency: Currency;
  done: () => void;
  line: Line;
};

function BillChoice({ bill, currency, done, line }: BillChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act
        onClick={() =>
          void act<{ actId: number; off: number }>(
            "billFees",
            { lineId: line.id, accrualIds: bill.ids },
            (value) => ({
              words:
                value.off === 0
                  ? "The bill is as accrued."
                  : "The bill is tied; what it differs by is a fee too.",
              undo: value.actId,
            }),
          ).then((value) => {
            if (value) done();
          })
        }
        disabled={busy}
      >
        It is the bill for fees of {bill.words}, {formatAmount(bill.sum, currency)} accrued
      </Act>
    </ActRow>
  );
}

type RefundChoiceProps = {
  done: () => void;
  line: Line;
  refund: { receiptId: number; words: string; credit: Minor };
};

function RefundChoice({ done, line, refund }: RefundChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act
        onClick={() =>
          void act<{ actId: number }>(
            "refundAtBank",
            { lineId: line.id, receiptId: refund.receiptId },
            (value) => ({ words: "Credit sent back.", undo: value.actId }),
          ).then((value) => {
            if (value) done();
          })
        }
        disabled={busy}
      >
        It sends credit back to {refund.words}
      </Act>
    </ActRow>
  );
}

type LumpChoiceProps = {
  done: () => void;
  line: Line;
  lump: BulkPayout;
};

function LumpChoice({ done, line, lump }: LumpChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <DetailTable aria-label={`What it may be made of, ${lump.account}`}>
      <thead>
        <tr>
          <th scope="col">
            A lump of {lump.account}:{" "}
            {lump.count === null
              ? "too many sets to count make this sum"
              : lump.count >= lump.cap
                ? `${lump.cap.toLocaleString("en")} sets or more make this sum`
                : lump.count === 1
                  ? "only these make this sum"
                  : `${lump.count.toLocaleString("en")} sets make this sum`}
          </th>
          <th scope="col">left out of those days</th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {lump.answers.map((answer) => (
          <tr key={answer.itemIds.join()}>
            <td>{answer.words}</td>
            <td data-tone="soft">
              {answer.leftOut.length === 0 ? "nothing" : answer.leftOut.join(", ")}
            </td>
            <td data-numeric>
              <RowButton
                data-strong
                disabled={busy}
                onClick={() =>
                  void act<{ actId: number }>(
                    "splitBulkPayout",
                    { lineId: line.id, itemIds: answer.itemIds },
                    (value) => ({
                      words: `${answer.receipts} receipts tied to this line.`,
                      undo: value.actId,
                    }),
                  ).then((value) => {
                    if (value) done();
                  })
                }
              >
                It is these
              </RowButton>
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

type BounceFeeProps = {
  choices: LineChoices;
  feeLineId: number | null;
  setFee: Dispatch<SetStateAction<number | null>>;
};

function BounceFee({ choices, feeLineId, setFee }: BounceFeeProps): ReactNode {
  return (
    <label data-tone="soft">
      Its fee:{" "}
      <SmallChoice
        aria-label="The bank’s fee for it"
        value={feeLineId ?? ""}
        onChange={(event) => setFee(event.target.value === "" ? null : Number(event.target.value))}
      >
        <option value="">none</option>
        {choices.fees.map((fee) => (
          <option key={fee.id} value={fee.id}>
            {fee.description}
          </option>
        ))}
      </SmallChoice>
    </label>
  );
}

type BouncedChoiceProps = {
  done: () => void;
  entry: { receiptId: number; paidOn: Day; words: string; amount: Minor };
  feeLineId: number | null;
  line: Line;
};

function BouncedChoice({ done, entry, feeLineId, line }: BouncedChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act
        onClick={() =>
          void act<{ actId: number }>(
            "bounceReceipt",
            { receiptId: entry.receiptId, lineId: line.id, feeLineId },
            (value) => ({
              words: "Taken back: what it had paid is open again.",
              undo: value.actId,
            }),
          ).then((value) => {
            if (value) done();
          })
        }
        disabled={busy}
      >
        It is the {entry.words} of {formatDay(entry.paidOn)}, taken back
      </Act>
    </ActRow>
  );
}

function Rules({ rules }: { rules: readonly Rule[] }): ReactNode {
  const { act } = useActing();
  return (
    <Details padding="6px 0 10px">
      <summary data-tone="soft">{rules.length} rules</summary>
      <DetailTable maxWidth="700px">
        <tbody>
          {rules.map((rule) => (
            <tr key={rule.id}>
              <td>
                “{rule.contains}”{" "}
                {rule.sign === "in" ? "coming in" : rule.sign === "out" ? "going out" : ""}
              </td>
              <td>
                {rule.treatAs === "elsewhere"
                  ? "put aside"
                  : rule.treatAs === "receipt"
                    ? "a receipt"
                    : "a payout"}
              </td>
              <td data-numeric>
                <RowButton
                  data-tone="soft"
                  onClick={() =>
                    void act("removeRule", { ruleId: rule.id }, () => ({
                      words: "The rule is ended; what it put aside stays so.",
                    }))
                  }
                >
                  end it
                </RowButton>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Details>
  );
}
