import type { ReactNode } from "react";

import type { GlossaryTerm } from "@/contracts/glossary";

/** Who and how much in the first line; the state and what goes with it in the second. */
export type NarrowPlace = "who" | "sum" | "state" | "more";

/** A column of a list: its head, its cell of a row, its foot. */
export type ListColumn<Row> = {
  id: string;
  header: string;
  /** The word of the glossary that its head is. */
  term?: GlossaryTerm;
  width?: string;
  number?: boolean;
  /** It has a box that is ticked or buttons of its own, needs no head, and opens nothing. */
  box?: boolean;
  /** The name by which the address sorts; none where it cannot. */
  sort?: string;
  /**
   * Its place in the two lines that a row has on a narrow screen; what has none is shown there once
   * the row is opened.
   */
  narrow?: NarrowPlace;
  cell: (row: Row) => ReactNode;
  foot?: ReactNode;
};

/**
 * The places of a list's columns on a narrow screen. Where none is said, the first column says who,
 * the last number how much, and the first of the others the state.
 */
export function narrowPlaces<Row>(
  columns: readonly ListColumn<Row>[],
): readonly (NarrowPlace | undefined)[] {
  if (columns.some(({ narrow }) => narrow !== undefined))
    return columns.map(({ narrow }) => narrow);
  const sum = columns.findLastIndex(({ number }, at) => at > 0 && number === true);
  const state = columns.findIndex((_, at) => at > 0 && at !== sum);
  return columns.map((_, at) => {
    if (at === 0) return "who";
    if (at === sum) return "sum";
    return at === state ? "state" : undefined;
  });
}

/** What an attribute that only marks an element is set to. */
export const marked = (is: boolean | undefined): true | undefined => (is ? true : undefined);

/** A click on a row that was meant for the row, and not for a control in it. */
export function meantForRow(event: { target: EventTarget }): boolean {
  return !(event.target as HTMLElement).closest("a,button,input");
}
