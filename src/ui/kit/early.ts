"use client";

import { useEffect } from "react";

/** What was done in which field; for a box, whether it was ticked. */
type Early = ReadonlyMap<EventTarget | null, string | boolean>;

/**
 * Tells the page what was typed, ticked or chosen while its scripts were still on their way. React
 * leaves such a field as it is when it comes alive and knows nothing of it: with the next change
 * beside it the field would fall back to what the server wrote, without a word.
 */
export function useEarlyFields(): void {
  useEffect(() => {
    const place = window as typeof window & { dozoEarly?: Early | undefined };
    const early = place.dozoEarly ?? new Map();
    // From here on the page hears for itself.
    place.dozoEarly = undefined;
    for (const [field, done] of early) tellField(field, done);
  }, []);
}

function tellField(field: EventTarget | null, done: string | boolean): void {
  if (field instanceof HTMLSelectElement) {
    field.value = String(done);
    tell(field, "change");
  } else if (field instanceof HTMLTextAreaElement) tellText(field, String(done));
  else if (!(field instanceof HTMLInputElement)) return;
  else if (field.type === "file") tell(field, "change");
  else if (typeof done === "boolean") tellTick(field, done);
  else tellText(field, done);
}

const tell = (field: HTMLElement, event: "input" | "change"): boolean =>
  field.dispatchEvent(new Event(event, { bubbles: true }));

/* React hears a change only of what it has not seen: a field is altered, and then changed once more. */

function tellTick(field: HTMLInputElement, ticked: boolean): void {
  // Of several, the one that is on by now tells it.
  if (ticked === field.defaultChecked || (field.type === "radio" && !ticked)) return;
  field.checked = !ticked;
  field.click();
}

function tellText(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  field.value = text === "" ? " " : "";
  // Past what React keeps watch over on the field itself.
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), "value")?.set?.call(field, text);
  tell(field, "input");
}
