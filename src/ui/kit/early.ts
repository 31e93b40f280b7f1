"use client";

import { useEffect } from "react";

type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

/**
 * Tells the page what was typed, ticked or chosen while its scripts were still on their way. React
 * leaves such a field as it is when it comes alive and knows nothing of it: with the next change
 * beside it the field would fall back to what the server wrote, without a word.
 */
export function useEarlyFields(): void {
  useEffect(() => {
    for (const field of document.querySelectorAll<Field>("input, select, textarea"))
      if (field instanceof HTMLSelectElement) tellChoice(field);
      else if (field instanceof HTMLInputElement && isTicked(field)) tellTick(field);
      else if (field instanceof HTMLInputElement && field.type === "file") tellFiles(field);
      else tellText(field);
  }, []);
}

const isTicked = ({ type }: HTMLInputElement): boolean => type === "checkbox" || type === "radio";

const tell = (field: Field, event: "input" | "change"): boolean =>
  field.dispatchEvent(new Event(event, { bubbles: true }));

function tellChoice(field: HTMLSelectElement): void {
  const options = [...field.options];
  const written = options.find(({ defaultSelected }) => defaultSelected) ?? options[0];
  if (written !== undefined && field.value !== written.value) tell(field, "change");
}

function tellFiles(field: HTMLInputElement): void {
  if ((field.files?.length ?? 0) > 0) tell(field, "change");
}

/** React hears a change only of what it has not seen: the field is put back, and changed once more. */
function tellTick(field: HTMLInputElement): void {
  // Of several, the one that is on by now tells it.
  if (field.checked === field.defaultChecked || (field.type === "radio" && !field.checked)) return;
  field.checked = field.defaultChecked;
  field.click();
}

function tellText(field: Exclude<Field, HTMLSelectElement>): void {
  const { value, defaultValue } = field;
  if (value === defaultValue || field.type === "hidden") return;
  field.value = defaultValue;
  // Past what React keeps watch over on the field itself.
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), "value")?.set?.call(field, value);
  tell(field, "input");
}
