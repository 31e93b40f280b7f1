"use client";

import { Field as ChakraField, Input, NativeSelect } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";

type Common = { label: string; error?: string | undefined; help?: string | undefined };

/** A labelled field with its error below it; what was typed stays. */
export function TextField({
  label,
  error,
  help,
  ...input
}: Common & ComponentProps<typeof Input>): ReactNode {
  return (
    <ChakraField.Root invalid={error !== undefined} gap="1">
      <ChakraField.Label fontSize="13px" color="soft">
        {label}
      </ChakraField.Label>
      <Input
        size="sm"
        h="32px"
        bg="sheet"
        borderColor="line"
        borderRadius="4px"
        color="ink"
        {...input}
      />
      {help ? <ChakraField.HelperText color="soft">{help}</ChakraField.HelperText> : null}
      <ChakraField.ErrorText color="off">{error}</ChakraField.ErrorText>
    </ChakraField.Root>
  );
}

export function Choice({
  label,
  options,
  error,
  help,
  ...select
}: Common & { options: readonly (readonly [string, string])[] } & ComponentProps<
    typeof NativeSelect.Field
  >): ReactNode {
  return (
    <ChakraField.Root invalid={error !== undefined} gap="1">
      <ChakraField.Label fontSize="13px" color="soft">
        {label}
      </ChakraField.Label>
      <NativeSelect.Root size="sm">
        <NativeSelect.Field
          h="32px"
          bg="sheet"
          borderColor="line"
          borderRadius="4px"
          color="ink"
          {...select}
        >
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      {help ? <ChakraField.HelperText color="soft">{help}</ChakraField.HelperText> : null}
      <ChakraField.ErrorText color="off">{error}</ChakraField.ErrorText>
    </ChakraField.Root>
  );
}
