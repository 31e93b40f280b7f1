"use client";

import { type ReactNode, useEffect, useState } from "react";

import type { LineChoices } from "@/contracts/arrivals";
import type { Currency } from "@/core/money";

import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import {
  BillChoice,
  BouncedChoice,
  BounceFee,
  DepositChoice,
  LumpChoice,
  RefundChoice,
} from "./lineParts";
import type { Line } from "./lineTypes";

/**
 * A deposit by hand that this line may be; or a check that the bank took back, with the line beside
 * it that is its fee.
 */
export function OtherChoices({
  line,
  currency,
  done,
}: {
  line: Line;
  currency: Currency;
  done: () => void;
}): ReactNode {
  const { book } = useActing();
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
