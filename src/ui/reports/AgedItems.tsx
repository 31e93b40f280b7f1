"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import type { AgedItem, AgesRow } from "@/contracts/reports";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import type { Asked } from "./AgingAsked";

/** The items behind a row, each in its column. */
export function Items({
  row,
  asked,
  query,
  book,
  currency,
  today,
}: {
  row: AgesRow;
  asked: Asked;
  query: URLSearchParams;
  book: string;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<AgedItem[] | null>(null);
  const text = query.toString();
  useEffect(() => {
    let current = true;
    void load<AgedItem[]>(`/api/v1/b/${book}/aging/${row.customerId}?${text}`).then((sent) => {
      if (current) {
        if (sent.ok) setItems(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.customerId, text]);
  if (!items) return <p data-tone="soft">Reading …</p>;
  return (
    <Box
      maxHeight="300px"
      overflow="auto"
      maxWidth="900px"
      tabIndex={0}
      role="group"
      aria-label={`What ${row.customer} had open`}
    >
      <DetailTable>
        <tbody>
          {items.map((item) => (
            <tr key={item.id}>
              <td>
                <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                  <b data-strong>{item.number}</b>
                </NextLink>{" "}
                {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
                {item.site ? <span data-tone="soft"> {item.site}</span> : null}
              </td>
              <td data-tone="soft">
                {asked.by === "issued" || item.kind === "credit_note" ? "issued" : "due"}{" "}
                {formatDay(item.on, today)}
              </td>
              <td data-tone="soft">{asked.spans[item.span]?.words}</td>
              {item.currency === currency ? null : (
                <td data-numeric data-tone="soft">
                  <Amount of={item.balance} currency={item.currency} />
                </td>
              )}
              <td data-numeric>
                <Amount of={item.shown} currency={currency} />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">
              <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
                the customer
              </NextLink>
            </td>
            <td />
            <td />
            <td data-numeric>
              <Total>
                <Amount of={items.reduce((so, { shown }) => so + shown, 0)} currency={currency} />
              </Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
    </Box>
  );
}
