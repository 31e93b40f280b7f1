import type { ReactNode } from "react";

import { SmallChoice } from "../kit/fields";

/** One of a few, in a row of the mapping. */
export function Pick({
  label,
  value,
  options,
  change,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  change: (value: string) => void;
}): ReactNode {
  return (
    <SmallChoice
      look="framed"
      aria-label={label}
      value={value}
      onChange={(event) => change(event.target.value)}
    >
      {options.map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
    </SmallChoice>
  );
}
