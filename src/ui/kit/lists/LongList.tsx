"use client";

import { useVirtualizer, type Virtualizer } from "@tanstack/react-virtual";
import { type ReactNode, type RefObject, useEffect, useRef } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { inDialog } from "../keys";
import { EmptyState } from "../layout";
import { LedgerFrame } from "../tables";
import { ListFoot, ListHead, SpacerRow } from "./ListHead";
import { RowCells } from "./RowCells";
import { type ListColumn, marked, meantForRow } from "./columns";
import { OpenedRow, type Opening, useOpening } from "./opening";
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
  /** Whether the first row is open when the page comes. */
  firstWantsLook: boolean;
  empty: ReactNode;
  sorted?: string;
};

type Rows<Row> = { rowAt: (index: number) => Row | undefined; want: (index: number) => void };

const ROW_HEIGHT = 32;
const HEAD_HEIGHT = 34;

/**
 * The ledger page for lists of thousands: only what is looked at stands in the page, the rest is
 * read as it is scrolled or moved to.
 */
export function LongList<Row extends object>(props: Props<Row>): ReactNode {
  "use no memo";
  const { columns, count, first } = props;
  const place = useRef<HTMLDivElement>(null);
  const rows = useBlocks(first, Math.max(1, first.length), props.load);
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => place.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 40,
    scrollPaddingStart: HEAD_HEIGHT,
    scrollPaddingEnd: HEAD_HEIGHT,
  });
  const shown = virtual.getVirtualItems();
  const { openAt, opening } = useMoves(props, rows, { virtual, place });
  useEffect(() => {
    for (const { index } of shown) rows.want(index);
  }, [shown, rows]);
  useInView(place, opening.shownId);
  if (count === 0) return <EmptyState>{props.empty}</EmptyState>;
  const [above, below] = [shown[0]?.start ?? 0, virtual.getTotalSize() - (shown.at(-1)?.end ?? 0)];
  return (
    <LedgerFrame ref={place} tabIndex={0} role="region" aria-label={props.label}>
      <table aria-rowcount={count}>
        <ListHead columns={columns} sorted={props.sorted ?? ""} />
        <Spacer height={above} columns={columns.length} />
        {shown.map(({ index, key }) => (
          <tbody
            key={keyOf(props, rows.rowAt(index), key)}
            data-index={index}
            ref={virtual.measureElement}
          >
            <RowLines
              props={props}
              opening={opening}
              row={rows.rowAt(index)}
              index={index}
              openAt={openAt}
            />
          </tbody>
        ))}
        <Spacer height={below} columns={columns.length} />
        <ListFoot columns={columns} />
      </table>
    </LedgerFrame>
  );
}

function keyOf<Row>(
  { idOf }: Props<Row>,
  row: Row | undefined,
  fallback: string | number | bigint,
): string | number | bigint {
  return row === undefined ? fallback : idOf(row);
}

function Spacer({ height, columns }: { height: number; columns: number }): ReactNode {
  if (height <= 0) return null;
  return (
    <tbody aria-hidden="true">
      <SpacerRow height={height} columns={columns} />
    </tbody>
  );
}

/** A row and, where it is open, its workings; a row that is still being read is a line of its own. */
function RowLines<Row>({
  props: { columns, idOf, workings, count },
  opening,
  row,
  index,
  openAt,
}: {
  props: Props<Row>;
  opening: Opening<number>;
  row: Row | undefined;
  index: number;
  openAt: (index: number) => void;
}): ReactNode {
  if (!row)
    return (
      <tr>
        <td colSpan={columns.length} data-tone="soft">
          …
        </td>
      </tr>
    );
  const id = idOf(row);
  const open = id === opening.shownId;
  const turn = (): void => opening.turn(id);
  const next = (): void => openAt(index + 1 < count ? index + 1 : index - 1);
  return (
    <>
      <tr
        data-row={id}
        data-open={marked(open)}
        data-looked={marked(open && !opening.taken)}
        aria-rowindex={index + 1}
        onClick={(event) => {
          if (meantForRow(event)) turn();
        }}
      >
        <RowCells
          columns={columns}
          row={row}
          open={open}
          first={(content) => (
            <button type="button" data-opener aria-expanded={open} onClick={turn}>
              {content}
            </button>
          )}
        />
      </tr>
      {open ? (
        <OpenedRow columns={columns.length} opening={opening}>
          {workings(row, next)}
        </OpenedRow>
      ) : null}
    </>
  );
}

type Place = {
  virtual: Virtualizer<HTMLDivElement, Element>;
  place: RefObject<HTMLDivElement | null>;
};

/**
 * Up and down move the opening along, Escape closes it; what takes the place of a row that left is
 * opened next.
 */
function useMoves<Row>(
  { count, idOf, openId, onOpen, firstWantsLook }: Props<Row>,
  { rowAt, want }: Rows<Row>,
  { virtual, place }: Place,
): { openAt: (index: number) => void; opening: Opening<number> } {
  const top = rowAt(0);
  const first = top === undefined ? null : idOf(top);
  // Where the open row stood last.
  const last = useRef(-1);
  const placeOf = (id: number | null): number =>
    id === null ? -1 : findRow(count, (index) => isRow(rowAt(index), id), last.current);
  const isRow = (row: Row | undefined, id: number): boolean =>
    row !== undefined && idOf(row) === id;
  const opening = useOpening<number>({
    openId: placeOf(openId) < 0 ? null : openId,
    onOpen,
    wanted: firstWantsLook ? first : null,
    first,
    place,
  });
  const { shownId } = opening;
  const at = placeOf(shownId);
  if (at >= 0) last.current = at;
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: "auto" });
  }, [at, virtual]);
  const openAt = (index: number): void => {
    const row = rowAt(Math.min(count - 1, Math.max(0, index)));
    if (row) opening.open(idOf(row));
    else want(index);
  };
  const move = (to: number): void => (opening.looked ? opening.takeUp() : openAt(to));
  const keys = { preventDefault: true, ignoreEventWhen: inDialog };
  useHotkeys("down", () => move(at + 1), keys);
  useHotkeys("up", () => move(at < 0 ? count - 1 : at - 1), keys);
  return { openAt, opening };
}

/** Keeps the workings of the open row in view while they grow to their size. */
function useInView(place: RefObject<HTMLDivElement | null>, openId: number | null): void {
  useEffect(() => {
    if (openId === null) return;
    const opened = place.current?.querySelector(`[data-row="${openId}"]`)?.closest("tbody");
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
