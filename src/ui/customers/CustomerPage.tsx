"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import { add, formatAmount } from "@/core/money";

import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { Halves } from "../kit/layout";
import { AgeBar } from "../overdue/AgeBar";
import { CustomerSidebar } from "./CustomerSidebar";
import { TimeLine } from "./TimeLine";
import type { Props } from "./customerTypes";

/**
 * A customer: what is owed and since when, what stands to their credit, and one line of time with
 * all that happened.
 */
export function CustomerPage(props: Props): ReactNode {
  const { customer, parent, aging, book, currency } = props;
  const position = add(aging.total, -props.credit);
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(position, currency)}{" "}
          <small>
            {props.credit === 0
              ? "owed"
              : `owed: ${formatAmount(aging.total, currency)} open less ${formatAmount(props.credit, currency)} on account`}
          </small>
        </Title>
        <span>
          <b data-strong>{customer.name}</b> <span data-tone="soft">{customer.externalId}</span>
          {parent ? (
            <>
              , a site of{" "}
              <NextLink href={`/b/${book}/customers/${parent.id}`}>{parent.name}</NextLink>
            </>
          ) : null}
        </span>
        {props.overdue !== 0 ? (
          <NextLink data-tone="off" href={`/b/${book}/overdue?open=${customer.id}`}>
            {formatAmount(props.overdue, currency)} overdue
          </NextLink>
        ) : (
          <span data-tone="good">nothing overdue</span>
        )}
        {customer.leftOut ? (
          <span data-tone="waits">left out of follow-up: {customer.leftOut}</span>
        ) : null}
        {props.waits.length > 0 ? (
          <span data-tone="waits">waits for {props.waits.join(", ")}</span>
        ) : null}
        <HeadingEnd>
          <NextLink href={`/b/${book}/customers/${customer.id}/edit`}>Change</NextLink>
          <NextLink href={`/b/${book}/schedules/new?customer=${customer.id}`}>
            Begin a schedule
          </NextLink>
          <NextLink href={`/b/${book}/invoices/new?customer=${customer.id}`}>
            Write an invoice
          </NextLink>
          {/* Loaded whole: only that page may reach the processor's own address. */}
          <a href={`/b/${book}/customers/${customer.id}/pay`}>Take a payment</a>
          <NextLink href={`/b/${book}/customers/${customer.id}/statement`}>Statement</NextLink>
          <a href={`${props.account}?look`} target="_blank" rel="noreferrer">
            What they see
          </a>
        </HeadingEnd>
      </PageHeading>
      <Box maxWidth="760px">
        <AgeBar aging={aging} currency={currency} words />
      </Box>
      <Halves ratio="4:5">
        <CustomerSidebar {...props} />
        <TimeLine {...props} />
      </Halves>
    </>
  );
}
