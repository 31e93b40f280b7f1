"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { ProposedFee } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { Form, Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { LastLook } from "../shell/LastLook";
import { useActing } from "../shell/Notices";

type Charged = {
  id: number;
  itemId: number;
  number: string;
  feeItemId: number;
  feeNumber: string;
  customerId: number;
  customer: string;
  currency: Currency;
  on: Day;
  sum: Minor;
  balance: Minor;
  letterId: number | null;
};
export type Props = {
  book: string;
  currency: Currency;
  today: Day;
  proposed: ProposedFee[];
  count: number;
  charged: Charged[];
  rules: { name: string; fee: { kind: string } }[];
  byLetter: boolean;
};
type LateFeesHeadingProps = {
  charge: () => void;
  count: Props["count"];
  proposed: Props["proposed"];
  sums: { one: Currency; sum: number }[];
  wanted: ProposedFee[];
};
export function LateFeesHeading({
  charge,
  count,
  proposed,
  sums,
  wanted,
}: LateFeesHeadingProps): ReactNode {
  const { book } = useActing();
  return (
    <PageHeading>
      <Title>
        <SumsInWords sums={sums} />{" "}
        <small>
          late fees that may be charged, {wanted.length}
          {count > proposed.length ? ` of ${count}; the others come when these are done` : ""}
        </small>
      </Title>
      <HeadingEnd>
        <ListFiles book={book} list="late-fees" />
        <LastLook
          hint="Enter"
          ask={`Charge these ${wanted.length}`}
          go={`Charge ${wanted.length}`}
          words={
            <>
              Each becomes an open item of its customer, <SumsInWords sums={sums} />; U takes all
              back.
            </>
          }
          onGo={charge}
          disabled={wanted.length === 0}
        />
      </HeadingEnd>
    </PageHeading>
  );
}
/** Sums of several currencies, one after the other. */
function SumsInWords({ sums }: { sums: LateFeesHeadingProps["sums"] }): ReactNode {
  return sums.map(({ one, sum }, at) => (
    <span key={one}>
      {at > 0 ? " + " : ""}
      <Amount of={sum} currency={one} />
    </span>
  ));
}
type ChargedFeesProps = {
  book: Props["book"];
  charged: Props["charged"];
  today: Props["today"];
};
export function ChargedFees({ book, charged, today }: ChargedFeesProps): ReactNode {
  return (
    <Section maxWidth="900px">
      <Subheading>
        Charged <span data-tone="soft">{charged.length}</span>
      </Subheading>
      <DetailTable aria-label="Late fees charged">
        <tbody>
          {charged.map((fee) => (
            <tr key={fee.id}>
              <td data-tone="soft">{formatDay(fee.on, today)}</td>
              <td>
                <NextLink href={`/b/${book}/invoices/${fee.feeItemId}`} prefetch={false}>
                  {fee.feeNumber}
                </NextLink>{" "}
                <span data-tone="soft">{fee.customer}</span>
              </td>
              <td data-numeric>
                <Amount of={fee.sum} currency={fee.currency} />
              </td>
              <Cell data-numeric width="220px">
                {fee.balance === fee.sum ? (
                  <Waive id={fee.id} number={fee.feeNumber} />
                ) : (
                  <span data-tone="good">{fee.balance === 0 ? "paid" : "paid in part"}</span>
                )}
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
function Waive({ id, number }: { id: number; number: string }): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  if (!asking)
    return (
      <RowButton data-strong disabled={busy} onClick={() => setAsking(true)}>
        waive
      </RowButton>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void act("waiveLateFee", { feeId: id, reason }, () => ({ words: `${number} is waived.` }));
      }}
    >
      <LineField
        kind="words"
        width="200px"
        autoFocus
        aria-label={`Why ${number} is waived`}
        placeholder="why, then Enter"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </Form>
  );
}
