"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import type { ForeignSum } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay, parseDay } from "@/core/calendar";
import { type Currency, currencyOf, type Minor } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineText } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Form } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Rate = { currency: Currency; onDay: Day; rate: string };
export type Props = BookFacts & {
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
type RatesNowProps = {
  latest: Props["latest"];
  today: Props["today"];
};
export function RatesNow({ latest, today }: RatesNowProps): ReactNode {
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
export function RatesEntered({ rates, today }: RatesEnteredProps): ReactNode {
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
/** Rates as people copy them: one line each, currency, day, rate. */
export function EnterRates({ currency }: { currency: Currency }): ReactNode {
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
