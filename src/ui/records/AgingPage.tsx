"use client";

import type { ReactNode } from "react";

import { formatDay, type Day } from "@/core/calendar";
import { BUCKETS, bucketWords, type Aging } from "@/core/metrics";
import { formatAmount, sumOf, type Minor } from "@/core/money";

import type { Around } from "../documents/types";
import { ReportTabs } from "./ReportTabs";
import { AsOf } from "../lists/AsOf";
import { LedgerList } from "../lists/LedgerList";
import { AgeBar } from "../overdue/AgeBar";
import { Sum } from "../Sum";

type Row = { customerId: number; externalId: string; customer: string; aging: Aging; credit: Minor };
type Props = Around & { rows: Row[]; total: Aging; control: Minor; asOf: Day };

const EXPORTS = ["journal", "open-items", "clearing", "payouts", "aging", "trial-balance"] as const;

/** Aging as of any day, by customer; it ties to the control account of that day. Below, every report as a file. */
export function AgingPage({ rows, total, control, asOf, book, currency, today }: Props): ReactNode {
  const off = total.total - control;
  const link = (name: string, format: string): string => `/api/v1/b/${book}/export/${name}?as-of=${asOf}&format=${format}`;
  return (
    <>
      <div className="heading">
        <h1>{formatAmount(total.total, currency)} <small>owed, as of {formatDay(asOf, today)}</small></h1>
        {off === 0 ? <span className="good">✓ ties to Accounts receivable of that day</span> : <span className="off">off from Accounts receivable by {formatAmount(off, currency)}</span>}
        <ReportTabs at="aging" />
        <div className="end"><AsOf day={asOf} /></div>
      </div>
      <div style={{ maxWidth: 820, paddingBottom: 6 }}><AgeBar aging={total} currency={currency} words /></div>
      <LedgerList<Row>
        label="Aging by customer" rows={rows} idOf={(row) => row.customerId} href={(row) => `/b/${book}/customers/${row.customerId}`}
        columns={[
          { id: "customer", header: "Customer", width: "26%", cell: (row) => <span title={row.customer}>{row.customer}</span>, foot: `${rows.length} customers` },
          ...BUCKETS.map((bucket) => ({ id: bucket, header: bucketWords(bucket), width: "11%", number: true, cell: (row: Row) => <Sum of={row.aging[bucket]} currency={currency} dash />, foot: formatAmount(total[bucket], currency, { dash: true }) })),
          { id: "total", header: "Total", width: "10%", number: true, cell: (row) => <Sum of={row.aging.total} currency={currency} dash />, foot: <span className="total">{formatAmount(total.total, currency)}</span> },
          { id: "credit", header: "On account", width: "9%", number: true, cell: (row) => <Sum of={row.credit} currency={currency} dash />, foot: formatAmount(sumOf(rows, (row) => row.credit), currency, { dash: true }) },
        ]}
        empty={<p>Nothing was open on that day.</p>}
      />
      <p className="soft" style={{ padding: "8px", margin: 0, display: "flex", gap: 18, flexWrap: "wrap" }}>
        <span>As files, as of that day:</span>
        {EXPORTS.map((name) => <span key={name}>{name.replace("-", " ")} <a href={link(name, "csv")}>CSV</a> <a href={link(name, "xlsx")}>XLSX</a> <a href={link(name, "json")}>JSON</a> <a href={link(name, "pdf")}>PDF</a></span>)}
      </p>
    </>
  );
}
