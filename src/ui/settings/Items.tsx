"use client";

import { type ReactNode, useState } from "react";

import type { ChartListed, ItemListed } from "@/contracts/settings";

import { Act, RowButton } from "../kit/buttons";
import { LineChoice } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { FormWord } from "./FormWord";

type ItemsProps = {
  items: readonly ItemListed[];
  chart: readonly ChartListed[];
  taxCodes: readonly { code: string }[];
};

const EMPTY = { code: "", description: "", rate: "", taxCode: "", account: "", months: "1" };

/** What is billed again and again: its words, its price, its tax, and where its income goes. */
export function Items({ items, chart, taxCodes }: ItemsProps): ReactNode {
  const { act, busy } = useActing();
  const [form, setForm] = useState(EMPTY);
  const set = (changed: Partial<typeof EMPTY>): void => setForm({ ...form, ...changed });
  const keep = (): void =>
    void act(
      "setItem",
      {
        code: form.code,
        to: {
          description: form.description,
          rate: form.rate,
          taxCode: form.taxCode || null,
          account: form.account || null,
          months: Number(form.months) || 1,
        },
      },
      () => ({ words: `Item ${form.code} is kept.` }),
    ).then((done) => {
      if (done !== null) setForm(EMPTY);
    });
  return (
    <>
      <Subheading>Items</Subheading>
      <ItemTable items={items} set={set} />
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <FormWord
          label="Short name of the item"
          placeholder="item"
          width="80px"
          value={form.code}
          onWord={(code) => set({ code })}
        />
        <FormWord
          label="Words of the item"
          placeholder="what it is"
          width="170px"
          value={form.description}
          onWord={(description) => set({ description })}
        />
        <FormWord
          label="Rate of the item"
          placeholder="rate"
          width="80px"
          number
          value={form.rate}
          onWord={(rate) => set({ rate })}
        />
        <LineChoice
          kind="words"
          aria-label="Income account of the item"
          value={form.account}
          onChange={(event) => set({ account: event.target.value })}
        >
          <option value="">all income</option>
          {chart
            .filter(({ role, of }) => role === "income" && of !== null)
            .map(({ code, name }) => (
              <option key={code} value={code}>
                {code} {name}
              </option>
            ))}
        </LineChoice>
        <FormWord
          label="Months over which the income of the item is earned"
          placeholder="months"
          width="62px"
          number
          value={form.months}
          onWord={(months) => set({ months })}
        />
        <LineChoice
          kind="words"
          aria-label="Tax of the item"
          value={form.taxCode}
          onChange={(event) => set({ taxCode: event.target.value })}
        >
          <option value="">no tax</option>
          {taxCodes.map(({ code }) => (
            <option key={code} value={code}>
              {code}
            </option>
          ))}
        </LineChoice>
        <Act type="submit" disabled={busy || form.code.trim() === ""}>
          Keep
        </Act>
      </ActRow>
    </>
  );
}

type Typed = typeof EMPTY;

function ItemTable({
  items,
  set,
}: {
  items: readonly ItemListed[];
  set: (changed: Partial<Typed>) => void;
}): ReactNode {
  const { act, busy } = useActing();
  return (
    <DetailTable aria-label="Items">
      <tbody>
        <NoneRow of={items}>None yet: lines are completed by what was billed before.</NoneRow>
        {items.map((item) => (
          <tr key={item.code}>
            <Cell>
              <RowButton
                onClick={() =>
                  set({
                    ...item,
                    taxCode: item.taxCode ?? "",
                    account: item.account ?? "",
                    months: String(item.months),
                  })
                }
              >
                {item.code}
              </RowButton>
            </Cell>
            <Cell>{item.description}</Cell>
            <Cell data-tone="soft">
              {item.account ?? ""}
              {item.months > 1 ? ` over ${item.months} months` : ""}
            </Cell>
            <Cell data-numeric>{item.rate}</Cell>
            <Cell width="3%">
              <RowButton
                data-tone="soft"
                disabled={busy}
                aria-label={`Take item ${item.code} off the list`}
                onClick={() =>
                  void act("setItem", { code: item.code, to: null }, () => ({
                    words: `${item.code} is off the list.`,
                  }))
                }
              >
                ✕
              </RowButton>
            </Cell>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
