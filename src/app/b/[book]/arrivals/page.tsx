import type { ReactNode } from "react";

import { FIELDS, type FileKind } from "@/core/formats";
import { bankAccounts, bankLinePage, bankRules } from "@/db/bank";
import { importFilePage, lastFileOfKind, mappings } from "@/db/files";
import { processorAccounts } from "@/db/processor";
import { MOST_MEGABYTES } from "@/server/arrivals/keepFile";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import { ArrivalsPage } from "@/ui/arrivals/ArrivalsPage";
import { BankLines } from "@/ui/arrivals/BankLines";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";

export default async function Arrivals({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const page = pageNumber(search);
  if (one(search, "list") === "lines") {
    const state =
      (["open", "payout", "receipt", "elsewhere", "deposit", "bounce"] as const).find(
        (name) => name === one(search, "state"),
      ) ?? null;
    const text = one(search, "q") || null;
    const { rows, count, sum } = bankLinePage(db, {
      state,
      text,
      limit: PAGE_ROWS,
      offset: (page - 1) * PAGE_ROWS,
    });
    const rules = bankAccounts(db).flatMap((account) => bankRules(db, account.id));
    return (
      <BankLines
        book={book}
        currency={settings.currency}
        today={today}
        rows={rows}
        count={count}
        sum={sum}
        state={state}
        text={text ?? ""}
        page={page}
        pageRows={PAGE_ROWS}
        rules={rules}
      />
    );
  }
  const { rows, count } = importFilePage(db, PAGE_ROWS, (page - 1) * PAGE_ROWS);
  const last = (kind: FileKind): string | null => lastFileOfKind(db, kind)?.onDay ?? null;
  return (
    <ArrivalsPage
      book={book}
      currency={settings.currency}
      today={today}
      cutOverOn={settings.cutOverOn}
      files={rows}
      count={count}
      page={page}
      pageRows={PAGE_ROWS}
      arrived={waitingFiles(db, book)}
      mostMegabytes={MOST_MEGABYTES}
      fields={FIELDS}
      last={{
        customers: last("customers"),
        invoices: last("invoices"),
        processor: last("processor"),
        bank: last("bank"),
        remittance: last("remittance"),
        returns: last("returns"),
      }}
      accounts={{
        processor: processorAccounts(db).map(({ code, name }) => [code, name] as const),
        bank: bankAccounts(db).map(({ code, name }) => [code, name] as const),
      }}
      mappings={mappings(db).map(({ name, kind, spec }) => ({
        name,
        kind,
        spec: JSON.parse(spec) as never,
      }))}
    />
  );
}
