"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ProposedFee } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { Form, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { OverdueTabs } from "./OverdueTabs";

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
type Props = {
  book: string;
  currency: Currency;
  today: Day;
  proposed: ProposedFee[];
  count: number;
  charged: Charged[];
  rules: { name: string; fee: { kind: string } }[];
  byLetter: boolean;
};

const idOf = ({ itemId, letterId }: Pick<ProposedFee, "itemId" | "letterId">): string =>
  `${itemId}-${letterId ?? ""}`;

/**
 * Late fees: what each customer's ladder would charge now, ticked off and charged; what was charged
 * can be waived with a reason.
 */
export function LateFeesPage({
  book,
  currency,
  today,
  proposed,
  count,
  charged,
  rules,
  byLetter,
}: Props): ReactNode {
  const { act, busy } = useActing();
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const wanted = proposed.filter((proposed) => !out.has(idOf(proposed)));
  const currencies = [...new Set([currency, ...wanted.map((proposed) => proposed.currency)])];
  const sums = currencies
    .map((currency) => ({
      one: currency,
      sum: wanted.filter((fee) => fee.currency === currency).reduce((so, { sum }) => so + sum, 0),
    }))
    .filter(({ one, sum }) => one === currency || sum > 0);
  const charge = (): void => {
    if (wanted.length > 0 && !busy)
      void act<{ charged: number }>(
        "chargeLateFees",
        { fees: wanted.map(({ itemId, letterId }) => ({ itemId, letterId })) },
        (value) => ({
          words:
            value.charged === 1
              ? "One late fee is an open item now."
              : `${value.charged} late fees are open items now.`,
        }),
      );
  };
  useHotkeys("enter", charge, { ignoreEventWhen: onOwnControl, preventDefault: true }, [charge]);
  const toggle = (id: string): void =>
    setOut(new Set(out.has(id) ? [...out].filter((name) => name !== id) : [...out, id]));
  const none = !byLetter && rules.every(({ fee }) => fee.kind === "none");
  return (
    <>
      <LateFeesHeading
        charge={charge}
        count={count}
        proposed={proposed}
        sums={sums}
        wanted={wanted}
      />
      <OverdueTabs at="fees" />
      <LedgerList<ProposedFee>
        label="Late fees that may be charged"
        rows={proposed}
        idOf={idOf}
        columns={lateFeeColumns({ book, out, proposed, sums, today, toggle, wanted })}
        empty={
          none ? (
            <>
              <p>No ladder charges anything for paying late.</p>
              <p>
                What is charged is said under <NextLink href="?show=ladders">Ladders</NextLink>.
              </p>
            </>
          ) : (
            <p data-tone="good">✓ No late fee is to be charged today.</p>
          )
        }
      />
      {charged.length > 0 ? <ChargedFees book={book} charged={charged} today={today} /> : null}
    </>
  );
}

type LateFeesHeadingProps = {
  charge: () => void;
  count: Props["count"];
  proposed: Props["proposed"];
  sums: { one: Currency; sum: number }[];
  wanted: ProposedFee[];
};

function LateFeesHeading({
  charge,
  count,
  proposed,
  sums,
  wanted,
}: LateFeesHeadingProps): ReactNode {
  const { busy } = useActing();
  return (
    <PageHeading>
      <Title>
        {sums.map(({ one, sum }, at) => (
          <span key={one}>
            {at > 0 ? " + " : ""}
            <Amount of={sum} currency={one} />
          </span>
        ))}{" "}
        <small>
          late fees that may be charged, {wanted.length}
          {count > proposed.length ? ` of ${count}; the others come when these are done` : ""}
        </small>
      </Title>
      <HeadingEnd>
        <Act main hint="Enter" onClick={charge} disabled={busy || wanted.length === 0}>
          Charge these {wanted.length}
        </Act>
      </HeadingEnd>
    </PageHeading>
  );
}

type LateFeeColumnsProps = {
  book: Props["book"];
  out: ReadonlySet<string>;
  proposed: Props["proposed"];
  sums: { one: Currency; sum: number }[];
  today: Props["today"];
  toggle: (id: string) => void;
  wanted: ProposedFee[];
};

function lateFeeColumns({
  book,
  out,
  proposed,
  sums,
  today,
  toggle,
  wanted,
}: LateFeeColumnsProps): ListColumn<ProposedFee>[] {
  return [
    {
      id: "take",
      header: "Charge",
      width: "7%",
      cell: (row) => (
        <Tick
          aria-label={`Charge ${row.number}${row.letterId === null ? "" : ` for the ${row.words}`}`}
          checked={!out.has(idOf(row))}
          onChange={() => toggle(idOf(row))}
        />
      ),
      foot: `${wanted.length} of ${proposed.length}`,
    },
    {
      id: "customer",
      header: "Customer",
      width: "26%",
      cell: (row) => (
        <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
          {row.customer}
        </NextLink>
      ),
    },
    {
      id: "number",
      header: "On invoice",
      width: "11%",
      cell: (row) => (
        <NextLink href={`/b/${book}/invoices/${row.itemId}`} prefetch={false}>
          {row.number}
        </NextLink>
      ),
    },
    {
      id: "due",
      header: "Due",
      width: "13%",
      cell: (row) => <span data-tone="off">{formatDay(row.dueOn, today)}</span>,
    },
    {
      id: "through",
      header: "For",
      width: "19%",
      cell: (row) =>
        row.letterId === null
          ? `late until ${formatDay(row.through, today)}`
          : `${row.words} of ${formatDay(row.through, today)}`,
    },
    {
      id: "open",
      header: "Open",
      width: "12%",
      number: true,
      cell: (row) => <Amount of={row.balance} currency={row.balanceIn} />,
    },
    {
      id: "fee",
      header: "Fee",
      width: "12%",
      number: true,
      cell: (row) => <Amount of={row.sum} currency={row.currency} />,
      foot: (
        <Total>
          {sums.map(({ one, sum }) => (
            <Box key={one}>
              <Amount of={sum} currency={one} />
            </Box>
          ))}
        </Total>
      ),
    },
  ];
}

type ChargedFeesProps = {
  book: Props["book"];
  charged: Props["charged"];
  today: Props["today"];
};

function ChargedFees({ book, charged, today }: ChargedFeesProps): ReactNode {
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
