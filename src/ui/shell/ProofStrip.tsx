import NextLink from "next/link";
import type { ReactNode } from "react";

import type { CountedFacts, ShellFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import { Word } from "../kit/Word";
import { Strip } from "../kit/sheets";

/** The control sums, on every page; each opens what it is made of. */
export function ProofStrip({
  shell: { book, currency, backup },
  strip,
  problem,
}: {
  shell: ShellFacts;
  /** Null while it is being computed. */
  strip: CountedFacts["strip"] | null;
  /** Why it cannot be. */
  problem: string | null;
}): ReactNode {
  const base = `/b/${book}`;
  const amount = (sum: Minor): string => formatAmount(sum, currency);
  if (strip === null)
    return (
      <Strip aria-label="Proofs">
        {problem === null ? (
          <span>The proofs are being computed …</span>
        ) : (
          <b data-tone="off">The proofs could not be computed. {problem}</b>
        )}
      </Strip>
    );
  const sign = (...names: string[]): ReactNode =>
    names.every((name) => strip.holds[name]) ? (
      <span data-tone="good">
        ✓<span data-hidden> comes out</span>
      </span>
    ) : (
      <b data-tone="off">off</b>
    );
  return (
    <Strip aria-label="Proofs">
      <NextLink href={`${base}/books?proof=receivables`} prefetch={false}>
        <Word of="receivables" /> <b>{amount(strip.receivables)}</b> = open items{" "}
        {sign("receivables", "applications")}
      </NextLink>
      <NextLink href={`${base}/books?proof=clearing`} prefetch={false}>
        <Word of="clearing" /> <b>{amount(strip.clearing)}</b> = not yet banked{" "}
        {sign("clearing", "payouts")}
      </NextLink>
      <NextLink href={`${base}/books?proof=bank`} prefetch={false}>
        Bank <b>{amount(strip.bank)}</b> ={" "}
        {strip.statementTo
          ? `statement to ${formatDay(strip.statementTo).slice(4)}`
          : "no statement yet"}{" "}
        {sign("bank")}
      </NextLink>
      <NextLink href={`${base}/match`} prefetch={false}>
        To match <b>{amount(strip.toMatch)}</b>
      </NextLink>
      {strip.payoutsOff !== 0 ? (
        <NextLink href={`${base}/payouts`} prefetch={false}>
          Payouts off <b data-tone="off">{amount(strip.payoutsOff)}</b>
        </NextLink>
      ) : null}
      {strip.unexplained !== 0 ? (
        <NextLink href={`${base}/arrivals?list=lines&state=open`} prefetch={false}>
          To explain <b data-tone="waits">{amount(strip.unexplained)}</b>
        </NextLink>
      ) : null}
      <NextLink href={`${base}/books?view=proofs#backups`} prefetch={false}>
        Backup <b data-tone={backup.late ? "off" : undefined}>{backup.words}</b>
      </NextLink>
    </Strip>
  );
}
