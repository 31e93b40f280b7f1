import { BUCKETS } from "@/core/metrics";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { figuresOf } from "@/server/reports/queries/figures";

import { defineSheet } from "../defineSheet";
import { noQuery } from "../queries";

type Line = [figure: string, of: string, value: string];

const plain = (value: number | null): string => (value === null ? "" : value.toFixed(2));

/** The figures of collecting, a line each. */
export const figuresList = defineSheet({
  name: "figures",
  query: noQuery,
  rows: ({ db, today, proposals, currency, sum }): Line[] => {
    const figures = figuresOf(db, today, overdueRows(db, today, proposals), currency);
    return [
      ...figures.months.flatMap((month): Line[] => [
        ["sold", month.month, sum(month.sales)],
        ["owed at the end", month.month, sum(month.receivables)],
        ["not due at the end", month.month, sum(month.notDue)],
        ["dso", month.month, plain(month.dso)],
        ["best possible dso", month.month, plain(month.best)],
        ["cei", month.month, plain(month.cei)],
        ["days late", month.month, plain(month.daysLate)],
      ]),
      ...figures.weeks.flatMap((week): Line[] => [
        ["cash expected", week.from, sum(week.expected)],
        ["cash at least", week.from, sum(week.least)],
        ["cash at most", week.from, sum(week.most)],
      ]),
      ...BUCKETS.map((bucket): Line => [
        "allowance",
        bucket,
        sum(figures.allowance.byBucket[bucket]),
      ]),
    ];
  },
  columns: {
    figure: ([figure]) => figure,
    of: ([, of]) => of,
    value: ([, , value]) => value,
  },
});
