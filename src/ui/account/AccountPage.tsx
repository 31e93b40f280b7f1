import type { ReactNode } from "react";

import { daysBetween, type Day } from "@/core/calendar";
import type { Language } from "@/core/followup";
import { formatMoney, type Currency, type Minor } from "@/core/money";

import { ACCOUNT_WORDS } from "./words";

type Open = {
  id: number;
  number: string;
  kind: string;
  site: string | null;
  description: string | null;
  issuedOn: Day;
  dueOn: Day;
  total: Minor;
  balance: Minor;
};
type Part = { currency: Currency; owed: Minor; overdue: Minor; onAccount: Minor; open: Open[] };
type Props = {
  base: string;
  customer: string;
  business: string;
  questions: string;
  language: Language;
  today: Day;
  parts: Part[];
};

/** What a customer sees of its own account, in its language: what is open, and its papers. It works without scripts. */
export function AccountPage({
  base,
  customer,
  business,
  questions,
  language,
  today,
  parts,
}: Props): ReactNode {
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
    <main className="account" lang={language}>
      <header>
        <p>
          {words.account} <b className="strong">{business}</b>
        </p>
        <h1>
          {parts.length === 0 ? (
            <span className="good">{words.nothing}</span>
          ) : (
            parts.map((part) => (
              <span key={part.currency} className="sum">
                {sum(part.owed, part.currency)}{" "}
                <small>
                  {words.open}
                  {part.overdue > 0 ? (
                    <>
                      ,{" "}
                      <span className="off">
                        {sum(part.overdue, part.currency)} {words.overdue}
                      </span>
                    </>
                  ) : null}
                </small>
              </span>
            ))
          )}
        </h1>
        <p>
          <b className="strong">{customer}</b>, {words.asOf} {day(today)}
        </p>
      </header>
      {parts.map((part) => (
        <section key={part.currency}>
          <table className="small" aria-label={`${words.left} ${part.currency}`}>
            <thead>
              <tr>
                <th scope="col">{words.number}</th>
                <th scope="col">{words.what}</th>
                <th scope="col">{words.issued}</th>
                <th scope="col">{words.due}</th>
                <th scope="col" className="num">
                  {words.total}
                </th>
                <th scope="col" className="num">
                  {words.left}
                </th>
                <th scope="col">{words.paper}</th>
              </tr>
            </thead>
            <tbody>
              {part.open.map((item) => {
                const late = item.kind === "credit_note" ? 0 : daysBetween(item.dueOn, today);
                return (
                  <tr key={item.id}>
                    <td>
                      <b className="strong">{item.number}</b>
                    </td>
                    <td>
                      {item.kind === "credit_note" ? words.credit : (item.description ?? "")}
                      {item.site ? <span className="soft"> {item.site}</span> : null}
                    </td>
                    <td>{day(item.issuedOn)}</td>
                    <td>
                      {item.kind === "credit_note" ? (
                        ""
                      ) : (
                        <>
                          {day(item.dueOn)}
                          {late > 0 ? <span className="off"> {words.late(late)}</span> : null}
                        </>
                      )}
                    </td>
                    <td className="num sum">{sum(item.total, part.currency)}</td>
                    <td className="num sum">{sum(item.balance, part.currency)}</td>
                    <td className="num">
                      <a
                        href={`${base}/invoices/${item.id}`}
                        aria-label={`${words.paper} ${item.number}`}
                      >
                        {words.paper}
                      </a>
                    </td>
                  </tr>
                );
              })}
              {part.onAccount !== 0 ? (
                <tr>
                  <td />
                  <td>{words.onAccount}</td>
                  <td />
                  <td />
                  <td />
                  <td className="num sum">{sum(part.onAccount, part.currency)}</td>
                  <td />
                </tr>
              ) : null}
              <tr>
                <td />
                <td>{words.together}</td>
                <td />
                <td />
                <td />
                <td className="num">
                  <span className="total">{sum(part.owed, part.currency)}</span>
                </td>
                <td />
              </tr>
            </tbody>
          </table>
        </section>
      ))}
      <footer>
        <a href={`${base}/statement`}>{words.statement} (PDF)</a>
        <a href={`${base}/statement?format=csv`}>{words.statement} (CSV)</a>
        <span className="soft">
          {words.questions} <a href={`mailto:${questions}`}>{questions}</a>
        </span>
      </footer>
    </main>
  );
}
