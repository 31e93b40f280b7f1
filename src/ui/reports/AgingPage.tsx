"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useEffect, useState } from "react";

import type { AgedItem, AgesRow } from "@/contracts/reports";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { AgedBy, AgeSpan } from "@/core/metrics";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { LineChoice, LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { AsOf } from "../kit/lists/AsOf";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { ReportTabs } from "./ReportTabs";

type Asked = {
  asOf: Day;
  by: AgedBy;
  edges: readonly number[];
  spans: readonly AgeSpan[];
  of: "customer" | "group";
  currency: Currency | null;
};
type Props = BookFacts & {
  asked: Asked;
  rows: AgesRow[];
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

/**
 * Aging as of any day, by due day or day of issue, in columns of one's own, by customer or group;
 * it ties to the control account of that day. A row opens into its items.
 */
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
      <chakra.a marginLeft="5px" key={format} href={link(name, format)}>
        {format.toUpperCase()}
      </chakra.a>
    ));
  const width = `${Math.floor(56 / (spans.length + 2))}%`;
  return (
    <>
      <AgingHeading
        asOf={asOf}
        asked={asked}
        currency={currency}
        off={off}
        today={today}
        total={total}
      />
      <Ask asked={asked} currencies={currencies} own={own} files={files("ages")} />
      <LedgerList<AgesRow>
        label={`Aging by ${asked.of}`}
        rows={rows}
        idOf={(row) => row.customerId}
        openId={open}
        onOpen={(id) => setOpen(id === null ? null : Number(id))}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={ageColumns({ ages, asked, count, credit, currency, spans, total, width })}
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
      <OtherFiles asOf={asOf} book={book} files={files} />
    </>
  );
}

type AgingHeadingProps = {
  asOf: Props["asked"]["asOf"];
  asked: Props["asked"];
  currency: Currency;
  off: number;
  today: Props["today"];
  total: Props["total"];
};

function AgingHeading({ asOf, asked, currency, off, today, total }: AgingHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        {formatAmount(total, currency)}{" "}
        <small>
          owed{asked.currency ? ` in ${asked.currency}` : ""}, as of {formatDay(asOf, today)}
        </small>
      </Title>
      {off === 0 ? (
        <span data-tone="good">✓ ties to Accounts receivable of that day</span>
      ) : (
        <span data-tone="off">off from Accounts receivable by {formatAmount(off, currency)}</span>
      )}
      <ReportTabs at="aging" />
      <HeadingEnd>
        <AsOf day={asOf} />
      </HeadingEnd>
    </PageHeading>
  );
}

type AgeColumnsProps = {
  ages: Props["ages"];
  asked: Props["asked"];
  count: Props["count"];
  credit: Props["credit"];
  currency: Currency;
  spans: Props["asked"]["spans"];
  total: Props["total"];
  width: string;
};

function ageColumns({
  ages,
  asked,
  count,
  credit,
  currency,
  spans,
  total,
  width,
}: AgeColumnsProps): ListColumn<AgesRow>[] {
  return [
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
      cell: (row: AgesRow) => <Amount of={row.ages[at] ?? 0} currency={currency} dash />,
      foot: formatAmount(ages[at] ?? 0, currency, { dash: true }),
    })),
    {
      id: "total",
      header: "Total",
      width,
      number: true,
      cell: (row) => <Amount of={row.total} currency={currency} dash />,
      foot: <Total>{formatAmount(total, currency)}</Total>,
    },
    {
      id: "credit",
      header: "On account",
      width,
      number: true,
      cell: (row) => <Amount of={row.credit} currency={currency} dash />,
      foot: formatAmount(credit, currency, { dash: true }),
    },
  ];
}

type OtherFilesProps = {
  asOf: Props["asked"]["asOf"];
  book: Props["book"];
  files: (name: string) => ReactNode;
};

function OtherFiles({ asOf, book, files }: OtherFilesProps): ReactNode {
  return (
    <chakra.p data-tone="soft" padding="8px" margin="0" display="flex" gap="18px" flexWrap="wrap">
      <span>Other files, as of that day:</span>
      <span>
        every statement of account
        {(["csv", "xlsx", "pdf"] as const).map((format) => (
          <chakra.a
            marginLeft="5px"
            key={format}
            href={`/api/v1/b/${book}/statements?as-of=${asOf}&format=${format}`}
          >
            {format.toUpperCase()}
          </chakra.a>
        ))}
      </span>
      {EXPORTS.map((name) => (
        <span key={name}>
          {name.replace("-", " ")}
          {files(name)}
        </span>
      ))}
    </chakra.p>
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
    for (const name of ["open", "page"]) query.delete(name);
    if (value === "") query.delete(name);
    else query.set(name, value);
    router.replace(`${path}?${query}`);
  };
  const edges = days
    .split(/[,;\s]+/)
    .filter((name) => name !== "")
    .map(Number);
  const rising =
    edges.length > 0 &&
    edges.length <= 8 &&
    edges.every((edge, at) => Number.isInteger(edge) && edge > (edges[at - 1] ?? 0));
  return (
    <ActRow
      as="form"
      margin="0 0 6px"
      onSubmit={(event) => {
        event.preventDefault();
        if (rising) go("days", edges.join(","));
        else complain("Write rising whole days, at most eight, like 30, 60, 90.");
      }}
    >
      <AgeFrom asked={asked} go={go} />
      <label data-tone="soft">
        in steps of{" "}
        <LineField
          kind="text"
          width="110px"
          aria-label="Days of the columns"
          value={days}
          onChange={(event) => setDays(event.target.value)}
        />{" "}
        days
      </label>
      <AgeOf asked={asked} go={go} />
      {currencies.length > 1 ? (
        <AgeCurrency asked={asked} currencies={currencies} go={go} own={own} />
      ) : null}
      {search.get("days") !== null ? (
        <RowButton
          data-tone="soft"
          onClick={() =>
            void act("changeSettings", { agingDays: asked.edges }, () => ({
              words: "These steps are the book’s from now on.",
            }))
          }
        >
          keep these steps
        </RowButton>
      ) : null}
      <chakra.span data-tone="soft" marginLeft="auto">
        as it stands here{files}
      </chakra.span>
    </ActRow>
  );
}

type AgeFromProps = {
  asked: Asked;
  go: (name: string, value: string) => void;
};

function AgeFrom({ asked, go }: AgeFromProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="Age counts from"
      value={asked.by}
      onChange={(event) => go("by", event.target.value === "due" ? "" : event.target.value)}
    >
      <option value="due">from the due day</option>
      <option value="issued">from the day of issue</option>
    </LineChoice>
  );
}

type AgeOfProps = {
  asked: Asked;
  go: (name: string, value: string) => void;
};

function AgeOf({ asked, go }: AgeOfProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="By"
      value={asked.of}
      onChange={(event) => go("of", event.target.value === "customer" ? "" : event.target.value)}
    >
      <option value="customer">by customer</option>
      <option value="group">by group</option>
    </LineChoice>
  );
}

type AgeCurrencyProps = {
  asked: Asked;
  currencies: readonly Currency[];
  go: (name: string, value: string) => void;
  own: Currency;
};

function AgeCurrency({ asked, currencies, go, own }: AgeCurrencyProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="Currency"
      value={asked.currency ?? ""}
      onChange={(event) => go("currency", event.target.value)}
    >
      <option value="">everything, in {own}</option>
      {currencies.map((currency) => (
        <option key={currency} value={currency}>
          only what is in {currency}
        </option>
      ))}
    </LineChoice>
  );
}

/** The items behind a row, each in its column. */
function Items({
  row,
  asked,
  query,
  book,
  currency,
  today,
}: {
  row: AgesRow;
  asked: Asked;
  query: URLSearchParams;
  book: string;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { complain } = useActing();
  const [items, setItems] = useState<AgedItem[] | null>(null);
  const text = query.toString();
  useEffect(() => {
    let current = true;
    void load<AgedItem[]>(`/api/v1/b/${book}/aging/${row.customerId}?${text}`).then((sent) => {
      if (current) {
        if (sent.ok) setItems(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.customerId, text]);
  if (!items) return <p data-tone="soft">Reading …</p>;
  return (
    <Box
      maxHeight="300px"
      overflow="auto"
      maxWidth="900px"
      tabIndex={0}
      role="group"
      aria-label={`What ${row.customer} had open`}
    >
      <DetailTable>
        <tbody>
          {items.map((item) => (
            <tr key={item.id}>
              <td>
                <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                  <b data-strong>{item.number}</b>
                </NextLink>{" "}
                {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
                {item.site ? <span data-tone="soft"> {item.site}</span> : null}
              </td>
              <td data-tone="soft">
                {asked.by === "issued" || item.kind === "credit_note" ? "issued" : "due"}{" "}
                {formatDay(item.on, today)}
              </td>
              <td data-tone="soft">{asked.spans[item.span]?.words}</td>
              {item.currency === currency ? null : (
                <td data-numeric data-tone="soft">
                  <Amount of={item.balance} currency={item.currency} />
                </td>
              )}
              <td data-numeric>
                <Amount of={item.shown} currency={currency} />
              </td>
            </tr>
          ))}
          <tr>
            <td data-tone="soft">
              <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
                the customer
              </NextLink>
            </td>
            <td />
            <td />
            <td data-numeric>
              <Total>
                <Amount of={items.reduce((so, { shown }) => so + shown, 0)} currency={currency} />
              </Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
    </Box>
  );
}
