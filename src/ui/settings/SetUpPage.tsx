"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import type { ChartListed, ItemListed } from "@/contracts/settings";
import type { TaxCode } from "@/core/invoices";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { DetailTable, NoneRow } from "../kit/tables";
import { AddBank, AddProcessor } from "./AddAccount";
import { ChartOfAccounts } from "./ChartOfAccounts";
import { Facts } from "./BookFacts";
import { ClosedDays } from "./ClosedDays";
import { PaperSettings, type PaperSettingsFacts } from "./PaperSettings";
import { PayingSettings, type PayingSettingsFacts } from "./PayingSettings";
import { People } from "./People";
import { Items } from "./Items";
import { TaxCodes } from "./TaxCodes";
import { type Settings } from "./useFacts";

type Processor = {
  code: string;
  name: string;
  delayDays: number;
  descriptor: string | null;
  currency: Currency;
};
type Bank = { code: string; name: string; lastFour: string | null; openingBalance: Minor };
type Props = BookFacts & {
  settings: Settings & PaperSettingsFacts & PayingSettingsFacts;
  processors: Processor[];
  banks: Bank[];
  taxCodes: TaxCode[];
  chart: ChartListed[];
  items: ItemListed[];
};
/** Set-up: the book's facts, its processor and bank accounts, its limits, and where letters come from. */
export function SetUpPage(props: Props): ReactNode {
  const { processors, banks, currency, today, settings, book } = props;
  const ready = processors.length > 0 && banks.length > 0;
  return (
    <>
      <PageHeading>
        <Title>
          {settings.name}{" "}
          <small>
            kept in {currency}, from {formatDay(settings.cutOverOn, today)}
          </small>
        </Title>
        {ready ? null : (
          <span data-tone="waits">
            Not everything is there yet: go on with the{" "}
            <NextLink href={`/b/${book}/start`}>first steps</NextLink>.
          </span>
        )}
      </PageHeading>
      <Halves>
        <Section>
          <Subheading>Bank accounts</Subheading>
          <DetailTable aria-label="Bank accounts">
            <tbody>
              {banks.map((bank) => (
                <tr key={bank.code}>
                  <td>
                    <b data-strong>{bank.name}</b>{" "}
                    <span data-tone="soft">
                      {bank.code}
                      {bank.lastFour ? `, ends in ${bank.lastFour}` : ""}
                    </span>
                  </td>
                  <td data-tone="soft">opened with</td>
                  <td data-numeric data-sum>
                    {formatAmount(bank.openingBalance, currency)}
                  </td>
                </tr>
              ))}
              <NoneRow of={banks}>None yet.</NoneRow>
            </tbody>
          </DetailTable>
          <AddBank currency={currency} />
          <Subheading>Processor accounts</Subheading>
          <DetailTable aria-label="Processor accounts">
            <tbody>
              {processors.map((processor) => (
                <tr key={processor.code}>
                  <td>
                    <b data-strong>{processor.name}</b>{" "}
                    <span data-tone="soft">
                      {processor.code}
                      {processor.currency === currency ? "" : `, in ${processor.currency}`}
                    </span>
                  </td>
                  <td data-tone="soft">
                    pays out after {processor.delayDays} banking{" "}
                    {processor.delayDays === 1 ? "day" : "days"}
                    {processor.descriptor ? `, “${processor.descriptor}” on the statement` : ""}
                  </td>
                </tr>
              ))}
              <NoneRow of={processors}>None yet.</NoneRow>
            </tbody>
          </DetailTable>
          <AddProcessor currency={currency} />
          <People people={settings.people} />
          <ClosedDays lockedTo={settings.lockedTo} today={today} />
          <LooksLink book={props.book} />
          <PaperSettings settings={paperOf(settings)} currency={currency} />
          <PayingSettings settings={settings} currency={currency} />
          <TaxCodes taxCodes={props.taxCodes} />
          <Items items={props.items} chart={props.chart} taxCodes={props.taxCodes} />
          <ChartOfAccounts chart={props.chart} taxCodes={props.taxCodes} />
        </Section>
        <Facts settings={settings} currency={currency} />
      </Halves>
    </>
  );
}

function LooksLink({ book }: { book: string }): ReactNode {
  return (
    <p>
      Colour, letters, words and picture:{" "}
      <NextLink href={`/b/${book}/settings/looks`}>how papers look</NextLink>, by name.
    </p>
  );
}

/** What of the settings is about papers: the form sends back all that it is given. */
const paperOf = (settings: PaperSettingsFacts): PaperSettingsFacts => ({
  usualTerms: settings.usualTerms,
  invoicePrefix: settings.invoicePrefix,
  creditNotePrefix: settings.creditNotePrefix,
  taxIncluded: settings.taxIncluded,
  taxRounded: settings.taxRounded,
  approvalOver: settings.approvalOver,
  address: settings.address,
  taxNumber: settings.taxNumber,
});
