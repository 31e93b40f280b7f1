import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Backing, Linked } from "@/contracts/history";
import type { Written } from "@/contracts/invoices";
import type { QuestionThread } from "@/contracts/questions";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { History, LinkedTable } from "../history/History";
import { Amount } from "../kit/Amount";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { FactList, Halves, Section } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { QuestionThreads } from "../questions/QuestionThreads";
import { type GivingUp, WriteOffQuestion } from "../overdue/WriteOffQuestion";
import { CreditNoteQuestion } from "./CreditNoteQuestion";
import { InvoiceParts } from "./InvoiceParts";
import { InvoiceState } from "./InvoiceState";
import { PayLinkQuestion } from "./PayLinkQuestion";
import { SendQuestion } from "./SendQuestion";
import { WrittenPaper } from "./WrittenPaper";

type Item = {
  id: number;
  kind: "invoice" | "late_fee" | "credit_note";
  number: string;
  issuedOn: Day;
  dueOn: Day;
  total: Minor;
  currency: Currency;
  tax: Minor;
  opened: Minor;
  balance: Minor;
  openedOn: Day;
  poNumber: string | null;
  terms: string | null;
  description: string | null;
};
type Props = BookFacts & {
  item: Item;
  customer: { id: number; name: string };
  paid: Linked[];
  letters: { on: Day; words: string }[];
  givingUp: GivingUp;
  told: Backing;
  written: Written | null;
  questions: QuestionThread[];
  /** Where customers reach their pages. */
  publicUrl: string;
};

const KIND = { invoice: "Invoice", late_fee: "Late fee", credit_note: "Credit note" } as const;

/** An invoice or credit note with everything that happened to it. */
export function InvoicePage({
  item,
  customer,
  paid,
  letters,
  givingUp,
  told,
  written,
  questions,
  publicUrl,
  ...around
}: Props): ReactNode {
  const { book, today } = around;
  const { currency } = item;
  return (
    <>
      <InvoiceHeading
        book={book}
        currency={currency}
        customer={customer}
        item={item}
        today={today}
        written={written}
      />
      <Halves>
        <Section>
          <Subheading>What it says</Subheading>
          <InvoiceFacts currency={currency} item={item} today={today} />
          {written ? <WrittenPaper paper={written.paper} /> : null}
          {written ? (
            <InvoiceParts parts={written.parts} here={item.id} {...around} currency={currency} />
          ) : null}
          {written ? (
            <SendQuestion key={written.reachedOn} written={written} today={today} />
          ) : null}
          <Subheading>{item.kind === "credit_note" ? "Used with" : "Paid by"}</Subheading>
          <LinkedTable
            linked={paid}
            label="Receipts given to it"
            foot="together"
            empty="Nothing was given to it yet."
            {...around}
            currency={currency}
          />
          <QuestionThreads threads={questions} today={today} />
          {letters.length > 0 ? (
            <>
              <Subheading>Asked for</Subheading>
              <DetailTable>
                <tbody>
                  {letters.map((letter, at) => (
                    <tr key={at}>
                      <Cell data-tone="soft" width="118px">
                        {formatDay(letter.on, today)}
                      </Cell>
                      <td>{letter.words}</td>
                    </tr>
                  ))}
                </tbody>
              </DetailTable>
            </>
          ) : null}
          {item.kind === "invoice" && item.balance > 0 ? (
            <PayLinkQuestion customerId={customer.id} item={item} publicUrl={publicUrl} />
          ) : null}
          {written ? (
            <CreditNoteQuestion
              itemId={item.id}
              number={item.number}
              currency={currency}
              creditable={written.creditable}
              total={written.paper.total}
              lines={written.paper.lines.map(({ description }) => description)}
            />
          ) : null}
          {item.balance > 0 ? <WriteOffQuestion item={item} {...givingUp} /> : null}
        </Section>
        <History told={told} {...around} />
      </Halves>
    </>
  );
}

type InvoiceHeadingProps = {
  book: BookFacts["book"];
  currency: Props["item"]["currency"];
  customer: Props["customer"];
  item: Props["item"];
  today: BookFacts["today"];
  written: Props["written"];
};

function InvoiceHeading(props: InvoiceHeadingProps): ReactNode {
  const { book, currency, customer, item, today, written } = props;
  return (
    <PageHeading>
      <Title>
        <Amount of={item.balance} currency={currency} />{" "}
        <small>
          open of <Amount of={item.total} currency={currency} />
        </small>
      </Title>
      <span>
        <b data-strong>
          {KIND[item.kind]} {item.number}
        </b>
        , <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
      </span>
      {written?.state === "void" ? (
        <span data-tone="soft">void: all of it was taken back</span>
      ) : (
        <InvoiceState item={item} today={today} />
      )}
      <HeadingEnd>
        {written ? <WrittenLinks written={written} book={book} itemId={item.id} /> : null}
        <a data-tone="soft" href={`/api/v1/b/${book}/invoices/${item.id}/pdf`}>
          PDF
        </a>
      </HeadingEnd>
    </PageHeading>
  );
}

type WrittenLinksProps = { written: Written; book: string; itemId: number };

function WrittenLinks({ written, book, itemId }: WrittenLinksProps): ReactNode {
  return (
    <>
      <NextLink href={`/b/${book}/invoices/new?like=${written.id}`}>Write one like it</NextLink>
      <NextLink href={`/b/${book}/schedules/new?document=${written.id}`}>
        Let it come again
      </NextLink>
      <a data-tone="soft" href={`/api/v1/b/${book}/invoices/${itemId}/ubl`}>
        UBL
      </a>
    </>
  );
}

type InvoiceFactsProps = {
  currency: Props["item"]["currency"];
  item: Props["item"];
  today: BookFacts["today"];
};

function InvoiceFacts({ currency, item, today }: InvoiceFactsProps): ReactNode {
  return (
    <FactList>
      <dt>Issued</dt>
      <dd>{formatDay(item.issuedOn, today)}</dd>
      <dt>Due</dt>
      <dd>
        {formatDay(item.dueOn, today)}
        {item.terms ? <span data-tone="soft">, {item.terms}</span> : null}
      </dd>
      {item.description ? (
        <>
          <dt>For</dt>
          <dd>{item.description}</dd>
        </>
      ) : null}
      {item.poNumber ? (
        <>
          <dt>PO number</dt>
          <dd>{item.poNumber}</dd>
        </>
      ) : null}
      {item.tax !== 0 ? (
        <>
          <dt>Tax in it</dt>
          <dd data-sum>
            <Amount of={item.tax} currency={currency} />
          </dd>
        </>
      ) : null}
      {item.opened !== item.total ? (
        <>
          <dt>Came over with</dt>
          <dd>
            <Amount of={item.opened} currency={currency} /> open, on{" "}
            {formatDay(item.openedOn, today)}
          </dd>
        </>
      ) : null}
    </FactList>
  );
}
