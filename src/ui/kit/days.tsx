"use client";

import { Input } from "@chakra-ui/react";
import { type ComponentProps, type FocusEvent, type ReactNode, useState } from "react";
import type { FieldPath, FieldValues, PathValue, UseFormReturn } from "react-hook-form";

import { type Day, readTypedDay, shownDay, typedOrderIn } from "@/core/calendar";

import { useCountry, useToday } from "./book";
import { Labels, LineField } from "./fields";

/**
 * A day that is typed as the page writes it (`Wed 11 Nov`), in figures, or as `+3`, `today`, `fri`.
 * `onDay` hears every day that can be read, and "" where there is none; `value` is an ISO day.
 */
type DayInput = { value: Day | ""; onDay: (day: Day | "") => void };

/** What a field for a day shows, and what is wrong with what was typed. */
function useTypedDay({ value, onDay }: DayInput) {
  const today = useToday();
  // Day and month in figures come as the book's country writes them.
  const order = typedOrderIn(useCountry());
  const [typed, setTyped] = useState<string | null>(null);
  const [wasTyped, setWasTyped] = useState(false);
  const read = typed === null ? null : readTypedDay(typed, today, order);
  const unread = read !== null && !read.ok && read.error.code !== "day.empty";
  const change = (text: string): void => {
    setTyped(text);
    setWasTyped(true);
    const found = readTypedDay(text, today, order);
    if (found.ok) onDay(found.value);
    else if (found.error.code === "day.empty") onDay("");
  };
  return {
    text: typed ?? shownDay(value, today),
    /** The day that is meant, while somebody types; a problem where none can be read. */
    meant: read?.ok ? shownDay(read.value, today) : undefined,
    problem: unread ? PROBLEM : undefined,
    // Its line stays when the field is left: what is pressed just then must not move away from under it.
    kept: wasTyped ? BLANK : undefined,
    change,
    // What cannot be read stays to be mended.
    leave: (): void => setTyped(unread ? typed : null),
  };
}

const BLANK = "\u00a0";
const PROBLEM = "A day like 11 Nov, 11/11, +3 or today.";

/** All of the text is chosen, so that what is typed takes its place. */
const choose = (event: FocusEvent<HTMLInputElement>): void => event.currentTarget.select();

/** A day in a form: labelled, in words when it is left. */
export function DayField({
  label,
  error,
  help,
  value,
  onDay,
  ...input
}: { label: string; error?: string | undefined; help?: string | undefined } & DayInput &
  Omit<ComponentProps<typeof Input>, "value" | "onChange" | "type">): ReactNode {
  const { text, meant, problem, kept, change, leave } = useTypedDay({ value, onDay });
  return (
    <Labels label={label} error={problem ?? error} help={meant ?? help ?? kept}>
      <Input
        {...input}
        value={text}
        onFocus={choose}
        onChange={(event) => change(event.target.value)}
        onBlur={leave}
      />
    </Labels>
  );
}

/** A day within a line of text or a row. */
export function LineDay({
  value,
  onDay,
  ...input
}: DayInput & Omit<ComponentProps<typeof LineField>, "value" | "onChange" | "type">): ReactNode {
  const { text, meant, problem, change, leave } = useTypedDay({ value, onDay });
  return (
    <LineField
      kind="text"
      width="116px"
      {...input}
      value={text}
      title={problem ?? meant ?? PROBLEM}
      aria-invalid={problem !== undefined}
      data-tone={problem === undefined ? undefined : "off"}
      onFocus={choose}
      onChange={(event) => change(event.target.value)}
      onBlur={leave}
    />
  );
}

/** Ties a day of a checked form by name: `<DayField label="From" {...dayFieldOf(form, "from")} />`. */
export function dayFieldOf<T extends FieldValues>(
  form: UseFormReturn<T>,
  name: FieldPath<T>,
): DayInput & { error: string | undefined } {
  return {
    // A field that was given no default has no value yet.
    value: (form.watch(name) as Day | undefined) ?? "",
    onDay: (day) =>
      form.setValue(name, day as PathValue<T, FieldPath<T>>, {
        shouldDirty: true,
        shouldValidate: form.formState.isSubmitted,
      }),
    error: form.getFieldState(name, form.formState).error?.message,
  };
}
