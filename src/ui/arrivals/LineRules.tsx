"use client";

import type { ReactNode } from "react";

import { type Currency, formatAmount, type Minor } from "@/core/money";

import { RowButton } from "../kit/buttons";
import { Details } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

export type Rule = {
  id: number;
  contains: string;
  sign: "in" | "out" | "both";
  bankAccountId: number | null;
  least: Minor | null;
  most: Minor | null;
  treatAs: "elsewhere" | "receipt" | "payout";
};
export function Rules({
  rules,
  currency,
}: {
  rules: readonly Rule[];
  currency: Currency;
}): ReactNode {
  const { act } = useActing();
  return (
    <Details padding="6px 0 10px">
      <summary data-tone="soft">{rules.length} rules</summary>
      <DetailTable maxWidth="700px">
        <tbody>
          {rules.map((rule) => (
            <tr key={rule.id}>
              <td>
                “{rule.contains}” {directionOf(rule)} {boundsOf(rule, currency)}
                {rule.bankAccountId === null ? "in every account" : null}
              </td>
              <td>{treatmentOf(rule)}</td>
              <td data-numeric>
                <RowButton
                  data-tone="soft"
                  onClick={() =>
                    void act("removeRule", { ruleId: rule.id }, () => ({
                      words: "The rule is ended; what it put aside stays so.",
                    }))
                  }
                >
                  end it
                </RowButton>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Details>
  );
}

function directionOf(rule: Rule): ReactNode {
  if (rule.sign === "in") return "coming in";
  if (rule.sign === "out") return "going out";
  return "";
}

function boundsOf({ least, most }: Rule, currency: Currency): ReactNode {
  const [from, to] = [least, most].map((sum) => (sum === null ? "" : formatAmount(sum, currency)));
  return [from ? `from ${from}` : "", to ? `to ${to}` : ""].join(" ");
}

function treatmentOf(rule: Rule): ReactNode {
  if (rule.treatAs === "elsewhere") return "put aside";
  if (rule.treatAs === "receipt") return "a receipt";
  return "a payout";
}
