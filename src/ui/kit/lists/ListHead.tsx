"use client";

import NextLink from "next/link";
import { usePathname, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import { Word } from "../Word";
import { type ListColumn, marked, narrowPlaces } from "./columns";

type HeadProps<Row> = { columns: readonly ListColumn<Row>[]; sorted: string };

/** The widths and heads of a list; where it can, a head sorts by the address. */
export function ListHead<Row>({ columns, sorted }: HeadProps<Row>): ReactNode {
  return (
    <>
      <colgroup>
        {columns.map((column) => (
          <col key={column.id} width={column.width} />
        ))}
      </colgroup>
      <thead>
        <tr>
          {columns.map((column) =>
            column.sort === undefined ? (
              <PlainHead key={column.id} column={column} />
            ) : (
              <SortingHead key={column.id} column={column} sorted={sorted} />
            ),
          )}
        </tr>
      </thead>
    </>
  );
}

function PlainHead<Row>({ column }: { column: ListColumn<Row> }): ReactNode {
  // What a box is for need not be read by who sees it.
  if (column.box)
    return (
      <th scope="col">
        <span data-hidden>{column.header}</span>
      </th>
    );
  return (
    <th scope="col" data-numeric={marked(column.number)}>
      {column.term ? <Word of={column.term}>{column.header}</Word> : column.header}
    </th>
  );
}

const ORDER = { up: "ascending", down: "descending" } as const;
const SIGN = { up: " ▴", down: " ▾" } as const;

function SortingHead<Row>({
  column,
  sorted,
}: {
  column: ListColumn<Row>;
  sorted: string;
}): ReactNode {
  const path = usePathname();
  const query = new URLSearchParams(useSearchParams());
  const name = column.sort ?? "";
  const way = { [name]: "up", [`-${name}`]: "down" }[sorted] as "up" | "down" | undefined;
  query.set("sort", way === "up" ? `-${name}` : name);
  query.delete("page");
  return (
    <th scope="col" data-numeric={marked(column.number)} aria-sort={way && ORDER[way]}>
      <NextLink href={`${path}?${query}`} prefetch={false}>
        {column.header}
        {way ? SIGN[way] : ""}
      </NextLink>
    </th>
  );
}

/** The totals of a list, always in view. */
export function ListFoot<Row>({ columns }: { columns: readonly ListColumn<Row>[] }): ReactNode {
  const places = narrowPlaces(columns);
  return (
    <tfoot>
      <tr>
        {columns.map((column, at) => (
          <td
            key={column.id}
            data-numeric={marked(column.number)}
            data-narrow={places[at]}
            data-empty={marked(column.foot === undefined)}
          >
            {column.foot}
          </td>
        ))}
      </tr>
    </tfoot>
  );
}

/** The height of rows that are not drawn, as one row. */
export function SpacerRow({ height, columns }: { height: number; columns: number }): ReactNode {
  if (height <= 0) return null;
  return (
    <tr aria-hidden="true" data-spacer>
      <td colSpan={columns} height={height} />
    </tr>
  );
}
