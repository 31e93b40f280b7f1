"use client";

import { type RunLetter } from "@/contracts/overdue";
import { formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { type ListColumn } from "../kit/lists/columns";
import { type Words } from "./LetterLook";
import { type Props } from "./LettersBeside";

type LetterColumnsProps = {
  changed: ReadonlyMap<number, Words>;
  count: Props["count"];
  currency: Props["currency"];
  going: { customerId: number; sum: Minor }[];
  out: ReadonlyMap<number, string>;
};

export function letterColumns({
  changed,
  count,
  currency,
  going,
  out,
}: LetterColumnsProps): ListColumn<RunLetter>[] {
  return [
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "24%",
      cell: (row) => (
        <span data-tone={out.has(row.customerId) ? "soft" : undefined} title={row.name}>
          {out.has(row.customerId) ? <s>{row.name}</s> : row.name}
        </span>
      ),
      foot: `${count} prepared, ${count - going.length} not going`,
    },
    { id: "step", narrow: "state", header: "Says", width: "14%", cell: (row) => row.step },
    { id: "ladder", term: "ladder", header: "Ladder", width: "11%", cell: (row) => row.ladder },
    {
      id: "subject",
      header: "Subject",
      width: "31%",
      cell: (row) => {
        const subject = changed.get(row.customerId)?.subject ?? row.subject;
        return <span title={subject}>{subject}</span>;
      },
    },
    {
      id: "with",
      narrow: "more",
      header: "With it",
      width: "10%",
      cell: (row) => ({ none: "–", statement: "statement", invoices: "all papers" })[row.attach],
    },
    {
      id: "sum",
      narrow: "sum",
      header: "Sum",
      width: "10%",
      number: true,
      cell: (row) =>
        row.problem !== null ? (
          <span data-tone="off" title={row.problem}>
            {row.problem.startsWith("no") ? "no address" : "came back"}
          </span>
        ) : (
          <Amount of={row.sum} currency={currency} />
        ),
      foot: (
        <Total>
          {formatAmount(
            sumOf(going, ({ sum }) => sum),
            currency,
          )}
        </Total>
      ),
    },
  ];
}
