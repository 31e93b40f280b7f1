import { FIELDS, type FieldSpec } from "@/core/formats";

import type { Unread } from "./types";

export type Row = Unread["table"]["rows"][number];

/** The cells of a file by field. */
export class Cells {
  /** The fields of the kind that have a column here. */
  readonly fields: readonly FieldSpec[];
  private readonly places: ReadonlyMap<string, number>;

  constructor(readonly file: Unread) {
    this.places = new Map(
      Object.entries(file.columns).flatMap(([field, head]) => {
        const at = file.table.headers.indexOf(head);
        return at < 0 ? [] : [[field, at] as const];
      }),
    );
    this.fields = FIELDS[file.kind].filter(({ field }) => this.places.has(field));
  }

  has(field: string): boolean {
    return this.places.has(field);
  }

  /** The cell of a field, without blanks around it; empty where the field has no column. */
  of(row: Row, field: string): string {
    const at = this.places.get(field);
    return at === undefined ? "" : (row.cells[at] ?? "").trim();
  }

  /** Cells of a field that hold something. */
  column(rows: readonly Row[], field: string): string[] {
    return rows.map((row) => this.of(row, field)).filter((cell) => cell !== "");
  }

  /** Heads that no field has taken, with their place. */
  unread(): { head: string; at: number }[] {
    const taken = new Set(this.places.values());
    return this.file.table.headers.flatMap((head, at) =>
      taken.has(at) || head === "" ? [] : [{ head, at }],
    );
  }

  head(field: string): string {
    return this.file.columns[field] ?? "";
  }
}

/** The first of some, and how many more there are, for a sentence. */
export const some = (texts: readonly string[], most = 3): string => {
  const different = [...new Set(texts)];
  const shown = different.slice(0, most).map((text) => `“${text.slice(0, 40)}”`);
  const more = different.length - shown.length;
  return shown.join(", ") + (more > 0 ? ` and ${more} more` : "");
};
