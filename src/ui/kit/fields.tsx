"use client";

import { chakra, Field as ChakraField, Input, NativeSelect } from "@chakra-ui/react";
import type { ComponentProps, FocusEvent, ReactNode } from "react";

import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { inlineFieldRecipe, lineFieldRecipe, smallChoiceRecipe } from "./recipes/controls";

/** What a field of ours may be told: its label, what was wrong with it, and a word of help. */
export type Labelled = { label: string; error?: string | undefined; help?: string | undefined };

export function Labels({
  label,
  error,
  help,
  children,
}: Labelled & { children: ReactNode }): ReactNode {
  return (
    <ChakraField.Root invalid={error !== undefined}>
      <ChakraField.Label>{label}</ChakraField.Label>
      {children}
      {help ? <ChakraField.HelperText>{help}</ChakraField.HelperText> : null}
      <ChakraField.ErrorText>{error}</ChakraField.ErrorText>
    </ChakraField.Root>
  );
}

/** A labelled field with its error below it; what was typed stays. */
export function TextField({
  label,
  error,
  help,
  ...input
}: Labelled & ComponentProps<typeof Input>): ReactNode {
  return (
    <Labels label={label} error={error} help={help}>
      <Input {...input} />
    </Labels>
  );
}

/**
 * A labelled sum: to the right, in the figures of the ledger, and grouped when it is left
 * (`1234.5` becomes `1,234.50`). What cannot be read stays as it was typed.
 */
export function AmountField({
  currency,
  onBlur,
  onChange,
  ...field
}: Labelled & { currency: Currency } & ComponentProps<typeof Input>): ReactNode {
  const settle = (event: FocusEvent<HTMLInputElement>): void => {
    const parsed = parseAmount(event.target.value, ".", currency);
    if (parsed.ok && parsed.value >= 0) {
      event.target.value = formatAmount(parsed.value, currency);
      onChange?.(event);
    }
    onBlur?.(event);
  };
  return (
    <TextField
      inputMode="decimal"
      textAlign="right"
      fontFamily="sums"
      {...field}
      onChange={onChange}
      onBlur={settle}
    />
  );
}

/** A labelled choice among few. */
export function Choice({
  label,
  options,
  error,
  help,
  ...select
}: Labelled & { options: readonly (readonly [string, string])[] } & ComponentProps<
    typeof NativeSelect.Field
  >): ReactNode {
  return (
    <Labels label={label} error={error} help={help}>
      <NativeSelect.Root>
        <NativeSelect.Field {...select}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Labels>
  );
}

/** A field on a ruled line, within a tally, a table or a line of text; a sum unless `kind` says otherwise. */
export const LineField = chakra("input", lineFieldRecipe);
/** A choice on a ruled line. */
export const LineChoice = chakra("select", lineFieldRecipe);
/** Several lines of text. */
export const LineText = chakra("textarea", lineFieldRecipe);
/** A word in a running text that is typed over. */
export const InlineField = chakra("input", inlineFieldRecipe);
/** A choice within a row. */
export const SmallChoice = chakra("select", smallChoiceRecipe);

/** What is sent with a form and not seen. */
export function HiddenField(input: Omit<ComponentProps<"input">, "type">): ReactNode {
  return <input type="hidden" {...input} />;
}

/** A box that is ticked. */
export function Tick(input: Omit<ComponentProps<"input">, "type">): ReactNode {
  return <input type="checkbox" {...input} />;
}

/** Where files are chosen from the machine. */
export const FileField = chakra("input", { base: {} }, { defaultProps: { type: "file" } });
