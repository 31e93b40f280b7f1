"use client";

import { type ColumnDef, tableFeatures, useTable } from "@tanstack/react-table";
import NextLink from "next/link";
import { usePathname, useSearchParams } from "next/navigation";
import { type ReactNode, useEffect, useRef } from "react";
import { useHotkeys } from "react-hotkeys-hook";

export type ListColumn<Row> = {
  id: string;
  header: string;
  width?: string;
  number?: boolean;
  /** The name by which the address sorts; none where it cannot. */
  sort?: string;
  cell: (row: Row) => ReactNode;
  foot?: ReactNode;
};

type Props<Row> = {
  label: string;
  columns: readonly ListColumn<Row>[];
  rows: readonly Row[];
  idOf: (row: Row) => number | string;
  /** Which row is open, and how to open another; without it rows do not open. */
  openId?: number | string | null;
  onOpen?: (id: number | string | null) => void;
  workings?: (row: Row) => ReactNode;
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

/** The ledger page: one full-width list, one line a row, its head and totals always in view; a row opens into its workings. */
export function LedgerList<Row extends object>(props: Props<Row>): ReactNode {
  "use no memo";
  const { rows, columns, openId = null, onOpen, workings, idOf } = props;
  const defs: ColumnDef<typeof features, Row>[] = columns.map((column) => ({
    id: column.id,
    header: column.header,
    cell: ({ row }) => column.cell(row.original),
  }));
  const table = useTable<typeof features, Row>({
    features,
    columns: defs,
    data: rows as Row[],
    getRowId: (row) => String(idOf(row)),
  });
  const place = useRef<HTMLDivElement>(null);
  useMoves(props, place);
  if (rows.length === 0) return <div className="empty">{props.empty}</div>;
  const lines = table.getRowModel().rows;
  return (
    <div className="ledger" ref={place} tabIndex={0} role="region" aria-label={props.label}>
      <table>
        <colgroup>
          {columns.map((column) => (
            <col key={column.id} style={{ width: column.width }} />
          ))}
        </colgroup>
        <thead>
          <tr>
            {columns.map((column) => (
              <Head key={column.id} column={column} sorted={props.sorted ?? ""} />
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line, at) => {
            const id = idOf(line.original);
            const open = id === openId;
            const part = props.partBefore?.(line.original, lines[at - 1]?.original) ?? null;
            return [
              part === null ? null : (
                <tr key={`part ${part}`} className="part">
                  <td colSpan={columns.length}>{part}</td>
                </tr>
              ),
              <tr
                key={line.id}
                className={open ? "row opened" : "row"}
                data-row={line.id}
                onClick={(event) => {
                  if (!(event.target as HTMLElement).closest("a,button,input"))
                    onOpen?.(open ? null : id);
                }}
              >
                {line.getAllCells().map((cell, column) => (
                  <td key={cell.id} className={columns[column]?.number ? "num" : undefined}>
                    {opener(
                      props,
                      line.original,
                      column,
                      open,
                      columns[column]?.cell(line.original),
                    )}
                  </td>
                ))}
              </tr>,
              open && workings ? (
                <tr key={`${line.id} workings`} className="workings">
                  <td colSpan={columns.length}>{workings(line.original)}</td>
                </tr>
              ) : null,
            ];
          })}
        </tbody>
        {columns.some((column) => column.foot !== undefined) ? (
          <tfoot>
            <tr>
              {columns.map((column) => (
                <td key={column.id} className={column.number ? "num" : undefined}>
                  {column.foot}
                </td>
              ))}
            </tr>
          </tfoot>
        ) : null}
      </table>
      <Pages
        count={props.count ?? rows.length}
        page={props.page ?? 1}
        pageRows={props.pageRows ?? rows.length}
      />
    </div>
  );
}

/** The first cell carries the button (or link) that opens the row, so that it is reached without a mouse too. */
function opener<Row>(
  props: Props<Row>,
  row: Row,
  column: number,
  open: boolean,
  content: ReactNode,
): ReactNode {
  if (column > 0) return content;
  if (props.href)
    return (
      <NextLink href={props.href(row)} prefetch={false}>
        {content}
      </NextLink>
    );
  if (!props.onOpen) return content;
  return (
    <button
      type="button"
      className="row-open"
      aria-expanded={open}
      onClick={() => props.onOpen?.(open ? null : props.idOf(row))}
    >
      {content}
    </button>
  );
}

/** Up and down move the opening along; Escape closes it. */
function useMoves<Row>(
  { rows, openId = null, onOpen, idOf }: Props<Row>,
  place: React.RefObject<HTMLDivElement | null>,
): void {
  const move = (by: number): void => {
    const at = rows.findIndex((row) => idOf(row) === openId);
    const next =
      rows[
        at < 0 ? (by > 0 ? 0 : rows.length - 1) : Math.min(rows.length - 1, Math.max(0, at + by))
      ];
    if (next) onOpen?.(idOf(next));
  };
  useHotkeys("down", () => move(1), { enabled: onOpen !== undefined, preventDefault: true });
  useHotkeys("up", () => move(-1), { enabled: onOpen !== undefined, preventDefault: true });
  useHotkeys("escape", () => onOpen?.(null), { enabled: onOpen !== undefined });
  useEffect(() => {
    if (openId === null) return;
    place.current
      ?.querySelector(`[data-row="${CSS.escape(String(openId))}"]`)
      ?.scrollIntoView({ block: "nearest" });
  }, [openId, place]);
}

/** The head of a column; it sorts by the address, where the list can. */
export function Head<Row>({
  column,
  sorted,
}: {
  column: ListColumn<Row>;
  sorted: string;
}): ReactNode {
  const path = usePathname();
  const search = useSearchParams();
  const align = column.number ? "num" : undefined;
  if (!column.sort)
    return (
      <th scope="col" className={align}>
        {column.header}
      </th>
    );
  const down = sorted === `-${column.sort}`;
  const up = sorted === column.sort;
  const query = new URLSearchParams(search);
  query.set("sort", up ? `-${column.sort}` : column.sort);
  query.delete("page");
  return (
    <th
      scope="col"
      className={align}
      aria-sort={up ? "ascending" : down ? "descending" : undefined}
    >
      <NextLink href={`${path}?${query}`} prefetch={false} style={{ textDecoration: "none" }}>
        {column.header}
        {up ? " ▴" : down ? " ▾" : ""}
      </NextLink>
    </th>
  );
}

function Pages({
  count,
  page,
  pageRows,
}: {
  count: number;
  page: number;
  pageRows: number;
}): ReactNode {
  const path = usePathname();
  const search = useSearchParams();
  if (count <= pageRows) return null;
  const to = (number: number): string => {
    const query = new URLSearchParams(search);
    query.set("page", String(number));
    return `${path}?${query}`;
  };
  const last = Math.ceil(count / pageRows);
  return (
    <p className="soft" style={{ padding: "8px", display: "flex", gap: 16 }}>
      <span>
        {(page - 1) * pageRows + 1} to {Math.min(count, page * pageRows)} of {count}
      </span>
      {page > 1 ? <NextLink href={to(page - 1)}>those before</NextLink> : null}
      {page < last ? <NextLink href={to(page + 1)}>those after</NextLink> : null}
    </p>
  );
}
