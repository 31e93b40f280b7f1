"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import type { PayoutRow, PayoutWorkings as Workings } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency } from "@/core/money";
import { type TyingProps } from "@/ui/payouts/useTying";

import { Amount } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { Reading } from "../kit/Reading";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { ForeignTying } from "./ForeignTying";
import { Entry, PayoutItems } from "./PayoutItems";
import { type Props, Tying } from "./PayoutTying";

/** A payout opened: the bank lines it ties to and what is left, its items each with its receipt, and the entry. */
export function PayoutWorkings({ row, currency, today, done }: Props): ReactNode {
  const { book, complain } = useActing();
  const [workings, setWorkings] = useState<Workings | null>(null);
  useEffect(() => {
    let current = true;
    void load<Workings>(`/api/v1/b/${book}/payouts/${row.id}/workings`).then((sent) => {
      if (current) {
        if (sent.ok) setWorkings(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.id, row.shown]);
  if (!workings) return <Reading />;
  return (
    <WorkingsGrid>
      <Box>
        <TyingOf currency={currency} done={done} row={row} today={today} workings={workings} />
      </Box>
      <PayoutItems workings={workings} currency={workings.payout.currency} today={today} />
      <Entry workings={workings} currency={currency} today={today} />
    </WorkingsGrid>
  );
}

function TyingOf({ currency, done, row, today, workings }: TyingProps): ReactNode {
  if (workings.payout.shown === "tied")
    return <Tied workings={workings} row={row} currency={currency} today={today} />;
  if (workings.payout.abroad)
    return (
      <ForeignTying workings={workings} row={row} currency={currency} today={today} done={done} />
    );
  return <Tying workings={workings} row={row} currency={currency} today={today} done={done} />;
}
function Tied({
  workings,
  row,
  currency,
  today,
}: {
  workings: Workings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { book } = useActing();
  return (
    <>
      <Subheading>Tied to</Subheading>
      <DetailTable>
        <tbody>
          {workings.lines.map((line) => (
            <tr key={line.id}>
              <td>
                {formatDay(line.postedOn, today)} <span data-tone="soft">{line.description}</span>
              </td>
              <td data-numeric>
                <Amount of={line.amount} currency={currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      <ActRow>
        <NextLink href={`/b/${book}/payouts/${row.id}`}>History, with undo</NextLink>
      </ActRow>
    </>
  );
}
