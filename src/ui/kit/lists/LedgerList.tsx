"use client";

import { type ColumnDef, tableFeatures, useTable } from "@tanstack/react-table";
import NextLink from "next/link";
import { type ReactNode, type RefObject, useEffect, useRef } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { inDialog } from "../keys";
import { EmptyState } from "../layout";
import { LedgerFrame } from "../tables";
import { ListFoot, ListHead } from "./ListHead";
import { ListPages } from "./ListPages";
import { RowCells } from "./RowCells";
import { type ListColumn, marked, meantForRow } from "./columns";
import { OpenedRow, type Opening, useOpening } from "./opening";

export type { ListColumn } from "./columns";

type RowId = number | string;

type Props<Row> = {
  label: string;
  columns: readonly ListColumn<Row>[];
  rows: readonly Row[];
  idOf: (row: Row) => RowId;
  /** Which row is open, and how to open another; without it rows do not open. */
  openId?: RowId | null;
  onOpen?: (id: RowId | null) => void;
  workings?: (row: Row) => ReactNode;
  /** Which rows want a look: the first of them is open when the page comes. */
  wantsLook?: (row: Row) => boolean;
  /** Where a row leads that does not open in place. */
  href?: (row: Row) => string;
  empty: ReactNode;
  partBefore?: (row: Row, before: Row | undefined) => string | null;
  sorted?: string;
  count?: number;
  page?: number;
  pageRows?: number;
};

const features = tableFeatures({});

/**
 * The ledger page: one full-width list, one line a row, its head and totals always in view; a row
 * opens into its workings.
 */
export function LedgerList<Row extends object>(props: Props<Row>): ReactNode {
  "use no memo";
  const { rows, columns, idOf } = props;
  const table = useTable<typeof features, Row>({
    features,
    columns: columns.map(({ id, header, cell }): ColumnDef<typeof features, Row> => ({
      id,
      header,
      cell: ({ row }) => cell(row.original),
    })),
    data: rows as Row[],
    getRowId: (row) => String(idOf(row)),
  });
  const place = useRef<HTMLDivElement>(null);
  const opening = useMoves(props, place);
  if (rows.length === 0) return <EmptyState>{props.empty}</EmptyState>;
  return (
    <LedgerFrame ref={place} tabIndex={0} role="region" aria-label={props.label}>
      <table>
        <ListHead columns={columns} sorted={props.sorted ?? ""} />
        <tbody>
          {table
            .getRowModel()
            .rows.map(({ original }, at) => rowLines(props, opening, original, rows[at - 1]))}
        </tbody>
        {columns.some((column) => column.foot !== undefined) ? (
          <ListFoot columns={columns} />
        ) : null}
      </table>
      <ListPages
        count={props.count ?? rows.length}
        page={props.page ?? 1}
        pageRows={props.pageRows ?? rows.length}
      />
    </LedgerFrame>
  );
}

/**
 * The lines of one row: the head of its part where one begins, the row itself, and its workings
 * where it is open.
 */
function rowLines<Row>(
  props: Props<Row>,
  opening: Opening<RowId>,
  row: Row,
  before: Row | undefined,
): ReactNode[] {
  const { columns, workings } = props;
  const id = props.idOf(row);
  const open = id === opening.shownId;
  const part = props.partBefore?.(row, before) ?? null;
  return [
    part === null ? null : (
      <tr key={`part ${part}`} data-part>
        <td colSpan={columns.length}>{part}</td>
      </tr>
    ),
    <tr
      key={id}
      data-row={id}
      data-open={marked(open)}
      data-looked={marked(open && !opening.taken)}
      onClick={(event) => {
        if (props.onOpen && meantForRow(event)) opening.turn(id);
      }}
    >
      <RowCells
        columns={columns}
        row={row}
        open={open}
        first={(content) => opener(props, opening, row, content)}
      />
    </tr>,
    open && workings ? (
      <OpenedRow key={`${id} workings`} columns={columns.length} opening={opening}>
        {workings(row)}
      </OpenedRow>
    ) : null,
  ];
}

/**
 * The first cell carries the button (or link) that opens the row, so that it is reached without a
 * mouse too.
 */
function opener<Row>(
  props: Props<Row>,
  opening: Opening<RowId>,
  row: Row,
  content: ReactNode,
): ReactNode {
  if (props.href)
    return (
      <NextLink href={props.href(row)} prefetch={false}>
        {content}
      </NextLink>
    );
  if (!props.onOpen) return content;
  const id = props.idOf(row);
  return (
    <button
      type="button"
      data-opener
      aria-expanded={id === opening.shownId}
      onClick={() => opening.turn(id)}
    >
      {content}
    </button>
  );
}

/** Up and down move the opening along; Escape closes it. */
function useMoves<Row>(props: Props<Row>, place: RefObject<HTMLDivElement | null>): Opening<RowId> {
  const { rows, openId = null, onOpen, idOf, wantsLook } = props;
  const enabled = onOpen !== undefined;
  const idAt = (at: number): RowId | null => {
    const row = rows[Math.min(rows.length - 1, Math.max(0, at))];
    return row === undefined ? null : idOf(row);
  };
  const wanted = wantsLook ? rows.findIndex(wantsLook) : -1;
  const opening = useOpening<RowId>({
    openId: rows.some((row) => idOf(row) === openId) ? openId : null,
    onOpen,
    wanted: wanted < 0 ? null : idAt(wanted),
    first: idAt(Math.max(0, wanted)),
    place,
  });
  const { shownId } = opening;
  const current = (): number => rows.findIndex((row) => idOf(row) === shownId);
  const openAt = (at: number): void => {
    const id = idAt(at);
    if (opening.looked) opening.takeUp();
    else if (id !== null) opening.open(id);
  };
  const keys = { enabled, preventDefault: true, ignoreEventWhen: inDialog };
  useHotkeys("down", () => openAt(current() + 1), keys);
  useHotkeys("up", () => openAt(current() < 0 ? rows.length - 1 : current() - 1), keys);
  useEffect(() => {
    if (shownId === null) return;
    place.current
      ?.querySelector(`[data-row="${CSS.escape(String(shownId))}"]`)
      ?.scrollIntoView({ block: "nearest" });
  }, [shownId, place]);
  return opening;
}
