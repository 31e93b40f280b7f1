import { z } from "zod";

import { creditAgeWords } from "@/core/metrics";
import { yearPageOf } from "@/server/reports/queries/yearEnd";

import { defineSheet } from "../defineSheet";

type Line = [figure: string, of: string, month: string, sum: string];

/** What the year needs, a line each. */
export const yearEndList = defineSheet({
  name: "year",
  query: z.object({
    year: z
      .string()
      .regex(/^\d{4}$/)
      .nullable()
      .catch(null),
  }),
  rows: ({ db, today, query, sum }): Line[] => {
    const year = yearPageOf(db, query.year ?? today.slice(0, 4), today);
    const month = (at: number): string => `${year.year}-${String(at + 1).padStart(2, "0")}`;
    return [
      ...year.gross.flatMap(({ account, months }) =>
        months.map((minor, at): Line => ["gross", account, month(at), sum(minor)]),
      ),
      ...year.cash.months.flatMap((cash): Line[] => [
        ["cash basis, received", "", cash.month, sum(cash.received)],
        ["cash basis, tax", "", cash.month, sum(cash.tax)],
        ["cash basis, income", "", cash.month, sum(cash.income)],
      ]),
      ...year.tax.flatMap((tax): Line[] => [
        ["tax charged", `${tax.code} ${tax.name}`, "", sum(tax.charged)],
        ["tax taken off", `${tax.code} ${tax.name}`, "", sum(tax.less)],
        ["tax payable", `${tax.code} ${tax.name}`, "", sum(tax.balance)],
      ]),
      ...year.credits.ages.map((age): Line => [
        "credit on account",
        creditAgeWords(age.age),
        "",
        sum(age.sum),
      ]),
    ];
  },
  columns: {
    figure: ([figure]) => figure,
    of: ([, of]) => of,
    month: ([, , month]) => month,
    sum: ([, , , sum]) => sum,
  },
});
