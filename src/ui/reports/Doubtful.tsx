"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import { BUCKETS, bucketWords } from "@/core/metrics";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import type { Props } from "./CashToExpect";

export function Doubtful({
  allowance,
  currency,
}: Pick<Props, "allowance" | "currency">): ReactNode {
  const { act, busy } = useActing();
  const [percent, setPercent] = useState(allowance.percent);
  const changed = BUCKETS.some((bucket) => percent[bucket] !== allowance.percent[bucket]);
  return (
    <>
      <Subheading>
        Doubtful debts <span data-tone="soft">by age</span>
      </Subheading>
      <DetailTable aria-label="Doubtful debts by age">
        <tbody>
          {BUCKETS.map((bucket) => (
            <tr key={bucket}>
              <td>{bucketWords(bucket)}</td>
              <td data-numeric>
                <NextLink href="?" prefetch={false}>
                  <Amount of={allowance.aging[bucket]} currency={currency} dash />
                </NextLink>
              </td>
              <td data-numeric data-tone="soft">
                <LineField
                  width="48px"
                  inputMode="decimal"
                  aria-label={`Per cent doubtful, ${bucketWords(bucket)}`}
                  value={percent[bucket]}
                  onChange={(event) => setPercent({ ...percent, [bucket]: event.target.value })}
                />{" "}
                %
              </td>
              <td data-numeric>
                <Amount of={allowance.byBucket[bucket]} currency={currency} dash />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">the allowance should be</td>
            <td />
            <td />
            <td data-numeric>
              <Total>
                <Amount of={allowance.sum} currency={currency} />
              </Total>
            </td>
          </tr>
          <tr>
            <td data-tone="soft">it stands at</td>
            <td />
            <td />
            <td data-numeric>
              <Amount of={allowance.stands} currency={currency} />
            </td>
          </tr>
        </tbody>
      </DetailTable>
      <ActRow>
        {changed ? (
          <Act
            main
            onClick={() =>
              void act("changeSettings", { doubtfulPercent: percent }, () => ({
                words: "These rates are used from now on.",
              }))
            }
            disabled={busy}
          >
            Keep these rates
          </Act>
        ) : null}
        {allowance.entry === 0 ? (
          <span data-tone="good">✓ It stands where it should.</span>
        ) : (
          <Act
            onClick={() =>
              void act<{ actId: number }>("bringAllowance", {}, (value) => ({
                words: "The allowance stands where it should.",
                undo: value.actId,
              }))
            }
            disabled={busy || changed}
          >
            Post the difference of <Amount of={allowance.entry} currency={currency} />
          </Act>
        )}
      </ActRow>
    </>
  );
}
