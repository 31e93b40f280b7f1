import type { ReactNode } from "react";

/** A column of a list: its head, its cell of a row, its foot. */
export type ListColumn<Row> = {
  id: string;
  header: string;
  width?: string;
  number?: boolean;
  /** The name by which the address sorts; none where it cannot. */
  sort?: string;
  cell: (row: Row) => ReactNode;
  foot?: ReactNode;
};

/** What an attribute that only marks an element is set to. */
export const marked = (is: boolean | undefined): true | undefined => (is ? true : undefined);

/** A click on a row that was meant for the row, and not for a control in it. */
export function meantForRow(event: { target: EventTarget }): boolean {
  return !(event.target as HTMLElement).closest("a,button,input");
}
