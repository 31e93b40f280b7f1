"use client";

import type { Dispatch, ReactNode, SetStateAction } from "react";

import type { LineChoices } from "@/contracts/arrivals";
import type { BulkPayout } from "@/contracts/payouts";
import { formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Act, RowButton } from "../kit/buttons";
import { SmallChoice } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import type { Line } from "./lineTypes";

type AnswerProps<Value> = {
  command: string;
  input: object;
  /** What is said when it is done, and what takes it back. */
  said: (value: Value) => { words: string; undo: number };
  done: () => void;
  children: ReactNode;
};

/** One thing that a line may be, and the key that says so. */
function Answer<Value>({ command, input, said, done, children }: AnswerProps<Value>): ReactNode {
  const { act, busy } = useActing();
  const answer = (): void =>
    void act<Value>(command, input, said).then((value) => {
      if (value) done();
    });
  return (
    <ActRow>
      <Act onClick={answer} disabled={busy}>
        {children}
      </Act>
    </ActRow>
  );
}

type DepositChoiceProps = {
  deposit: LineChoices["deposits"][number];
  done: () => void;
  line: Line;
};
export function DepositChoice({ deposit, done, line }: DepositChoiceProps): ReactNode {
  return (
    <Answer<{ actId: number }>
      command="tieDeposit"
      input={{ depositId: deposit.id, lineId: line.id }}
      said={(value) => ({ words: "The deposit is tied to its bank line.", undo: value.actId })}
      done={done}
    >
      It is the deposit of {formatDay(deposit.onDay)}, {deposit.words}
    </Answer>
  );
}
type BillChoiceProps = {
  bill: { ids: number[]; words: string; sum: Minor };
  currency: Currency;
  done: () => void;
  line: Line;
};
export function BillChoice({ bill, currency, done, line }: BillChoiceProps): ReactNode {
  return (
    <Answer<{ actId: number; off: number }>
      command="billFees"
      input={{ lineId: line.id, accrualIds: bill.ids }}
      said={(value) => ({
        words:
          value.off === 0
            ? "The bill is as accrued."
            : "The bill is tied; what it differs by is a fee too.",
        undo: value.actId,
      })}
      done={done}
    >
      It is the bill for fees of {bill.words}, {formatAmount(bill.sum, currency)} accrued
    </Answer>
  );
}
type RefundChoiceProps = {
  done: () => void;
  line: Line;
  refund: { receiptId: number; words: string; credit: Minor };
};
export function RefundChoice({ done, line, refund }: RefundChoiceProps): ReactNode {
  return (
    <Answer<{ actId: number }>
      command="refundAtBank"
      input={{ lineId: line.id, receiptId: refund.receiptId }}
      said={(value) => ({ words: "Credit sent back.", undo: value.actId })}
      done={done}
    >
      It sends credit back to {refund.words}
    </Answer>
  );
}
type LumpChoiceProps = {
  done: () => void;
  line: Line;
  lump: BulkPayout;
};
export function LumpChoice({ done, line, lump }: LumpChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <DetailTable aria-label={`What it may be made of, ${lump.account}`}>
      <thead>
        <tr>
          <th scope="col">
            A lump of {lump.account}: {setsInWords(lump)}
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
function setsInWords(lump: BulkPayout): ReactNode {
  if (lump.count === null) return "too many sets to count make this sum";
  if (lump.count >= lump.cap) return `${lump.cap.toLocaleString("en")} sets or more make this sum`;
  if (lump.count === 1) return "only these make this sum";
  return `${lump.count.toLocaleString("en")} sets make this sum`;
}

export function BounceFee({ choices, feeLineId, setFee }: BounceFeeProps): ReactNode {
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
  entry: LineChoices["bounced"][number];
  feeLineId: number | null;
  line: Line;
};
export function BouncedChoice({ done, entry, feeLineId, line }: BouncedChoiceProps): ReactNode {
  return (
    <Answer<{ actId: number }>
      command="bounceReceipt"
      input={{ receiptId: entry.receiptId, lineId: line.id, feeLineId }}
      said={(value) => ({
        words: "Taken back: what it had paid is open again.",
        undo: value.actId,
      })}
      done={done}
    >
      It is the {entry.words} of {formatDay(entry.paidOn)}, taken back
    </Answer>
  );
}
