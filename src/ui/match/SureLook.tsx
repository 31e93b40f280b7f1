"use client";

import { useEffect, useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { formatAmount, sumOf, type Currency, type Minor } from "@/core/money";

import { Act } from "../Act";
import { load } from "../send";
import { useActing } from "../shell/Notices";

type SureRow = { id: number; from: string; memo: string; to: string; why: string; amount: string; sum: Minor };

/** The sure ones, looked through before they are posted together: where each goes and why, any taken out, the total below. */
export function SureLook({ currency, close }: { currency: Currency; close: () => void }): ReactNode {
  const { act, busy, book, complain } = useActing();
  const [rows, setRows] = useState<SureRow[] | null>(null);
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  useEffect(() => {
    void load<SureRow[]>(`/api/v1/b/${book}/sure`).then((sent) => (sent.ok ? setRows(sent.value) : complain(sent.message)));
  }, [book, complain]);
  const wanted = (rows ?? []).filter((row) => !out.has(row.id));
  const total = sumOf(wanted, (row) => row.sum);
  const post = (): void => {
    if (wanted.length === 0 || busy) return;
    void act<{ posted: number; sum: number; left: number; commandId: number }>("postSure", { receiptIds: wanted.map((row) => row.id) }, (value) => ({ words: `${value.posted} receipts posted, ${formatAmount(value.sum, currency)}${value.left > 0 ? `; ${value.left} left, as they changed meanwhile` : ""}.`, undo: { commandId: value.commandId } })).then((value) => { if (value) close(); });
  };
  useHotkeys("enter", post, [wanted, busy]);
  useHotkeys("escape", close);
  const toggle = (id: number): void => setOut(new Set(out.has(id) ? [...out].filter((one) => one !== id) : [...out, id]));
  if (rows === null) return <div className="empty">Looking …</div>;
  return (
    <>
      <div className="ledger" tabIndex={0} role="region" aria-label="Sure receipts">
        <table>
          <colgroup><col style={{ width: "4%" }} /><col style={{ width: "20%" }} /><col style={{ width: "16%" }} /><col style={{ width: "28%" }} /><col style={{ width: "24%" }} /><col style={{ width: "8%" }} /></colgroup>
          <thead><tr><th scope="col">Post</th><th scope="col">From</th><th scope="col">Memo</th><th scope="col">Goes to</th><th scope="col">Why</th><th scope="col" className="num">Amount</th></tr></thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className={out.has(row.id) ? "row soft" : "row"} onClick={() => toggle(row.id)}>
                <td><input type="checkbox" checked={!out.has(row.id)} onChange={() => toggle(row.id)} onClick={(event) => event.stopPropagation()} aria-label={`Post ${row.amount} from ${row.from}`} /></td>
                <td title={row.from}>{row.from}</td><td title={row.memo}>{row.memo || "–"}</td><td title={row.to}>{row.to}</td><td title={row.why} className="soft">{row.why}</td><td className="num sum">{row.amount}</td>
              </tr>
            ))}
          </tbody>
          <tfoot><tr><td colSpan={5}>{wanted.length} of {rows.length} receipts</td><td className="num"><span className="total">{formatAmount(total, currency)}</span></td></tr></tfoot>
        </table>
      </div>
      <div className="acts"><Act main hint="Enter" onClick={post} disabled={busy || wanted.length === 0}>Post these {wanted.length}</Act><Act hint="Esc" onClick={close}>Back</Act></div>
    </>
  );
}
