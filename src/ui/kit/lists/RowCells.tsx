import { Fragment, type ReactNode } from "react";

import { type ListColumn, marked, narrowPlaces } from "./columns";

type Props<Row> = {
  columns: readonly ListColumn<Row>[];
  row: Row;
  open: boolean;
  /** Makes the first cell that is no box the button or the link that opens the row. */
  first: (content: ReactNode) => ReactNode;
};

/** The cells of a row; an open one names those that a narrow screen shows below each other. */
export function RowCells<Row>({ columns, row, open, first }: Props<Row>): ReactNode {
  const places = narrowPlaces(columns);
  const opens = columns.findIndex(({ box }) => box !== true);
  return (
    <Fragment>
      {columns.map((column, at) => (
        <td
          key={column.id}
          data-numeric={marked(column.number)}
          data-narrow={places[at]}
          data-label={open && places[at] === undefined ? column.header : undefined}
        >
          {at === opens ? first(column.cell(row)) : column.cell(row)}
        </td>
      ))}
    </Fragment>
  );
}
