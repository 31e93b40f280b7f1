import type { ReactNode } from "react";

import type { PaperFacts } from "@/contracts/invoices";

import { Amount, Total } from "../kit/Amount";
import { HeadCell, TermTable } from "../kit/tables";
import { formatAmount } from "@/core/money";

/** What stands on the paper of a document that was written here: its lines, and how they come to its total. */
export function WrittenPaper({ paper }: { paper: PaperFacts }): ReactNode {
  const { currency, lines, taxes, discount, charges, taxIncluded } = paper;
  return (
    <TermTable aria-label="Lines" width="100%">
      <thead>
        <tr>
          <HeadCell scope="col" textAlign="left">
            Line
          </HeadCell>
          <HeadCell scope="col" data-numeric>
            Quantity
          </HeadCell>
          <HeadCell scope="col" data-numeric>
            Rate
          </HeadCell>
          <HeadCell scope="col" data-numeric>
            Amount
          </HeadCell>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, at) => (
          <tr key={at}>
            <td>
              {line.description}
              {line.discountPercent === null ? null : (
                <span data-tone="soft">, less {line.discountPercent} %</span>
              )}
            </td>
            <td data-numeric>{line.quantity}</td>
            <td data-numeric>{line.rate}</td>
            <td data-numeric data-sum>
              <Amount of={line.amount} currency={currency} />
            </td>
          </tr>
        ))}
        {discount === 0 ? null : <Row words="Discount" of={-discount} paper={paper} />}
        {charges.map((charge, at) => (
          <Row key={at} words={charge.words} of={charge.sum} paper={paper} />
        ))}
        {taxes
          .filter(({ code }) => code !== "")
          .map(({ code, percent, net, sum }) => (
            <Row
              key={code}
              words={`${code} ${percent} % ${taxIncluded ? "in it" : `on ${formatAmount(net, currency)}`}`}
              of={sum}
              paper={paper}
            />
          ))}
        <tr>
          <td colSpan={3}>Total</td>
          <td data-numeric data-sum>
            <Total>{formatAmount(paper.total, currency)}</Total>
          </td>
        </tr>
      </tbody>
    </TermTable>
  );
}

function Row({ words, of, paper }: { words: string; of: number; paper: PaperFacts }): ReactNode {
  return (
    <tr>
      <td colSpan={3}>{words}</td>
      <td data-numeric data-sum>
        <Amount of={of} currency={paper.currency} />
      </td>
    </tr>
  );
}
