"use client";

import { type ReactNode, useState } from "react";

import { type Day, formatDay, parseDay } from "@/core/calendar";
import { type Currency, currencyOf, type Minor, sumOf } from "@/core/money";

import type { Around } from "../history/types";
import { Act } from "../kit/Act";
import { Sum } from "../kit/Amount";
import { AsOf } from "../kit/lists/AsOf";
import { useActing } from "../shell/Notices";
import { BooksHeading } from "./BooksHeading";

type Foreign = {
  currency: Currency;
  what: string;
  count: number;
  amount: Minor;
  book: Minor;
  atRate: Minor;
  off: Minor;
};
type Rate = { currency: Currency; onDay: Day; rate: string };
type Props = Around & {
  asOf: Day;
  open: Foreign[];
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

/** Other currencies: what is open in them and what the day's rate makes of it, the rates, and the month's revaluation. */
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
            <Sum of={off} currency={currency} />{" "}
            <small>
              {open.length === 0
                ? "open in other currencies"
                : "between what is carried and the day’s rates"}
            </small>
          </>
        }
        end={<AsOf day={asOf} />}
      />
      <div className="columns">
        <section>
          <h2>Open at the end of {formatDay(asOf, today)}</h2>
          {open.length === 0 ? (
            <p className="soft">
              Nothing is open in another currency than {currency}. Invoices in others are taken in
              once their rate is entered here.
            </p>
          ) : (
            <Open open={open} off={off} currency={currency} />
          )}
          <Revalue asOf={asOf} open={open} done={revaluations.some((one) => one.asOf === asOf)} />
          {revaluations.length > 0 ? (
            <>
              <h2>Revalued</h2>
              <table className="small" aria-label="Revalued">
                <tbody>
                  {revaluations.map((one) => (
                    <tr key={one.id}>
                      <td>{formatDay(one.asOf, today)}</td>
                      <td className="soft">
                        {one.currency} at {one.rate}, taken back the day after
                      </td>
                      <td className="num">
                        <Sum of={-one.sum} currency={currency} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          ) : null}
          {exchange.length > 0 ? (
            <>
              <h2>
                Exchange gains <span className="soft">less losses, by month</span>
              </h2>
              <table className="small" aria-label="Exchange gains">
                <tbody>
                  {exchange.map((one) => (
                    <tr key={one.month}>
                      <td>{one.month}</td>
                      <td className="num">
                        <Sum of={one.sum} currency={currency} />
                      </td>
                    </tr>
                  ))}
                  <tr>
                    <td className="soft">together</td>
                    <td className="num">
                      <span className="total">
                        <Sum of={sumOf(exchange, ({ sum }) => sum)} currency={currency} />
                      </span>
                    </td>
                  </tr>
                </tbody>
              </table>
            </>
          ) : null}
        </section>
        <section>
          <h2>
            Rates <span className="soft">{currency} for one</span>
          </h2>
          {latest.length > 0 ? (
            <table className="small" aria-label="Rates now">
              <tbody>
                {latest.map((one) => (
                  <tr key={one.currency}>
                    <td>
                      <b className="strong">{one.currency}</b>
                    </td>
                    <td className={one.ageDays > 7 ? "waits" : "soft"}>
                      {formatDay(one.onDay, today)}
                      {one.ageDays > 7 ? ", too old for new documents" : ""}
                    </td>
                    <td className="num sum">{one.rate}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          ) : null}
          <EnterRates currency={currency} />
          {rates.length > 0 ? (
            <>
              <h2>As entered</h2>
              <div
                style={{ maxHeight: 280, overflow: "auto" }}
                tabIndex={0}
                role="group"
                aria-label="Rates as entered"
              >
                <table className="small">
                  <tbody>
                    {rates.map((one) => (
                      <tr key={`${one.currency} ${one.onDay}`}>
                        <td className="soft">{formatDay(one.onDay, today)}</td>
                        <td>{one.currency}</td>
                        <td className="num sum">{one.rate}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            </>
          ) : null}
        </section>
      </div>
    </>
  );
}

function Open({
  open,
  off,
  currency,
}: {
  open: readonly Foreign[];
  off: Minor;
  currency: Currency;
}): ReactNode {
  return (
    <table className="small" aria-label="Open in other currencies">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col" className="num">
            In its own
          </th>
          <th scope="col" className="num">
            Carried at
          </th>
          <th scope="col" className="num">
            At the day’s rate
          </th>
          <th scope="col" className="num">
            Off by
          </th>
        </tr>
      </thead>
      <tbody>
        {open.map((one) => (
          <tr key={`${one.currency} ${one.what}`}>
            <td>
              {one.what} <span className="soft">{one.count}</span>
            </td>
            <td className="num">
              <Sum of={one.amount} currency={one.currency} />
            </td>
            <td className="num">
              <Sum of={one.book} currency={currency} />
            </td>
            <td className="num">
              <Sum of={one.atRate} currency={currency} />
            </td>
            <td className="num">
              <Sum of={one.off} currency={currency} dash />
            </td>
          </tr>
        ))}
        <tr>
          <td className="soft">together</td>
          <td />
          <td className="num">
            <span className="total">
              <Sum of={sumOf(open, ({ book }) => book)} currency={currency} />
            </span>
          </td>
          <td className="num">
            <span className="total">
              <Sum of={sumOf(open, ({ atRate }) => atRate)} currency={currency} />
            </span>
          </td>
          <td className="num">
            <span className="total">
              <Sum of={off} currency={currency} />
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  );
}

function Revalue({
  asOf,
  open,
  done,
}: {
  asOf: Day;
  open: readonly Foreign[];
  done: boolean;
}): ReactNode {
  const { act, busy } = useActing();
  if (open.length === 0) return null;
  if (done) return <p className="good">✓ Revalued for this day already.</p>;
  return (
    <div className="acts">
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
      <span className="soft">
        Exchange takes the difference on this day and gives it back on the next.
      </span>
    </div>
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
    const bad = read.find((one) => typeof one === "string");
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
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <textarea
        className="sumfield words"
        style={{ width: "100%", minHeight: 74 }}
        aria-label="Rates: currency, day, rate"
        placeholder={`EUR, 2026-11-24, 1.0834   (one EUR in ${currency}; a line for each)`}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="acts">
        <Act type="submit" disabled={busy || text.trim() === ""}>
          Keep the rates
        </Act>
      </div>
    </form>
  );
}

function rateOf(line: string): Rate | string {
  const [code = "", day = "", rate = ""] = line.split(/[,;\t ]+/);
  const [currency, on] = [currencyOf(code), parseDay(day, "ymd")];
  return currency && on.ok && /^\d+(\.\d+)?$/.test(rate)
    ? { currency, onDay: on.value, rate }
    : line;
}
