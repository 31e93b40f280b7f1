"use client";

import { chakra } from "@chakra-ui/react";
import { useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import type { AgesRow } from "@/contracts/reports";
import { type Currency, formatAmount } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { Items } from "./AgedItems";
import { Ask } from "./AgingAsked";
import { AgingHeading, type Props } from "./AgingHeading";

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
      narrow: "who",
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
      narrow: "sum",
      header: "Total",
      width,
      number: true,
      cell: (row) => <Amount of={row.total} currency={currency} dash />,
      foot: <Total>{formatAmount(total, currency)}</Total>,
    },
    {
      id: "credit",
      narrow: "more",
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
