"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { SurePosted, SureRow } from "@/contracts/match";
import { type Currency, formatAmount, formatMoney, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { Tick } from "../kit/fields";
import { ActRow, EmptyState } from "../kit/layout";
import { SpacerRow } from "../kit/lists/ListHead";
import { Heads, LedgerFrame, LedgerTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

/** A line of the list: the head of a group, or a receipt. */
type Line = { head: string; count: number; sum: number } | { row: SureRow };
const ROW_HEIGHT = 32;

/**
 * The sure ones, looked through before they are posted together: odd ones on top, the others by
 * what makes them sure; any one taken out by a key, the total below.
 */
export function SureLook({
  currency,
  waiting,
  close,
}: {
  currency: Currency;
  /** All that waits in Match now. */
  waiting: { count: number; sum: number };
  close: () => void;
}): ReactNode {
  const { act, busy, book, complain } = useActing();
  const [rows, setRows] = useState<SureRow[] | null>(null);
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [at, setAt] = useState(0);
  const [far, setFar] = useState<{ done: number; of: number } | null>(null);
  useEffect(() => {
    void load<SureRow[]>(`/api/v1/b/${book}/sure`).then((sent) =>
      sent.ok ? setRows(sent.value) : complain(sent.message),
    );
  }, [book, complain]);
  const all = rows ?? [];
  const wanted = all.filter((row) => !out.has(row.id));
  const post = (): void => {
    if (wanted.length === 0 || busy) return;
    const said = Object.fromEntries(wanted.map((row) => [row.id, row.said]));
    void act<SurePosted>(
      "postSure",
      { receiptIds: wanted.map((row) => row.id), said },
      (value) => ({
        words: `${value.posted} receipts posted, ${formatAmount(value.sum, currency)}${value.left > 0 ? `; ${value.left} left, as they changed meanwhile` : ""}.`,
        undo: { commandId: value.commandId },
      }),
      (done, of) => setFar({ done, of }),
    ).then((value) => {
      setFar(null);
      if (value) close();
    });
  };
  const toggle = (row: SureRow | undefined): void => {
    if (row)
      setOut(
        new Set(
          out.has(row.id) ? [...out].filter((amount) => amount !== row.id) : [...out, row.id],
        ),
      );
  };
  useHotkeys("enter", post, [wanted, busy]);
  useHotkeys("escape", close);
  useHotkeys("down", () => setAt(Math.min(all.length - 1, at + 1)), { preventDefault: true }, [
    all,
    at,
  ]);
  useHotkeys("up", () => setAt(Math.max(0, at - 1)), { preventDefault: true }, [at]);
  useHotkeys("x", () => toggle(all[at]), [all, at, out]);
  if (rows === null) return <EmptyState>Looking …</EmptyState>;
  return (
    <>
      <Lines rows={all} at={at} out={out} toggle={toggle} currency={currency} />
      <ActRow flex="none" margin="0" padding="8px 0">
        <Act main hint="Enter" onClick={post} disabled={busy || wanted.length === 0}>
          Post these {wanted.length}
        </Act>
        <Act hint="X" onClick={() => toggle(all[at])} disabled={busy}>
          {all[at] && out.has(all[at].id) ? "Put back" : "Take out"}
        </Act>
        <Act hint="Esc" onClick={close}>
          Back
        </Act>
        <span>
          {far === null ? (
            <>
              {wanted.length} of {all.length} receipts
              {out.size > 0 ? `, ${out.size} taken out` : ""}
              <span data-tone="soft">
                ; {waiting.count} wait now, {waiting.count - wanted.length} after it:{" "}
                {formatAmount(waiting.sum - sumOf(wanted, (row) => row.book), currency)}
              </span>
            </>
          ) : (
            <>
              {far.done} of {far.of} posted …
            </>
          )}
        </span>
        <Total>
          {formatAmount(
            sumOf(wanted, (row) => row.book),
            currency,
          )}
        </Total>
      </ActRow>
    </>
  );
}

/** Rows with a head before each group; odd ones come first, as the server sorts them. */
function linesOf(rows: readonly SureRow[]): Line[] {
  const lines: Line[] = [];
  let group = "";
  for (const row of rows) {
    const head = row.odd === null ? row.kind : "A second glance";
    if (head !== group) {
      const members = rows.filter(
        (row) => (row.odd === null ? row.kind : "A second glance") === head,
      );
      lines.push({ head, count: members.length, sum: sumOf(members, (member) => member.sum) });
      group = head;
    }
    lines.push({ row });
  }
  return lines;
}

type LinesProps = {
  rows: readonly SureRow[];
  at: number;
  out: ReadonlySet<number>;
  toggle: (row: SureRow) => void;
  currency: Currency;
};
function Lines(props: LinesProps): ReactNode {
  const { out, toggle, currency } = props;
  const { place, lines, current, shown, above, below } = useLines(props);
  return (
    <LedgerFrame ref={place} tabIndex={0} role="region" aria-label="Sure receipts">
      <LedgerTable>
        <colgroup>
          <col width="4%" />
          <col width="19%" />
          <col width="17%" />
          <col width="28%" />
          <col width="24%" />
          <col width="8%" />
        </colgroup>
        <Heads of={["Post", "From", "Memo", "Goes to", "Why", { number: "Amount" }]} />
        <tbody>
          {above > 0 ? <SpacerRow height={above} columns={6} /> : null}
          {shown.map(({ index: line }) => {
            const entry = lines[line];
            if (!entry) return null;
            if ("head" in entry)
              return (
                <tr data-part key={`head ${entry.head}`}>
                  <td colSpan={5}>
                    {entry.head.charAt(0).toUpperCase()}
                    {entry.head.slice(1)} <b data-strong>{entry.count}</b>
                  </td>
                  <td data-numeric data-sum>
                    {formatAmount(entry.sum, currency)}
                  </td>
                </tr>
              );
            const { row } = entry;
            return (
              <tr
                key={row.id}
                data-tone={out.has(row.id) ? "soft" : undefined}
                data-open={row.id === current?.id || undefined}
                data-row={row.id}
                onClick={() => toggle(row)}
              >
                <td>
                  <Tick
                    checked={!out.has(row.id)}
                    onChange={() => toggle(row)}
                    onClick={(event) => event.stopPropagation()}
                    aria-label={`Post ${formatMoney(row.sum, row.currency, currency)} from ${row.from}`}
                  />
                </td>
                <td title={row.from}>{row.from}</td>
                <td title={row.memo}>{row.memo || "–"}</td>
                <td title={row.to}>{row.to}</td>
                <td data-tone={row.odd === null ? "soft" : "waits"} title={row.why}>
                  {row.odd ?? row.why}
                </td>
                <td data-numeric>
                  <Amount of={row.sum} currency={row.currency} />
                </td>
              </tr>
            );
          })}
          {below > 0 ? <SpacerRow height={below} columns={6} /> : null}
        </tbody>
      </LedgerTable>
    </LedgerFrame>
  );
}

function useLines({ rows, at }: LinesProps) {
  "use no memo";
  const place = useRef<HTMLDivElement>(null);
  const lines = linesOf(rows);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => place.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
  });
  const current = rows[at];
  const index = lines.findIndex((line) => "row" in line && line.row.id === current?.id);
  useEffect(() => {
    if (index >= 0) virtual.scrollToIndex(index);
  }, [index, virtual]);
  const shown = virtual.getVirtualItems();
  const [above, below] = [shown[0]?.start ?? 0, virtual.getTotalSize() - (shown.at(-1)?.end ?? 0)];
  return { place, lines, current, shown, above, below };
}
