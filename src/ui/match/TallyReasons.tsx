"use client";

import type { ReactNode } from "react";

import type { WorkingsReading } from "@/contracts/match";

import { List } from "../kit/layout";

type ReasonsProps = {
  reading: WorkingsReading | undefined;
};
export function Reasons({ reading }: ReasonsProps): ReactNode {
  return (
    <List>
      {reading ? (
        reading.reasons
          .filter(({ against }) => !against)
          .map(({ words }) => <li key={words}>{capital(words)}</li>)
      ) : (
        <li data-tone="soft">No payer, number or sum is known.</li>
      )}
      {reading?.reasons
        .filter(({ against }) => against)
        .map(({ words }) => (
          <li data-tone="waits" key={words}>
            Against: {words}
          </li>
        ))}
      {reading?.toBeSure ? <li>It would be sure with {reading.toBeSure}.</li> : null}
      {reading ? <li data-tone="soft">Right {certainty(reading.confidence)}</li> : null}
    </List>
  );
}
function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
/** A probability in words that mean what they say. */
function certainty(confidence: number): string {
  if (confidence >= 0.999) return "in 999 of 1,000 such cases or more";
  if (confidence >= 0.5)
    return `in about ${Math.min(99, Math.round(confidence * 100))} of 100 such cases`;
  return confidence >= 0.05
    ? `in about ${Math.round(confidence * 100)} of 100 such cases only`
    : "very seldom in such cases";
}
