"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { ArrivalsFacts, ImportReport, InspectedFile } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";
import type { FileKind } from "@/core/formats";
import type { Currency } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Cell, DetailTable, Heads } from "../kit/tables";
import { FIELD_WORDS } from "./fieldWords";
import { type Mend, MendCell } from "./MendCell";

/** What holds, beside what is off. */
const PROVEN =
  /follow on|is net on all|are the sum|is the balance on all|come to the closing|records add up to|of the account ending/;

export function WhatHappens({
  report,
  facts,
  currency,
  kind,
  mend,
}: {
  report: ImportReport;
  facts: ArrivalsFacts;
  currency: Currency;
  kind: FileKind;
  mend: Mend;
}): ReactNode {
  const refusedLines = new Set(
    report.refused.filter(({ changed }) => !changed).map(({ line }) => line),
  ).size;
  return (
    <>
      {report.proofs.map((proof) => (
        <p key={proof} data-tone="soft">
          {PROVEN.test(proof) ? "✓" : "!"} {proof}
        </p>
      ))}
      <Outcome currency={currency} refusedLines={refusedLines} report={report} />
      {kind === "invoices" ? (
        <p data-tone="soft">
          Invoices up to {formatDay(facts.cutOverOn, facts.today)} come over as opening balances,
          later ones as new.
        </p>
      ) : null}
      {report.refused.length > 0 ? <RefusedLines report={report} mend={mend} /> : null}
    </>
  );
}
/** Why lines are left out, and how many for each reason. */
const reasons = ({ leftOut }: ImportReport): [string, number][] =>
  [...new Set(leftOut.map(({ why }) => why))].map((why) => [
    why,
    leftOut.filter((entry) => entry.why === why).length,
  ]);

type OutcomeProps = {
  currency: Currency;
  refusedLines: number;
  report: ImportReport;
};
function Outcome({ currency, refusedLines, report }: OutcomeProps): ReactNode {
  return (
    <DetailTable aria-label="What would happen">
      <tbody>
        <tr>
          <td>Lines in the file</td>
          <td data-numeric data-sum>
            {report.lines}
          </td>
          <td />
        </tr>
        <tr>
          <td data-strong>new</td>
          <td data-numeric data-sum>
            {report.new}
          </td>
          <td>{report.new === 0 ? <span data-tone="soft">nothing to take in</span> : null}</td>
        </tr>
        {report.outcome.map((entry) => (
          <tr key={`${entry.words} ${entry.currency ?? ""}`}>
            <Cell data-tone="soft" paddingLeft="22px">
              {entry.words}
            </Cell>
            <td data-numeric data-tone="soft" data-sum>
              {entry.count}
            </td>
            <td data-numeric data-sum>
              {entry.sum === null ? (
                ""
              ) : (
                <Amount of={entry.sum} currency={entry.currency ?? currency} />
              )}
            </td>
          </tr>
        ))}
        <tr>
          <td>known already, left as they are</td>
          <td data-numeric data-sum>
            {report.known}
          </td>
          <td />
        </tr>
        <tr>
          <td>changed since they were taken in</td>
          <td data-numeric data-sum data-tone={report.changed > 0 ? "waits" : undefined}>
            {report.changed}
          </td>
          <td />
        </tr>
        {reasons(report).map(([why, count]) => (
          <tr key={why}>
            <td>left out: {why}</td>
            <td data-numeric data-sum>
              {count}
            </td>
            <td />
          </tr>
        ))}
        <tr>
          <td>refused, they stay out</td>
          <td data-numeric data-sum data-tone={refusedLines > 0 ? "off" : undefined}>
            {refusedLines}
          </td>
          <td />
        </tr>
      </tbody>
    </DetailTable>
  );
}
type RefusedLinesProps = {
  report: ImportReport;
  mend: Mend;
};
function RefusedLines({ report, mend }: RefusedLinesProps): ReactNode {
  return (
    <>
      <Subheading data-strong marginTop="14px" fontSize="13px">
        {report.refused.every(({ changed }) => changed) ? "Told otherwise before" : "What is wrong"}
      </Subheading>
      <Box maxHeight="220px" overflow="auto" tabIndex={0} role="group" aria-label="Refused lines">
        <DetailTable>
          <Heads of={[{ number: "Line" }, "Column", "Why", "Mend it"]} />
          <tbody>
            {report.refused.slice(0, 200).map((entry, at) => (
              <tr key={`${entry.line} ${at} ${entry.cell}`}>
                <td data-numeric>{entry.line}</td>
                <td data-tone="soft">
                  {FIELD_WORDS[entry.column || entry.field] ?? (entry.column || entry.field || "–")}
                </td>
                <td data-wrap>{entry.reason}</td>
                <td>
                  {entry.changed || entry.column === "" ? null : (
                    <MendCell
                      line={entry.line}
                      column={entry.column}
                      came={entry.cell}
                      mend={mend}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </DetailTable>
        {report.refused.length > 200 ? (
          <p data-tone="soft">and {report.refused.length - 200} more</p>
        ) : null}
      </Box>
    </>
  );
}
export function Sample({ waiting }: { waiting: InspectedFile }): ReactNode {
  return (
    <>
      <Subheading data-strong marginTop="14px" fontSize="13px">
        The same as they came
      </Subheading>
      <Box
        overflow="auto"
        maxWidth="100%"
        tabIndex={0}
        role="group"
        aria-label="First lines of the file"
      >
        <DetailTable whiteSpace="nowrap">
          <thead>
            <tr>
              {waiting.headers.map((header, at) => (
                <th key={`${header} ${at}`} scope="col">
                  {header}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {waiting.sample.map((cells, at) => (
              <tr key={at}>
                {cells.map((cell, column) => (
                  <td key={column}>{cell}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </DetailTable>
      </Box>
    </>
  );
}
