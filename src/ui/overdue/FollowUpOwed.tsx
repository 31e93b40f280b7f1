"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { FollowUpWorkings } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, negate } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Form } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

export function Owed({
  workings,
  currency,
  today,
}: {
  workings: FollowUpWorkings;
  currency: Currency;
  today: Day;
}): ReactNode {
  return (
    <Box maxHeight="260px" overflow="auto" tabIndex={0} role="group" aria-label="What is overdue">
      <DetailTable>
        <tbody>
          {workings.items.map((item) => (
            <tr key={item.id}>
              <td>
                <b data-strong>{item.number}</b> {item.description}
              </td>
              <td data-tone="soft">
                due {formatDay(item.dueOn, today)}, {item.days} {item.days === 1 ? "day" : "days"}
              </td>
              <td data-numeric>
                <Amount of={item.balance} currency={item.currency} />
              </td>
              <td data-numeric>
                <ItemOut id={item.id} number={item.number} reason={null} />
              </td>
            </tr>
          ))}
          {workings.leftOut.map((item) => (
            <tr data-tone="soft" key={item.id}>
              <td>
                <s>{item.number}</s> left out: {item.reason}
              </td>
              <td />
              <td data-numeric>
                <Amount of={item.balance} currency={item.currency} />
              </td>
              <td data-numeric>
                <ItemOut id={item.id} number={item.number} reason={item.reason} />
              </td>
            </tr>
          ))}
          {workings.credit !== 0 ? (
            <tr>
              <td>Credit on account</td>
              <td />
              <td data-numeric data-sum>
                {formatAmount(negate(workings.credit), currency)}
              </td>
            </tr>
          ) : null}
          <tr>
            <td data-tone="soft">asked for</td>
            <td />
            <td data-numeric>
              <Total>{formatAmount(workings.sum, currency)}</Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
    </Box>
  );
}
/** Leaves an invoice out of letters, with its reason, or takes it in again. */
function ItemOut({
  id,
  number,
  reason,
}: {
  id: number;
  number: string;
  reason: string | null;
}): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [text, setText] = useState("");
  const set = (why: string | null): void =>
    void act("leaveItemOut", { itemId: id, reason: why }, () => ({
      words: why === null ? `${number} is in letters again.` : `${number} is left out of letters.`,
    })).then(() => setAsking(false));
  if (reason !== null)
    return (
      <RowButton data-strong disabled={busy} onClick={() => set(null)}>
        take in
      </RowButton>
    );
  if (!asking)
    return (
      <RowButton data-tone="soft" onClick={() => setAsking(true)}>
        leave out
      </RowButton>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "") set(text);
      }}
    >
      <LineField
        kind="words"
        width="150px"
        autoFocus
        aria-label={`Why ${number} is left out`}
        placeholder="why, then Enter"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </Form>
  );
}
