"use client";

import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { AsOf } from "../kit/lists/AsOf";
import { entriesOf, SumLink } from "../kit/SumLink";
import { DetailTable } from "../kit/tables";
import { BooksHeading } from "./BooksHeading";
import { EnterRates, type Props, RatesEntered, RatesNow } from "./ExchangeRates";
import { Open, Revalue } from "./Revaluation";

/**
 * Other currencies: what is open in them and what the day's rate makes of it, the rates, and the
 * month's revaluation.
 */
export function CurrenciesView({
  asOf,
  open,
  off,
  latest,
  rates,
  revaluations,
  exchange,
  book,
  currency,
  today,
}: Props): ReactNode {
  return (
    <>
      <BooksHeading
        view="currencies"
        sum={
          <>
            <Amount of={off} currency={currency} />{" "}
            <small>
              {open.length === 0
                ? "open in other currencies"
                : "between what is carried and the day’s rates"}
            </small>
          </>
        }
        end={<AsOf day={asOf} />}
      />
      <Halves>
        <Section>
          <Subheading>Open at the end of {formatDay(asOf, today)}</Subheading>
          {open.length === 0 ? (
            <p data-tone="soft">
              Nothing is open in another currency than {currency}. Invoices in others are taken in
              once their rate is entered here.
            </p>
          ) : (
            <Open open={open} off={off} currency={currency} />
          )}
          <Revalue
            asOf={asOf}
            open={open}
            done={revaluations.some((revaluation) => revaluation.asOf === asOf)}
          />
          {revaluations.length > 0 ? (
            <Revalued book={book} currency={currency} revaluations={revaluations} today={today} />
          ) : null}
          {exchange.length > 0 ? (
            <ExchangeGains book={book} currency={currency} exchange={exchange} />
          ) : null}
        </Section>
        <Section>
          <Subheading>
            Rates <span data-tone="soft">{currency} for one</span>
          </Subheading>
          {latest.length > 0 ? <RatesNow latest={latest} today={today} /> : null}
          <EnterRates currency={currency} />
          {rates.length > 0 ? <RatesEntered rates={rates} today={today} /> : null}
        </Section>
      </Halves>
    </>
  );
}
type RevaluedProps = {
  book: Props["book"];
  currency: Props["currency"];
  revaluations: Props["revaluations"];
  today: Props["today"];
};
function Revalued({ book, currency, revaluations, today }: RevaluedProps): ReactNode {
  return (
    <>
      <Subheading>Revalued</Subheading>
      <DetailTable aria-label="Revalued">
        <tbody>
          {revaluations.map((revaluation) => (
            <tr key={revaluation.id}>
              <td>{formatDay(revaluation.asOf, today)}</td>
              <td data-tone="soft">
                {revaluation.currency} at {revaluation.rate}, taken back the day after
              </td>
              <td data-numeric>
                <SumLink
                  of={-revaluation.sum}
                  currency={currency}
                  href={entriesOf(book, { event: "exchange", month: revaluation.asOf.slice(0, 7) })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
type ExchangeGainsProps = {
  book: Props["book"];
  currency: Props["currency"];
  exchange: Props["exchange"];
};
function ExchangeGains({ book, currency, exchange }: ExchangeGainsProps): ReactNode {
  return (
    <>
      <Subheading>
        Exchange gains <span data-tone="soft">less losses, by month</span>
      </Subheading>
      <DetailTable aria-label="Exchange gains">
        <tbody>
          {exchange.map((entry) => (
            <tr key={entry.month}>
              <td>{entry.month}</td>
              <td data-numeric>
                <SumLink
                  of={entry.sum}
                  currency={currency}
                  href={entriesOf(book, { event: "exchange", month: entry.month })}
                />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">together</td>
            <td data-numeric>
              <Total>
                <Amount of={sumOf(exchange, ({ sum }) => sum)} currency={currency} />
              </Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
    </>
  );
}
