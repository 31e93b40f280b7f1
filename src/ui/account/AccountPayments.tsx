import type { ReactNode } from "react";

import type { AccountFacts } from "@/contracts/customers";
import type { Day } from "@/core/calendar";
import type { Currency } from "@/core/money";

import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import type { AccountWords } from "./words";

type Props = {
  base: string;
  payments: AccountFacts["payments"];
  day: (on: Day) => string;
  sum: (amount: number, currency: Currency) => string;
  words: AccountWords;
};

/** What was paid lately, each with its receipt as a PDF. */
export function AccountPayments({ base, payments, day, sum, words }: Props): ReactNode {
  if (payments.length === 0) return null;
  return (
    <Section>
      <Subheading>{words.payments}</Subheading>
      <DetailTable bill aria-label={words.payments}>
        <tbody>
          {payments.map(({ id, on, amount, currency }) => (
            <tr key={id}>
              <td data-narrow="who">{day(on)}</td>
              <td data-numeric data-sum data-narrow="sum">
                {sum(amount, currency)}
              </td>
              <td data-numeric data-narrow="more">
                <a href={`${base}/receipts/${id}`} aria-label={`${words.receipt} ${day(on)}`}>
                  {words.receipt}
                </a>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
