"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useEffect, useRef } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { Head, type ListColumn } from "./LedgerList";
import { useBlocks } from "./useBlocks";

type Props<Row> = {
  label: string;
  columns: readonly ListColumn<Row>[];
  first: readonly Row[];
  count: number;
  idOf: (row: Row) => number;
  load: (from: number) => Promise<Row[] | null>;
  openId: number | null;
  onOpen: (id: number | null) => void;
  workings: (row: Row, next: () => void) => ReactNode;
  empty: ReactNode;
  sorted?: string;
};

const ROW_HEIGHT = 32;

/** The ledger page for lists of thousands: only what is looked at stands in the page, the rest is read as it is scrolled or moved to. */
export function LongList<Row extends object>({
  label,
  columns,
  first,
  count,
  idOf,
  load,
  openId,
  onOpen,
  workings,
  empty,
  sorted = "",
}: Props<Row>): ReactNode {
  "use no memo";
  const place = useRef<HTMLDivElement>(null);
  const { rowAt, want } = useBlocks(first, Math.max(1, first.length), load);
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => place.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 10,
    scrollPaddingStart: 34,
    scrollPaddingEnd: 34,
  });
  const shown = virtual.getVirtualItems();
  // Where the open row stood last: what takes its place is opened next.
  const at = useRef(-1);
  const found =
    openId === null
      ? -1
      : findRow(
          count,
          (index) => {
            const row = rowAt(index);
            return row !== undefined && idOf(row) === openId;
          },
          at.current,
        );
  if (found >= 0) at.current = found;
  useEffect(() => {
    for (const { index } of shown) want(index);
  }, [shown, want]);
  useEffect(() => {
    if (found >= 0) virtual.scrollToIndex(found, { align: "auto" });
  }, [found, virtual]);
  useInView(place, openId);
  const openAt = (index: number): void => {
    const row = rowAt(Math.min(count - 1, Math.max(0, index)));
    if (row) onOpen(idOf(row));
    else want(index);
  };
  useHotkeys("down", () => openAt(found < 0 ? 0 : found + 1), { preventDefault: true });
  useHotkeys("up", () => openAt(found < 0 ? count - 1 : found - 1), { preventDefault: true });
  useHotkeys("escape", () => onOpen(null));
  if (count === 0) return <div className="empty">{empty}</div>;
  const [above, below] = [shown[0]?.start ?? 0, virtual.getTotalSize() - (shown.at(-1)?.end ?? 0)];
  const spacer = (height: number): ReactNode =>
    height > 0 ? (
      <tbody aria-hidden="true">
        <tr>
          <td colSpan={columns.length} style={{ height, padding: 0, border: 0 }} />
        </tr>
      </tbody>
    ) : null;
  return (
    <div className="ledger" ref={place} tabIndex={0} role="region" aria-label={label}>
      <table aria-rowcount={count}>
        <colgroup>
          {columns.map((column) => (
            <col key={column.id} style={{ width: column.width }} />
          ))}
        </colgroup>
        <thead>
          <tr>
            {columns.map((column) => (
              <Head key={column.id} column={column} sorted={sorted} />
            ))}
          </tr>
        </thead>
        {spacer(above)}
        {shown.map(({ index, key }) => {
          const row = rowAt(index);
          if (!row)
            return (
              <tbody key={key} data-index={index} ref={virtual.measureElement}>
                <tr>
                  <td colSpan={columns.length} className="soft">
                    …
                  </td>
                </tr>
              </tbody>
            );
          const id = idOf(row);
          const open = id === openId;
          return (
            <tbody key={id} data-index={index} ref={virtual.measureElement}>
              <tr
                className={open ? "row opened" : "row"}
                data-row={id}
                aria-rowindex={index + 1}
                onClick={(event) => {
                  if (!(event.target as HTMLElement).closest("a,button,input"))
                    onOpen(open ? null : id);
                }}
              >
                {columns.map((column, place) => (
                  <td key={column.id} className={column.number ? "num" : undefined}>
                    {place === 0 ? (
                      <button
                        type="button"
                        className="row-open"
                        aria-expanded={open}
                        onClick={() => onOpen(open ? null : id)}
                      >
                        {column.cell(row)}
                      </button>
                    ) : (
                      column.cell(row)
                    )}
                  </td>
                ))}
              </tr>
              {open ? (
                <tr className="workings">
                  <td colSpan={columns.length}>
                    {workings(row, () => openAt(index + 1 < count ? index + 1 : index - 1))}
                  </td>
                </tr>
              ) : null}
            </tbody>
          );
        })}
        {spacer(below)}
        <tfoot>
          <tr>
            {columns.map((column) => (
              <td key={column.id} className={column.number ? "num" : undefined}>
                {column.foot}
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
    </div>
  );
}

/** Keeps the workings of the open row in view while they grow to their size. */
function useInView(place: React.RefObject<HTMLDivElement | null>, openId: number | null): void {
  useEffect(() => {
    const opened =
      openId === null
        ? null
        : place.current?.querySelector(`[data-row="${openId}"]`)?.closest("tbody");
    if (!opened) return;
    let height = 0;
    const grown = new ResizeObserver(() => {
      if (opened.offsetHeight <= height) return;
      height = opened.offsetHeight;
      opened.scrollIntoView({ block: "nearest" });
    });
    grown.observe(opened);
    return () => grown.disconnect();
  }, [openId, place]);
}

/** Where a row stands: looked for near where it was last, then from the top of what was read. */
function findRow(count: number, is: (index: number) => boolean, near: number): number {
  for (const index of [near, near - 1, near + 1])
    if (index >= 0 && index < count && is(index)) return index;
  for (let index = 0; index < count; index += 1) if (is(index)) return index;
  return -1;
}
