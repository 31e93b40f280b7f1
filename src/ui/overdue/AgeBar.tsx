import type { ReactNode } from "react";

import { BUCKETS, bucketWords, type Aging } from "@/core/metrics";
import { formatAmount, type Currency } from "@/core/money";

/** How old a balance is: sand to dark red, outlined, with its numbers in words for those who do not see it. */
export function AgeBar({
  aging,
  currency,
  words = false,
}: {
  aging: Aging;
  currency: Currency;
  words?: boolean;
}): ReactNode {
  const positive = BUCKETS.filter((bucket) => aging[bucket] > 0);
  const all = positive.reduce((sum, bucket) => sum + aging[bucket], 0);
  const said = BUCKETS.map(
    (bucket) => `${bucketWords(bucket)} ${formatAmount(aging[bucket], currency)}`,
  ).join(", ");
  return (
    <span style={{ display: "block", width: "100%" }}>
      <span className="agebar" role="img" aria-label={said} title={said}>
        {positive.map((bucket) => (
          <i
            key={bucket}
            style={{
              flex: `${(aging[bucket] / Math.max(1, all)) * 100} 0 0`,
              background: `var(--d-colors-age${BUCKETS.indexOf(bucket)})`,
            }}
          />
        ))}
      </span>
      {words ? (
        <span
          className="soft"
          style={{ display: "flex", gap: 18, fontSize: 13, flexWrap: "wrap", marginTop: 2 }}
        >
          {BUCKETS.map((bucket) => (
            <span key={bucket}>
              {bucketWords(bucket)} {formatAmount(aging[bucket], currency, { dash: true })}
            </span>
          ))}
        </span>
      ) : null}
    </span>
  );
}
