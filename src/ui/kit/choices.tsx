"use client";

import { Combobox, createListCollection, Portal } from "@chakra-ui/react";
import { type ReactNode, useMemo, useState } from "react";
import type { FieldPath, FieldValues, PathValue, UseFormReturn } from "react-hook-form";

import { type Labelled, Labels } from "./fields";
import type { Option } from "./places";

/** Options that are shown at once; typing finds the others. */
const MOST_SHOWN = 60;

type Chosen = { value: string; onValue: (value: string) => void };

/** What the field shows of an option: names speak for themselves, codes stand before their words. */
const shown = ({ value, words }: Option): string =>
  value.length === 3 ? `${value}, ${words}` : words;

/** The option that was typed out in full: by its value, its words, or both. */
function typedOut(options: readonly Option[], text: string): Option | undefined {
  const typed = text.trim().toLowerCase();
  return options.find((option) =>
    [option.value, option.words, shown(option)].some((way) => way.toLowerCase() === typed),
  );
}

/** One of a long list, found by typing a part of its code or name. */
export function SearchChoice({
  label,
  error,
  help,
  options,
  value,
  onValue,
}: Labelled & Chosen & { options: readonly Option[] }): ReactNode {
  const [text, setText] = useState("");
  const collection = useMemo(() => {
    const typed = text.trim().toLowerCase();
    const items = options
      .filter((option) => shown(option).toLowerCase().includes(typed))
      .slice(0, MOST_SHOWN);
    const known = options.filter((option) => option.value === value && !items.includes(option));
    return createListCollection({
      items: [...items, ...known],
      itemToString: shown,
      itemToValue: (option) => option.value,
    });
  }, [options, text, value]);
  return (
    <Combobox.Root
      collection={collection}
      value={value === "" ? [] : [value]}
      lazyMount
      unmountOnExit
      inputBehavior="autohighlight"
      openOnClick
      onValueChange={(change) => onValue(change.value[0] ?? "")}
      onInputValueChange={({ inputValue, reason }) => {
        setText(reason === "input-change" ? inputValue : "");
        const found = typedOut(options, inputValue);
        if (found && reason === "input-change") onValue(found.value);
      }}
    >
      <Labels label={label} error={error} help={help}>
        <Combobox.Control width="100%">
          <Combobox.Input aria-label={label} onFocus={(event) => event.currentTarget.select()} />
          <Combobox.IndicatorGroup>
            <Combobox.Trigger aria-label={`All for ${label.toLowerCase()}`} />
          </Combobox.IndicatorGroup>
        </Combobox.Control>
      </Labels>
      <Portal>
        <Combobox.Positioner>
          <Combobox.Content>
            <Combobox.Empty>None is called so.</Combobox.Empty>
            {collection.items.map((option) => (
              <Combobox.Item item={option} key={option.value}>
                {shown(option)}
                <Combobox.ItemIndicator />
              </Combobox.Item>
            ))}
          </Combobox.Content>
        </Combobox.Positioner>
      </Portal>
    </Combobox.Root>
  );
}

/** Ties a choice of a checked form by name: `<SearchChoice label="Zone" {...choiceOf(form, "zone")} />`. */
export function choiceOf<T extends FieldValues>(
  form: UseFormReturn<T>,
  name: FieldPath<T>,
): Chosen & { error: string | undefined } {
  return {
    value: (form.watch(name) as string | undefined) ?? "",
    onValue: (value) =>
      form.setValue(name, value as PathValue<T, FieldPath<T>>, {
        shouldDirty: true,
        shouldValidate: form.formState.isSubmitted,
      }),
    error: form.getFieldState(name, form.formState).error?.message,
  };
}
