"use client";

import { Box, Image } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { PaperFacts } from "@/contracts/invoices";
import { type Day, formatDay } from "@/core/calendar";
import {
  type PaperLook,
  paperParts,
  paperSums,
  type PaperWords,
  paperWords,
  shownLines,
} from "@/core/invoices";
import { formatAmount } from "@/core/money";

import { HeadCell, TermTable } from "../../kit/tables";

type PaperSheetProps = { paper: PaperFacts; look: PaperLook; picture: string | null };

/** A paper on the screen, as its look would have it. */
export function PaperSheet({ paper, look, picture }: PaperSheetProps): ReactNode {
  const words = paperWords(paper.language);
  const { seller, customer } = paper;
  return (
    <Box
      aria-label="Preview"
      background="white"
      color="#1c1a16"
      border="1px solid {colors.line}"
      padding="40px"
      maxWidth="720px"
      minHeight="640px"
      fontFamily={look.letters === "serif" ? "sums" : undefined}
    >
      {picture === null ? null : (
        // A picture that was chosen just now and lies nowhere yet.
        <Image src={picture} alt="" float="right" height="48px" />
      )}
      <Lines of={[seller.name, ...seller.address, seller.taxNumber ?? ""]} />
      <Box as="h2" fontSize="24px" fontWeight={600} margin="18px 0 8px" color={look.accent}>
        {words[paper.kind]} {paper.number ?? words.draft}
      </Box>
      <Lines of={[`${customer.name} (${customer.id})`, ...(customer.address ?? [])]} />
      <p>
        {words.date}: {longDay(paper.issuedOn)}
        <br />
        {paper.parts ? words.in_parts : words.due}:{" "}
        {paper.parts ? paper.terms : longDay(paper.dueOn)}
      </p>
      <Lines of={look.above.split("\n")} />
      <SheetLines paper={paper} look={look} words={words} />
      <Lines of={look.bank === "" ? [] : [`${words.bank}: ${look.bank}`]} />
      <Lines of={look.code ? [`▦ ${words.pay_here}`] : []} />
      <Lines of={look.below.split("\n")} />
      {look.slip ? (
        <Box borderTop="1px dashed" marginTop="24px" paddingTop="8px">
          <Lines of={[words.slip, customer.name, `${words[paper.kind]} ${paper.number ?? ""}`]} />
        </Box>
      ) : null}
    </Box>
  );
}

type SumLineProps = { look: PaperLook; words: string; sum: string; bold?: boolean };

function SumLine({ look, words, sum, bold = false }: SumLineProps): ReactNode {
  return (
    <tr>
      <td>{bold ? <b>{words}</b> : words}</td>
      {look.quantities ? <td /> : null}
      {look.rates ? <td /> : null}
      <td data-numeric>{bold ? <b>{sum}</b> : sum}</td>
    </tr>
  );
}

const longDay = (of: Day): string => `${formatDay(of)} ${of.slice(0, 4)}`;

function Lines({ of }: { of: readonly string[] }): ReactNode {
  const said = of.filter((line) => line !== "");
  if (said.length === 0) return null;
  return (
    <p>
      {said.map((line, at) => (
        <span key={at}>
          {at > 0 ? <br /> : null}
          {line}
        </span>
      ))}
    </p>
  );
}

function SheetLines({
  paper,
  look,
  words,
}: Omit<PaperSheetProps, "picture"> & { words: PaperWords }): ReactNode {
  const { currency } = paper;
  return (
    <TermTable aria-label="Lines" width="100%" borderColor={look.accent}>
      <thead>
        <tr>
          <HeadCell textAlign="left">{words.description}</HeadCell>
          {look.quantities ? <HeadCell data-numeric>{words.quantity}</HeadCell> : null}
          {look.rates ? <HeadCell data-numeric>{words.rate}</HeadCell> : null}
          <HeadCell data-numeric>{words.amount}</HeadCell>
        </tr>
      </thead>
      <tbody>
        {shownLines(paper.lines, look).map(({ description, amount, line }, at) => (
          <tr key={at}>
            <td>{description}</td>
            {look.quantities ? <td data-numeric>{line?.quantity ?? ""}</td> : null}
            {look.rates ? <td data-numeric>{line?.rate ?? ""}</td> : null}
            <td data-numeric>{formatAmount(amount, currency)}</td>
          </tr>
        ))}
        {paperSums(paper, words).map((row, at) => (
          <SumLine key={at} look={look} words={row.words} sum={formatAmount(row.sum, currency)} />
        ))}
        <SumLine
          bold
          look={look}
          words={`${words.total} ${currency}`}
          sum={formatAmount(paper.total, currency)}
        />
        {paperParts(paper, longDay).map((row, at) => (
          <SumLine key={at} look={look} words={row.words} sum={formatAmount(row.sum, currency)} />
        ))}
      </tbody>
    </TermTable>
  );
}
