"use client";

import NextLink from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import type { StatementPart } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { EmptyState, Halves, Section } from "../kit/layout";
import { AsOf } from "../kit/lists/AsOf";
import { DetailTable } from "../kit/tables";
import { AgeBar } from "../overdue/AgeBar";

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
  const go = (to: string): void => {
    if (!/^\d{4}-\d\d-\d\d$/.test(to) || to === day) return;
    const query = new URLSearchParams(search);
    query.set("from", to);
    router.replace(`${path}?${query}`);
  };
  return (
    <label data-tone="soft">
      from{" "}
      <LineField
        kind="plain"
        type="date"

        defaultValue={day}
        key={day}
        onChange={(event) => go(event.target.value)}
      />
    </label>
  );
}

function OnePart({
  part,
  book,
  from,
  to,
  today,
}: { part: StatementPart; from: Day; to: Day } & BookFacts): ReactNode {
  const { currency } = part;
  return (
    <Halves ratio="5:4">
      <Section>
        <Subheading>
          What moved <span data-tone="soft">in {currency}</span>
        </Subheading>
        <Moved currency={currency} from={from} part={part} to={to} today={today} />
      </Section>
      <Section>
        <Subheading>
          Open <span data-tone="soft">{part.open.length}</span>
        </Subheading>
        <StandsOpen book={book} currency={currency} part={part} to={to} today={today} />
        <AgeBar aging={part.aging} currency={currency} words />
      </Section>
    </Halves>
  );
}

type MovedProps = {
  currency: Currency;
  from: Day;
  part: StatementPart;
  to: Day;
  today: Day;
};

function Moved({ currency, from, part, to, today }: MovedProps): ReactNode {
  return (
    <DetailTable aria-label={`What moved in ${currency}`}>
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">What</th>
          <th data-numeric scope="col">
            Amount
          </th>
          <th data-numeric scope="col">
            Balance
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td data-tone="soft">{formatDay(from, today)}</td>
          <td data-tone="soft">opening balance</td>
          <td />
          <td data-numeric>
            <Amount of={part.opening} currency={currency} />
          </td>
        </tr>
        {part.lines.map((line, at) => (
          <tr key={at}>
            <td data-tone="soft">{formatDay(line.on, today)}</td>
            <td title={line.words}>{line.words}</td>
            <td data-numeric>
              <Amount of={line.amount} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={line.balance} currency={currency} />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">{formatDay(to, today)}</td>
          <td data-tone="soft">closing balance</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={part.closing} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

type StandsOpenProps = {
  book: string;
  currency: Currency;
  part: StatementPart;
  to: Day;
  today: Day;
};

function StandsOpen({ book, currency, part, to, today }: StandsOpenProps): ReactNode {
  return (
    <DetailTable aria-label={`Open in ${currency}`}>
      <tbody>
        {part.open.map((item) => (
          <tr key={item.id}>
            <td>
              <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                <b data-strong>{item.number}</b>
              </NextLink>{" "}
              <span data-tone="soft">
                {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
              </span>
            </td>
            <td data-tone={item.balance > 0 && item.dueOn < to ? "off" : "soft"}>
              {item.kind === "credit_note" ? "" : `due ${formatDay(item.dueOn, today)}`}
            </td>
            <td data-numeric>
              <Amount of={item.balance} currency={currency} />
            </td>
          </tr>
        ))}
        {part.onAccount === 0 ? null : (
          <tr>
            <td>On account</td>
            <td />
            <td data-numeric>
              <Amount of={part.onAccount} currency={currency} />
            </td>
          </tr>
        )}
        <tr>
          <td data-tone="soft">together</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={part.closing} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
