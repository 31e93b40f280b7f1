import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { type Currency, parseAmount } from "@/core/money";

import { Amount } from "../kit/Amount";
import { LineField, Tick } from "../kit/fields";
import { DetailTable } from "../kit/tables";
import { type Like, type Line, LINE_WORDS } from "./lineTypes";

/** A rule as it is typed. */
export type RuleTyped = { contains: string; from: string; to: string; everywhere: boolean };

/** The words of a line before its first number; any sum, in its account. */
export const usualRule = ({ description }: Line): RuleTyped => ({
  contains: (description.split(/\d/)[0] ?? "").trim().slice(0, 40),
  from: "",
  to: "",
  everywhere: false,
});

/** What a rule asks for; null where a sum cannot be read. */
export function ruleAsked(
  { contains, from, to, everywhere }: RuleTyped,
  currency: Currency,
): object | null {
  const [least, most] = [sumTyped(from, currency), sumTyped(to, currency)];
  return least === undefined || most === undefined ? null : { contains, least, most, everywhere };
}

function sumTyped(text: string, currency: Currency): number | null | undefined {
  if (text.trim() === "") return null;
  const read = parseAmount(text, ".", currency);
  return read.ok ? Math.abs(read.value) : undefined;
}

type FieldsProps = {
  typed: RuleTyped;
  currency: Currency;
  mayBeEverywhere: boolean;
  onType: (typed: RuleTyped) => void;
};

/** The words that a rule looks for, between which sums, and whether in every account. */
export function RuleFields({ typed, currency, mayBeEverywhere, onType }: FieldsProps): ReactNode {
  return (
    <>
      <LineField
        kind="words"
        width="260px"
        aria-label="Words of the rule"
        value={typed.contains}
        onChange={(event) => onType({ ...typed, contains: event.target.value })}
      />{" "}
      from{" "}
      <SumField
        label={`Smallest sum of the rule, ${currency}`}
        value={typed.from}
        onType={(from) => onType({ ...typed, from })}
      />{" "}
      to{" "}
      <SumField
        label={`Largest sum of the rule, ${currency}`}
        value={typed.to}
        onType={(to) => onType({ ...typed, to })}
      />
      {mayBeEverywhere ? (
        <label>
          {" "}
          <Tick
            checked={typed.everywhere}
            onChange={(event) => onType({ ...typed, everywhere: event.target.checked })}
          />{" "}
          in every account
        </label>
      ) : null}
    </>
  );
}

type SumProps = { label: string; value: string; onType: (text: string) => void };

/** A bound of a rule; empty: any sum. */
function SumField({ label, value, onType }: SumProps): ReactNode {
  return (
    <LineField
      width="96px"
      inputMode="decimal"
      placeholder="any"
      aria-label={label}
      value={value}
      onChange={(event) => onType(event.target.value)}
    />
  );
}

/** What a rule would have taken of all that came until now, the newest, and what that became. */
export function RuleLook({ like, currency }: { like: Like; currency: Currency }): ReactNode {
  const others = like.counts.filter(({ state }) => state !== "open");
  return (
    <DetailTable aria-label="What it would have taken until now" maxWidth="760px">
      <tbody>
        {like.lines.map((line) => (
          <tr key={line.id}>
            <td>{formatDay(line.postedOn)}</td>
            <td>{line.description}</td>
            <td data-tone={line.state === "open" ? "waits" : "soft"}>{LINE_WORDS[line.state]}</td>
            <td data-numeric>
              <Amount of={line.amount} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
      {others.length === 0 ? null : (
        <tfoot>
          <tr>
            <td colSpan={4}>
              Until now it fits{" "}
              {others
                .map(({ state, count }) => `${count} that ${is(count)} ${LINE_WORDS[state]}`)
                .join(", ")}
              : these stay as they are.
            </td>
          </tr>
        </tfoot>
      )}
    </DetailTable>
  );
}

const is = (count: number): string => (count === 1 ? "is" : "are");
