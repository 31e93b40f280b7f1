"use client";

import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction } from "react";

import {
  type Explanation,
  type PayoutRow,
  type PayoutWorkings as Workings,
} from "@/contracts/payouts";
import { type Currency, formatAmount } from "@/core/money";

import { Act, RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { remedyWords } from "./Explanations";

type TogetherProps = {
  tieTogether: ({ payoutIds, bankLineIds }: Workings["together"][number]) => void;
  workings: Workings;
};

export function Together({ tieTogether, workings }: TogetherProps): ReactNode {
  const { busy } = useActing();
  return (
    <>
      <Subheading>
        It comes out{" "}
        {workings.together.length === 1 ? "only together" : "together, in more than one way"}
      </Subheading>
      <DetailTable aria-label="Ties together">
        <tbody>
          {workings.together.map((way) => (
            <tr key={way.words}>
              <td data-wrap>
                <RowButton disabled={busy} onClick={() => tieTogether(way)}>
                  {way.words}
                </RowButton>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type ParkFormProps = {
  currency: Currency;
  none: boolean;
  off: number;
  reason: string;
  setParking: Dispatch<SetStateAction<boolean>>;
  setReason: Dispatch<SetStateAction<string>>;
  tie: (difference: object | null) => void;
};

export function ParkForm({
  currency,
  none,
  off,
  reason,
  setParking,
  setReason,
  tie,
}: ParkFormProps): ReactNode {
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        tie({ as: "park", reason });
      }}
    >
      <LineField
        kind="words"
        width="220px"
        autoFocus
        aria-label="Why it is parked"
        placeholder="Why it cannot be explained"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setParking(false);
        }}
      />
      <Act main type="submit" disabled={reason.trim() === "" || none}>
        Park {formatAmount(off, currency)}
      </Act>
    </ActRow>
  );
}

type TieActsProps = {
  best: Explanation | undefined;
  chosen: ReadonlySet<number>;
  currency: Currency;
  none: boolean;
  off: number;
  row: PayoutRow;
  setParking: Dispatch<SetStateAction<boolean>>;
  tie: (difference: object | null) => void;
};

export function TieActs({
  best,
  chosen,
  currency,
  none,
  off,
  row,
  setParking,
  tie,
}: TieActsProps): ReactNode {
  const { book } = useActing();
  return (
    <ActRow>
      {off === 0 || chosen.size === 0 ? (
        <Act main hint="Enter" onClick={() => tie(null)} disabled={none}>
          Tie
        </Act>
      ) : null}
      {off !== 0 && best && chosen.size > 0 ? (
        <Act main hint="Enter" onClick={() => tie(best.remedy)} disabled={none}>
          {remedyWords(best, off, currency)}
        </Act>
      ) : null}
      {off < 0 && !best && chosen.size > 0 ? (
        <Act onClick={() => tie({ as: "fee", kind: "processing" })} disabled={none}>
          Book {formatAmount(-off, currency)} as a processing fee
        </Act>
      ) : null}
      {off !== 0 && chosen.size > 0 ? (
        <Act hint="P" onClick={() => setParking(true)} disabled={none}>
          Park the difference
        </Act>
      ) : null}
      <NextLink href={`/b/${book}/payouts/${row.id}`}>History</NextLink>
    </ActRow>
  );
}
