import type { ReactNode } from "react";

import type { AccountFacts } from "@/contracts/customers";
import { type Day, daysBetween } from "@/core/calendar";
import { type Currency, formatMoney } from "@/core/money";

import { Total } from "../kit/Amount";
import { Title } from "../kit/headings";
import { Section } from "../kit/layout";
import { AccountSheet } from "../kit/sheets";
import { DetailTable } from "../kit/tables";
import { AccountItem } from "./AccountItem";
import { AccountPayments } from "./AccountPayments";
import { ACCOUNT_WORDS, type AccountWords } from "./words";
export type AccountProps = Omit<AccountFacts, "customerId" | "from"> & {
  base: string;
  /** Where it is paid; null where nothing can be paid here. */
  pay: string | null;
};

/** What a customer sees of its own account, in its language: what is open, and its papers. It works without scripts. */
export function AccountPage({
  base,
  pay,
  customer,
  business,
  questions,
  language,
  today,
  payments,
  parts,
}: AccountProps): ReactNode {
  const words = ACCOUNT_WORDS[language];
  const day = (on: Day): string =>
    new Intl.DateTimeFormat(language === "en" ? "en-US" : language, {
      day: "numeric",
      month: "short",
      year: "numeric",
      timeZone: "UTC",
    }).format(new Date(`${on}T12:00:00Z`));
  // On a page that goes out every sum bears its currency.
  const sum = (amount: number, currency: Currency): string =>
    `${currency} ${formatMoney(amount, currency, currency)}`;
  return (
    <AccountSheet lang={language}>
      <AccountHead
        business={business}
        customer={customer}
        day={day}
        parts={parts}
        sum={sum}
        today={today}
        words={words}
      />
      {parts.map((part) => (
        <AccountPart
          key={part.currency}
          base={base}
          day={day}
          part={part}
          sum={sum}
          today={today}
          words={words}
        />
      ))}
      <p>
        {pay === null ? null : (
          <>
            <a href={pay}>{words.pay}</a>{" "}
          </>
        )}
        <a href={`${base.replace("/account/", "/pay/")}/questions`}>{words.ask}</a>
      </p>
      <AccountPayments base={base} payments={payments} day={day} sum={sum} words={words} />
      <footer>
        <a href={`${base}/statement`}>{words.statement} (PDF)</a>
        <a href={`${base}/statement?format=csv`}>{words.statement} (CSV)</a>
        <span data-tone="soft">
          {words.questions} <a href={`mailto:${questions}`}>{questions}</a>
        </span>
      </footer>
    </AccountSheet>
  );
}

type AccountHeadProps = {
  business: AccountProps["business"];
  customer: AccountProps["customer"];
  day: (on: Day) => string;
  parts: AccountProps["parts"];
  sum: (amount: number, currency: Currency) => string;
  today: AccountProps["today"];
  words: AccountWords;
};

function AccountHead({
  business,
  customer,
  day,
  parts,
  sum,
  today,
  words,
}: AccountHeadProps): ReactNode {
  return (
    <header>
      <p>
        {words.account} <b data-strong>{business}</b>
      </p>
      <Title>
        {parts.length === 0 ? (
          <span data-tone="good">{words.nothing}</span>
        ) : (
          parts.map((part) => (
            <span data-sum key={part.currency}>
              {sum(part.owed, part.currency)}{" "}
              <small>
                {words.open}
                {part.overdue > 0 ? (
                  <>
                    ,{" "}
                    <span data-tone="off">
                      {sum(part.overdue, part.currency)} {words.overdue}
                    </span>
                  </>
                ) : null}
              </small>
            </span>
          ))
        )}
      </Title>
      <p>
        <b data-strong>{customer}</b>, {words.asOf} {day(today)}
      </p>
    </header>
  );
}

type AccountPartProps = {
  base: AccountProps["base"];
  day: (on: Day) => string;
  part: AccountProps["parts"][number];
  sum: (amount: number, currency: Currency) => string;
  today: AccountProps["today"];
  words: AccountWords;
};

function AccountPart({ base, day, part, sum, today, words }: AccountPartProps): ReactNode {
  return (
    <Section>
      <DetailTable bill aria-label={`${words.left} ${part.currency}`}>
        <thead>
          <tr>
            <th scope="col">{words.number}</th>
            <th scope="col">{words.what}</th>
            <th scope="col">{words.issued}</th>
            <th scope="col">{words.due}</th>
            <th data-numeric scope="col">
              {words.total}
            </th>
            <th data-numeric scope="col">
              {words.left}
            </th>
            <th scope="col">{words.paper}</th>
          </tr>
        </thead>
        <tbody>
          {part.open.map((item) => {
            const late = item.kind === "credit_note" ? 0 : daysBetween(item.dueOn, today);
            return (
              <AccountItem
                key={item.id}
                base={base}
                day={day}
                item={item}
                late={late}
                part={part}
                sum={sum}
                words={words}
              />
            );
          })}
          {part.onAccount !== 0 ? (
            <tr>
              <td />
              <td data-narrow="who">{words.onAccount}</td>
              <td />
              <td />
              <td />
              <td data-numeric data-sum data-narrow="sum">
                {sum(part.onAccount, part.currency)}
              </td>
              <td />
            </tr>
          ) : null}
          <tr>
            <td />
            <td data-narrow="who">{words.together}</td>
            <td />
            <td />
            <td />
            <td data-numeric data-narrow="sum">
              <Total>{sum(part.owed, part.currency)}</Total>
            </td>
            <td />
          </tr>
        </tbody>
      </DetailTable>
    </Section>
  );
}
