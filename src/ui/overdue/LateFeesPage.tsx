"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { ProposedFee } from "@/contracts/overdue";
import { formatDay } from "@/core/calendar";
import type { Currency } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Tick } from "../kit/fields";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useActing } from "../shell/Notices";
import { ChargedFees, LateFeesHeading, type Props } from "./LateFeeParts";
import { OverdueTabs } from "./OverdueTabs";

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
      void act<{ charged: number; commandId: number }>(
        "chargeLateFees",
        { fees: wanted.map(({ itemId, letterId }) => ({ itemId, letterId })) },
        (value) => ({
          words:
            value.charged === 1
              ? "One late fee is an open item now."
              : `${value.charged} late fees are open items now.`,
          undo: { commandId: value.commandId },
        }),
      );
  };
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
      narrow: "more",
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
      narrow: "who",
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
      narrow: "state",
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
      narrow: "sum",
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
