"use client";

import type { ReactNode } from "react";

import { LineField } from "../kit/fields";

type FormWordProps = {
  label: string;
  placeholder: string;
  width: string;
  value: string;
  onWord: (word: string) => void;
  /** A number, which stands to the right in the figures of the ledger. */
  number?: boolean;
};

/** A field of a form of one line, below a list of Set-up. */
export function FormWord({
  label,
  placeholder,
  width,
  value,
  onWord,
  number = false,
}: FormWordProps): ReactNode {
  return (
    <LineField
      {...(number ? { inputMode: "decimal" as const } : { kind: "words" as const })}
      width={width}
      aria-label={label}
      placeholder={placeholder}
      value={value}
      onChange={(event) => onWord(event.target.value)}
    />
  );
}
