"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { ForeignSum } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay, parseDay } from "@/core/calendar";
import { type Currency, currencyOf, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineText } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form, Halves, Section } from "../kit/layout";
import { AsOf } from "../kit/lists/AsOf";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { BooksHeading } from "./BooksHeading";

type Rate = { currency: Currency; onDay: Day; rate: string };
type Props = BookFacts & {
  asOf: Day;
  open: ForeignSum[];
  off: Minor;
  latest: (Rate & { ageDays: number })[];
  rates: Rate[];
  revaluations: (Pick<Rate, "currency" | "rate"> & {
    id: number;
    asOf: Day;
    sum: Minor;
    actId: number;
  })[];
  exchange: { month: string; sum: Minor }[];
};

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
            <Revalued currency={currency} revaluations={revaluations} today={today} />
          ) : null}
          {exchange.length > 0 ? <ExchangeGains currency={currency} exchange={exchange} /> : null}
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
  currency: Props["currency"];
  revaluations: Props["revaluations"];
  today: Props["today"];
};

function Revalued({ currency, revaluations, today }: RevaluedProps): ReactNode {
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
                <Amount of={-revaluation.sum} currency={currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type ExchangeGainsProps = {
  currency: Props["currency"];
  exchange: Props["exchange"];
};

function ExchangeGains({ currency, exchange }: ExchangeGainsProps): ReactNode {
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
                <Amount of={entry.sum} currency={currency} />
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

type RatesNowProps = {
  latest: Props["latest"];
  today: Props["today"];
};

function RatesNow({ latest, today }: RatesNowProps): ReactNode {
  return (
    <DetailTable aria-label="Rates now">
      <tbody>
        {latest.map((entry) => (
          <tr key={entry.currency}>
            <td>
              <b data-strong>{entry.currency}</b>
            </td>
            <td data-tone={entry.ageDays > 7 ? "waits" : "soft"}>
              {formatDay(entry.onDay, today)}
              {entry.ageDays > 7 ? ", too old for new documents" : ""}
            </td>
            <td data-numeric data-sum>
              {entry.rate}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

type RatesEnteredProps = {
  rates: Props["rates"];
  today: Props["today"];
};

function RatesEntered({ rates, today }: RatesEnteredProps): ReactNode {
  return (
    <>
      <Subheading>As entered</Subheading>
      <Box
        maxHeight="280px"
        overflow="auto"
        tabIndex={0}
        role="group"
        aria-label="Rates as entered"
      >
        <DetailTable>
          <tbody>
            {rates.map((rate) => (
              <tr key={`${rate.currency} ${rate.onDay}`}>
                <td data-tone="soft">{formatDay(rate.onDay, today)}</td>
                <td>{rate.currency}</td>
                <td data-numeric data-sum>
                  {rate.rate}
                </td>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      </Box>
    </>
  );
}

function Open({
  open,
  off,
  currency,
}: {
  open: readonly ForeignSum[];
  off: Minor;
  currency: Currency;
}): ReactNode {
  return (
    <DetailTable aria-label="Open in other currencies">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th data-numeric scope="col">
            In its own
          </th>
          <th data-numeric scope="col">
            Carried at
          </th>
          <th data-numeric scope="col">
            At the day’s rate
          </th>
          <th data-numeric scope="col">
            Off by
          </th>
        </tr>
      </thead>
      <tbody>
        {open.map((foreign) => (
          <tr key={`${foreign.currency} ${foreign.what}`}>
            <td>
              {foreign.what} <span data-tone="soft">{foreign.count}</span>
            </td>
            <td data-numeric>
              <Amount of={foreign.amount} currency={foreign.currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.book} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.atRate} currency={currency} />
            </td>
            <td data-numeric>
              <Amount of={foreign.off} currency={currency} dash />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">together</td>
          <td />
          <td data-numeric>
            <Total>
              <Amount of={sumOf(open, ({ book }) => book)} currency={currency} />
            </Total>
          </td>
          <td data-numeric>
            <Total>
              <Amount of={sumOf(open, ({ atRate }) => atRate)} currency={currency} />
            </Total>
          </td>
          <td data-numeric>
            <Total>
              <Amount of={off} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

function Revalue({
  asOf,
  open,
  done,
}: {
  asOf: Day;
  open: readonly ForeignSum[];
  done: boolean;
}): ReactNode {
  const { act, busy } = useActing();
  if (open.length === 0) return null;
  if (done) return <p data-tone="good">✓ Revalued for this day already.</p>;
  return (
    <ActRow>
      <Act
        main
        disabled={busy || open.every(({ off }) => off === 0)}
        onClick={() =>
          void act<{ actId: number }>("revalue", { asOf }, (value) => ({
            words: "Brought to the day’s rates, and taken back on the next day.",
            undo: value.actId,
          }))
        }
      >
        Post the revaluation
      </Act>
      <span data-tone="soft">
        Exchange takes the difference on this day and gives it back on the next.
      </span>
    </ActRow>
  );
}

/** Rates as people copy them: one line each, currency, day, rate. */
function EnterRates({ currency }: { currency: Currency }): ReactNode {
  const { act, busy, complain } = useActing();
  const [text, setText] = useState("");
  const keep = (): void => {
    const read = text
      .split(/\r?\n/)
      .map((line) => line.trim())
      .filter((line) => line !== "" && !/^currency\b/i.test(line))
      .map(rateOf);
    const bad = read.find((entry) => typeof entry === "string");
    if (bad !== undefined)
      return complain(
        `“${String(bad)}” is not read as a rate. Write one line for each: currency, day, rate (EUR, 2026-11-02, 1.0834).`,
      );
    if (read.length > 0)
      void act<{ count: number }>("setRates", { rates: read }, (value) => ({
        words: `${value.count} ${value.count === 1 ? "rate" : "rates"} kept.`,
      })).then((value) => {
        if (value) setText("");
      });
  };
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <LineText
        kind="words"
        width="100%"
        minHeight="74px"
        aria-label="Rates: currency, day, rate"
        placeholder={`EUR, 2026-11-24, 1.0834   (one EUR in ${currency}; a line for each)`}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <ActRow>
        <Act type="submit" disabled={busy || text.trim() === ""}>
          Keep the rates
        </Act>
      </ActRow>
    </Form>
  );
}

function rateOf(line: string): Rate | string {
  const [code = "", day = "", rate = ""] = line.split(/[,;\t ]+/);
  const [currency, on] = [currencyOf(code), parseDay(day, "ymd")];
  return currency && on.ok && /^\d+(\.\d+)?$/.test(rate)
    ? { currency, onDay: on.value, rate }
    : line;
}
