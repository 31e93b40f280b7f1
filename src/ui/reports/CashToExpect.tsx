"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";

import type { ExpectedItem, FiguresFacts } from "@/contracts/reports";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, type Minor, negate, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { SumLink } from "../kit/SumLink";
import { Cell, DetailTable, Heads } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

export type Props = BookFacts & FiguresFacts;
type WeeksTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  open: Day | null;
  setOpen: Dispatch<SetStateAction<Day | null>>;
  today: Props["today"];
  weeks: Props["weeks"];
  owed: Props["owed"];
};
export function WeeksTable({
  book,
  currency,
  open,
  setOpen,
  today,
  weeks,
  owed,
}: WeeksTableProps): ReactNode {
  return (
    <DetailTable aria-label="Cash to expect by week">
      <Heads
        of={["Week from", { number: "At least" }, { number: "Expected" }, { number: "At most" }]}
      />
      <tbody>
        {weeks.map((week) => (
          <tr key={week.from}>
            <td>{formatDay(week.from, today)}</td>
            <td data-numeric data-tone="soft">
              <Amount of={week.least} currency={currency} dash />
            </td>
            <td data-numeric>
              {week.expected === 0 ? (
                <Amount of={0} currency={currency} dash />
              ) : (
                <RowButton
                  aria-expanded={open === week.from}
                  onClick={() => setOpen(open === week.from ? null : week.from)}
                >
                  <Amount of={week.expected} currency={currency} />
                </RowButton>
              )}
            </td>
            <td data-numeric data-tone="soft">
              <Amount of={week.most} currency={currency} dash />
            </td>
          </tr>
        ))}
        {open === null ? null : (
          <WeekItems key={open} from={open} book={book} currency={currency} today={today} />
        )}
        <OwedRow
          currency={currency}
          words="within these weeks"
          of={sumOf(weeks, ({ expected }) => expected)}
          total
        />
        <OwedRow currency={currency} words="later than these weeks" of={owed.later} />
        <OwedRow
          currency={currency}
          words="all open invoices and fees"
          of={owed.open}
          href={`/b/${book}/invoices?state=open`}
          total
        />
        <OwedRow
          currency={currency}
          words="less credit notes not used yet"
          of={negate(owed.notes)}
        />
        <OwedRow
          currency={currency}
          words="receivables"
          of={owed.receivables}
          href={`/b/${book}/books?proof=receivables`}
          total
        />
      </tbody>
    </DetailTable>
  );
}
type OwedRowProps = {
  words: string;
  of: Minor;
  currency: Currency;
  href?: string;
  total?: boolean;
};

/** A line of how the weeks come to what is owed. */
function OwedRow({ words, of, currency, href, total = false }: OwedRowProps): ReactNode {
  const sum = href ? (
    <SumLink of={of} currency={currency} href={href} />
  ) : (
    <Amount of={of} currency={currency} dash />
  );
  return (
    <tr>
      <td data-tone="soft">{words}</td>
      <td />
      <td data-numeric>{total ? <Total>{sum}</Total> : sum}</td>
      <td />
    </tr>
  );
}
type CallsTableProps = {
  book: Props["book"];
  calls: Props["calls"];
};
export function CallsTable({ book, calls }: CallsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Worth calling first">
      <tbody>
        {calls.map((call) => (
          <tr key={call.customerId}>
            <Cell verticalAlign="baseline" width="190px">
              <NextLink href={`/b/${book}/overdue?open=${call.customerId}`} prefetch={false}>
                {call.name}
              </NextLink>
            </Cell>
            <td data-tone="soft" data-wrap>
              {call.why}
            </td>
          </tr>
        ))}
        {calls.length === 0 ? (
          <tr>
            <td data-tone="good">✓ Nobody: nothing is late that does not wait.</td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}
/** What a week's sum is expected from, the largest first. */
function WeekItems({ from, book, currency, today }: { from: Day } & BookFacts): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<ExpectedItem[] | null>(null);
  useEffect(() => {
    let current = true;
    void load<ExpectedItem[]>(`/api/v1/b/${book}/expected?week=${from}`).then((sent) => {
      if (current) {
        if (sent.ok) setItems(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, from]);
  return (
    <tr>
      <Cell padding="0" colSpan={4}>
        <Box
          maxHeight="220px"
          overflow="auto"
          tabIndex={0}
          role="group"
          aria-label={`Expected in the week from ${formatDay(from, today)}`}
        >
          {items === null ? (
            <p data-tone="soft">Reading …</p>
          ) : (
            <DetailTable>
              <tbody>
                {items.map((item) => (
                  <tr key={item.itemId}>
                    <td>
                      <NextLink href={`/b/${book}/invoices/${item.itemId}`} prefetch={false}>
                        {item.number}
                      </NextLink>{" "}
                      <NextLink
                        data-tone="soft"
                        href={`/b/${book}/customers/${item.customerId}`}
                        prefetch={false}
                      >
                        {item.customer}
                      </NextLink>
                    </td>
                    <td data-tone="soft">
                      {item.promised ? "promised" : `due ${formatDay(item.dueOn, today)}`}
                    </td>
                    <td data-numeric>
                      <Amount of={item.amount} currency={currency} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </DetailTable>
          )}
        </Box>
      </Cell>
    </tr>
  );
}
