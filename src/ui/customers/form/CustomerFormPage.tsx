"use client";

import { useRouter } from "next/navigation";
import type { ReactNode } from "react";

import type { CustomerFacts } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";

import { PageHeading, Title } from "../../kit/headings";
import { Section } from "../../kit/layout";
import { CustomerForm } from "./CustomerForm";

/** A customer of its own page: a new one, or one that is changed. */
export function CustomerFormPage({
  facts,
  book,
  currency,
}: BookFacts & { facts: CustomerFacts }): ReactNode {
  const router = useRouter();
  return (
    <Section overflowY="auto" flex={1}>
      <PageHeading>
        <Title>{facts.id === null ? "A new customer" : facts.name}</Title>
      </PageHeading>
      <CustomerForm
        facts={facts}
        book={book}
        currency={currency}
        kept={({ id }) => router.push(`/b/${book}/customers/${id}`)}
        leave={() => router.back()}
      />
    </Section>
  );
}
