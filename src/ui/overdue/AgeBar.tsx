import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import { type Aging, BUCKETS, bucketWords } from "@/core/metrics";
import { type Currency, formatAmount } from "@/core/money";

import { Legend } from "../kit/legend";

/** How old a balance is: sand to dark red, outlined, with its numbers in words for those who do not see it. */
export function AgeBar({
  aging,
  currency,
  words = false,
  href,
}: {
  aging: Aging;
  currency: Currency;
  words?: boolean;
  /** Where its sums lead, where they lead anywhere. */
  href?: string;
}): ReactNode {
  const positive = BUCKETS.filter((bucket) => aging[bucket] > 0);
  const all = positive.reduce((sum, bucket) => sum + aging[bucket], 0);
  const said = BUCKETS.map(
    (bucket) => `${bucketWords(bucket)} ${formatAmount(aging[bucket], currency)}`,
  ).join(", ");
  return (
    <chakra.span display="block" width="100%">
      <chakra.span
        display="flex"
        height="13px"
        width="100%"
        border="1px solid {colors.line}"
        role="img"
        aria-label={said}
        title={said}
      >
        {positive.map((bucket) => (
          <chakra.i
            flex={`${(aging[bucket] / Math.max(1, all)) * 100} 0 0`}
            background={`age${BUCKETS.indexOf(bucket)}`}
            display="block"
            borderRight="1px solid {colors.sheet}"
            minWidth="2px"
            key={bucket}
          />
        ))}
      </chakra.span>
      {words ? (
        <Legend
          entries={BUCKETS.map((bucket, at) => ({
            name: linked(
              `${bucketWords(bucket)} ${formatAmount(aging[bucket], currency, { dash: true })}`,
              href,
            ),
            colour: `age${at}`,
          }))}
        />
      ) : null}
    </chakra.span>
  );
}

const linked = (words: string, href: string | undefined): ReactNode =>
  href === undefined ? (
    words
  ) : (
    <NextLink href={href} prefetch={false}>
      {words}
    </NextLink>
  );
