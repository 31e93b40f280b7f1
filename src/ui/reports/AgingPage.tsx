"use client";

import NextLink from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useEffect, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";
import type { AgedBy, AgeSpan } from "@/core/metrics";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import type { Around } from "../history/types";
import { Sum } from "../kit/Amount";
import { AsOf } from "../kit/lists/AsOf";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { ReportTabs } from "./ReportTabs";

type Row = {
  customerId: number;
  externalId: string;
  customer: string;
  ages: Minor[];
  total: Minor;
  credit: Minor;
};
type Asked = {
  asOf: Day;
  by: AgedBy;
  edges: readonly number[];
  spans: readonly AgeSpan[];
  of: "customer" | "group";
  currency: Currency | null;
};
type Props = Around & {
  asked: Asked;
  rows: Row[];
  count: number;
  ages: Minor[];
  total: Minor;
  credit: Minor;
  control: Minor;
  page: number;
  pageRows: number;
  currencies: Currency[];
};

const EXPORTS = ["journal", "open-items", "clearing", "payouts", "aging", "trial-balance"] as const;

/** Aging as of any day, by due day or day of issue, in columns of one's own, by customer or group; it ties to the control account of that day. A row opens into its items. */
export function AgingPage({
  asked,
  rows,
  count,
  ages,
  total,
  credit,
  control,
  page,
  pageRows,
  currencies,
  book,
  currency: own,
  today,
}: Props): ReactNode {
  const [open, setOpen] = useOpenRow();
  const search = useSearchParams();
  const currency = asked.currency ?? own;
  const { asOf, spans } = asked;
  const off = total - control;
  const query = new URLSearchParams(search);
  for (const name of ["open", "page"]) query.delete(name);
  query.set("as-of", asOf);
  const link = (name: string, format: string): string =>
    `/api/v1/b/${book}/export/${name}?${query}&format=${format}`;
  const files = (name: string): ReactNode =>
    (["csv", "xlsx", "json", "pdf"] as const).map((format) => (
      <a key={format} href={link(name, format)} style={{ marginLeft: 5 }}>
        {format.toUpperCase()}
      </a>
    ));
  const width = `${Math.floor(56 / (spans.length + 2))}%`;
  return (
    <>
      <div className="heading">
        <h1>
          {formatAmount(total, currency)}{" "}
          <small>
            owed{asked.currency ? ` in ${asked.currency}` : ""}, as of {formatDay(asOf, today)}
          </small>
        </h1>
        {off === 0 ? (
          <span className="good">✓ ties to Accounts receivable of that day</span>
        ) : (
          <span className="off">off from Accounts receivable by {formatAmount(off, currency)}</span>
        )}
        <ReportTabs at="aging" />
        <div className="end">
          <AsOf day={asOf} />
        </div>
      </div>
      <Ask asked={asked} currencies={currencies} own={own} files={files("ages")} />
      <LedgerList<Row>
        label={`Aging by ${asked.of}`}
        rows={rows}
        idOf={(row) => row.customerId}
        openId={open}
        onOpen={(id) => setOpen(id === null ? null : Number(id))}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={[
          {
            id: "customer",
            header: asked.of === "group" ? "Customer with its sites" : "Customer",
            width: "44%",
            cell: (row) => <span title={row.customer}>{row.customer}</span>,
            foot: `${count} ${asked.of === "group" ? "groups" : "customers"}`,
          },
          ...spans.map(({ words }, at) => ({
            id: `span ${at}`,
            header: words,
            width,
            number: true,
            cell: (row: Row) => <Sum of={row.ages[at] ?? 0} currency={currency} dash />,
            foot: formatAmount(ages[at] ?? 0, currency, { dash: true }),
          })),
          {
            id: "total",
            header: "Total",
            width,
            number: true,
            cell: (row) => <Sum of={row.total} currency={currency} dash />,
            foot: <span className="total">{formatAmount(total, currency)}</span>,
          },
          {
            id: "credit",
            header: "On account",
            width,
            number: true,
            cell: (row) => <Sum of={row.credit} currency={currency} dash />,
            foot: formatAmount(credit, currency, { dash: true }),
          },
        ]}
        workings={(row) => (
          <Items
            key={row.customerId}
            row={row}
            asked={asked}
            query={query}
            book={book}
            currency={currency}
            today={today}
          />
        )}
        empty={<p>Nothing was open on that day.</p>}
      />
      <p
        className="soft"
        style={{ padding: "8px", margin: 0, display: "flex", gap: 18, flexWrap: "wrap" }}
      >
        <span>Other files, as of that day:</span>
        <span>
          every statement of account
          {(["csv", "xlsx", "pdf"] as const).map((format) => (
            <a
              key={format}
              style={{ marginLeft: 5 }}
              href={`/api/v1/b/${book}/statements?as-of=${asOf}&format=${format}`}
            >
              {format.toUpperCase()}
            </a>
          ))}
        </span>
        {EXPORTS.map((name) => (
          <span key={name}>
            {name.replace("-", " ")}
            {files(name)}
          </span>
        ))}
      </p>
    </>
  );
}

/** What the aging is asked for; it stands in the address. */
function Ask({
  asked,
  currencies,
  own,
  files,
}: {
  asked: Asked;
  currencies: readonly Currency[];
  own: Currency;
  files: ReactNode;
}): ReactNode {
  const { complain, act } = useActing();
  const [router, path, search] = [useRouter(), usePathname(), useSearchParams()];
  const [days, setDays] = useState(asked.edges.join(", "));
  const go = (name: string, value: string): void => {
    const query = new URLSearchParams(search);
    for (const one of ["open", "page"]) query.delete(one);
    if (value === "") query.delete(name);
    else query.set(name, value);
    router.replace(`${path}?${query}`);
  };
  const edges = days
    .split(/[,;\s]+/)
    .filter((one) => one !== "")
    .map(Number);
  const rising =
    edges.length > 0 &&
    edges.length <= 8 &&
    edges.every((edge, at) => Number.isInteger(edge) && edge > (edges[at - 1] ?? 0));
  const field = { fontFamily: "inherit", textAlign: "left" as const };
  return (
    <form
      className="acts"
      style={{ margin: "0 0 6px" }}
      onSubmit={(event) => {
        event.preventDefault();
        if (rising) go("days", edges.join(","));
        else complain("Write rising whole days, at most eight, like 30, 60, 90.");
      }}
    >
      <select
        className="sumfield"
        style={field}
        aria-label="Age counts from"
        value={asked.by}
        onChange={(event) => go("by", event.target.value === "due" ? "" : event.target.value)}
      >
        <option value="due">from the due day</option>
        <option value="issued">from the day of issue</option>
      </select>
      <label className="soft">
        in steps of{" "}
        <input
          className="sumfield"
          style={{ ...field, width: 110 }}
          aria-label="Days of the columns"
          value={days}
          onChange={(event) => setDays(event.target.value)}
        />{" "}
        days
      </label>
      <select
        className="sumfield"
        style={field}
        aria-label="By"
        value={asked.of}
        onChange={(event) => go("of", event.target.value === "customer" ? "" : event.target.value)}
      >
        <option value="customer">by customer</option>
        <option value="group">by group</option>
      </select>
      {currencies.length > 1 ? (
        <select
          className="sumfield"
          style={field}
          aria-label="Currency"
          value={asked.currency ?? ""}
          onChange={(event) => go("currency", event.target.value)}
        >
          <option value="">everything, in {own}</option>
          {currencies.map((one) => (
            <option key={one} value={one}>
              only what is in {one}
            </option>
          ))}
        </select>
      ) : null}
      {search.get("days") !== null ? (
        <button
          type="button"
          className="row-open soft"
          onClick={() =>
            void act("changeSettings", { agingDays: asked.edges }, () => ({
              words: "These steps are the book’s from now on.",
            }))
          }
        >
          keep these steps
        </button>
      ) : null}
      <span className="soft" style={{ marginLeft: "auto" }}>
        as it stands here{files}
      </span>
    </form>
  );
}

type Item = {
  id: number;
  number: string;
  kind: string;
  site: string | null;
  description: string | null;
  on: Day;
  days: number;
  span: number;
  currency: Currency;
  balance: Minor;
  shown: Minor;
};

/** The items behind a row, each in its column. */
function Items({
  row,
  asked,
  query,
  book,
  currency,
  today,
}: {
  row: Row;
  asked: Asked;
  query: URLSearchParams;
  book: string;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<Item[] | null>(null);
  const text = query.toString();
  useEffect(() => {
    let current = true;
    void load<Item[]>(`/api/v1/b/${book}/aging/${row.customerId}?${text}`).then((sent) => {
      if (current) {
        if (sent.ok) setItems(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.customerId, text]);
  if (!items) return <p className="soft">Reading …</p>;
  return (
    <div
      style={{ maxHeight: 300, overflow: "auto", maxWidth: 900 }}
      tabIndex={0}
      role="group"
      aria-label={`What ${row.customer} had open`}
    >
      <table className="small">
        <tbody>
          {items.map((item) => (
            <tr key={item.id}>
              <td>
                <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                  <b className="strong">{item.number}</b>
                </NextLink>{" "}
                {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
                {item.site ? <span className="soft"> {item.site}</span> : null}
              </td>
              <td className="soft">
                {asked.by === "issued" || item.kind === "credit_note" ? "issued" : "due"}{" "}
                {formatDay(item.on, today)}
              </td>
              <td className="soft">{asked.spans[item.span]?.words}</td>
              {item.currency === currency ? null : (
                <td className="num soft">
                  <Sum of={item.balance} currency={item.currency} />
                </td>
              )}
              <td className="num">
                <Sum of={item.shown} currency={currency} />
              </td>
            </tr>
          ))}
          <tr>
            <td className="soft">
              <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
                the customer
              </NextLink>
            </td>
            <td />
            <td />
            <td className="num">
              <span className="total">
                <Sum of={items.reduce((so, { shown }) => so + shown, 0)} currency={currency} />
              </span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}
