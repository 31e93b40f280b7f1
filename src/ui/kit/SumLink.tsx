import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Currency } from "@/core/money";

import { Amount } from "./Amount";

/** A sum that leads to what it is made of; nothing leads nowhere. */
export function SumLink({
  of,
  currency,
  href,
}: {
  of: number;
  currency: Currency;
  href: string;
}): ReactNode {
  if (of === 0) return <Amount of={of} currency={currency} dash />;
  return (
    <NextLink href={href} prefetch={false}>
      <Amount of={of} currency={currency} />
    </NextLink>
  );
}

type Asked = { event: string; month: string };

/** The entries of one kind in a month, in the journal. */
export function entriesOf(book: string, { event, month }: Asked): string {
  return `/b/${book}/books?view=journal&event=${event}&month=${month}`;
}
