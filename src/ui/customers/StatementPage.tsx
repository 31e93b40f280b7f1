"use client";

import NextLink from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import type { StatementPart } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";

import { Amount } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { EmptyState } from "../kit/layout";
import { AsOf } from "../kit/lists/AsOf";
import { OnePart } from "./StatementTables";
import { LineDay } from "@/ui/kit/days";

type Props = BookFacts & {
  customer: { id: number; name: string; externalId: string };
  sites: number;
  from: Day;
  to: Day;
  parts: StatementPart[];
};
/**
 * A customer's statement of account: what moved between two days with the balance after each, what
 * is open, and how old.
 */
export function StatementPage({
  customer,
  sites,
  from,
  to,
  parts,
  book,
  currency,
  today,
}: Props): ReactNode {
  const query = `from=${from}&to=${to}`;
  const [first] = parts;
  return (
    <>
      <PageHeading>
        <Title>
          {first ? <Amount of={first.closing} currency={first.currency} /> : "0.00"}{" "}
          <small>
            owed at the end of {formatDay(to, today)}
            {parts.length > 1
              ? `, and ${parts.length - 1} more ${parts.length === 2 ? "currency" : "currencies"}`
              : ""}
          </small>
        </Title>
        <span>
          Statement of{" "}
          <b data-strong>
            <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
          </b>
          {sites > 0 ? (
            <span data-tone="soft">
              {" "}
              and {sites} {sites === 1 ? "site" : "sites"}
            </span>
          ) : null}
        </span>
        <HeadingEnd>
          <From day={from} />
          <AsOf day={to} />
          <a
            data-tone="soft"
            href={`/api/v1/b/${book}/customers/${customer.id}/statement?format=pdf&${query}`}
          >
            PDF
          </a>
          <a
            data-tone="soft"
            href={`/api/v1/b/${book}/customers/${customer.id}/statement?format=csv&${query}`}
          >
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      {parts.length === 0 ? (
        <EmptyState>
          <p>Nothing moved between these days, and nothing is open.</p>
        </EmptyState>
      ) : (
        parts.map((part) => (
          <OnePart
            key={part.currency}
            part={part}
            book={book}
            from={from}
            to={to}
            today={today}
            currency={currency}
          />
        ))
      )}
    </>
  );
}
/** The day the statement begins. */
function From({ day }: { day: Day }): ReactNode {
  const [router, path, search] = [useRouter(), usePathname(), useSearchParams()];
  const go = (to: Day | ""): void => {
    if (to === "" || to === day) return;
    const query = new URLSearchParams(search);
    query.set("from", to);
    router.replace(`${path}?${query}`);
  };
  return (
    <label data-tone="soft">
      from <LineDay value={day} onDay={go} />
    </label>
  );
}
