import { FIELDS, type FieldSpec } from "@/core/formats";

import type { Unread } from "./types";

export type Row = Unread["table"]["rows"][number];

/** What people said that a field without a column holds on every line, by the key of the answer. */
const FIXED = "fixed:";

/** The cells of a file by field. */
export class Cells {
  /** The fields of the kind that have a column here. */
  readonly fields: readonly FieldSpec[];
  private readonly places: ReadonlyMap<string, number>;
  private readonly fixed: ReadonlyMap<string, string>;
  private others: { head: string; at: number }[] | null = null;

  constructor(readonly file: Unread) {
    this.places = new Map(
      Object.entries(file.columns).flatMap(([field, head]) => {
        const at = file.table.headers.indexOf(head);
        return at < 0 ? [] : [[field, at] as const];
      }),
    );
    this.fixed = new Map(
      Object.entries(file.answers).flatMap(([key, value]) =>
        key.startsWith(FIXED) && value.trim() !== ""
          ? [[key.slice(FIXED.length), value.trim()]]
          : [],
      ),
    );
    this.fields = FIELDS[file.kind].filter(({ field }) => this.has(field));
  }

  has(field: string): boolean {
    return this.places.has(field) || this.fixed.has(field);
  }

  /** The cell of a field, without blanks around it; what was said of all lines where it has no column. */
  of(row: Row, field: string): string {
    const at = this.places.get(field);
    return at === undefined ? (this.fixed.get(field) ?? "") : (row.cells[at] ?? "").trim();
  }

  /** Cells of a field that hold something. */
  column(rows: readonly Row[], field: string): string[] {
    return rows.map((row) => this.of(row, field)).filter((cell) => cell !== "");
  }

  /** Heads that no field has taken, with their place. */
  unread(): readonly { head: string; at: number }[] {
    return (this.others ??= this.untaken());
  }

  private untaken(): { head: string; at: number }[] {
    const taken = new Set(this.places.values());
    return this.file.table.headers.flatMap((head, at) =>
      taken.has(at) || head === "" ? [] : [{ head, at }],
    );
  }

  head(field: string): string {
    return this.file.columns[field] ?? "";
  }
}

const IS_ID = /^(?:id|number|trace|\w+Id)$/;

/** An id to which a spreadsheet has given a decimal without it: `1001.0` is 1001. */
export function wholeId(field: string, text: string): string {
  if (!IS_ID.test(field)) return text;
  // A stroke before it keeps a spreadsheet from taking it for a number.
  const bare = /^'\w/.test(text) ? text.slice(1) : text;
  return /^\d{1,15}\.0$/.test(bare) ? bare.slice(0, -2) : bare;
}

/** Whether a list of invoices is in the agreed layout, which says what an empty cell means. */
export const isAgreed = (cells: Cells): boolean =>
  cells.head("number") === "invoice_number" && cells.head("total") === "total";

/** Whether every column goes by the name that the agreed layout gives it: then nothing of it is left to a question. */
export const isAgreedLayout = (cells: Cells): boolean =>
  cells.fields.every(({ field, names }) => cells.head(field) === (names[0] ?? field));

/** The first of some, and how many more there are, for a sentence. */
export const some = (texts: readonly string[], most = 3): string => {
  const different = [...new Set(texts)];
  const shown = different.slice(0, most).map((text) => `“${text.slice(0, 40)}”`);
  const more = different.length - shown.length;
  return shown.join(", ") + (more > 0 ? ` and ${more} more` : "");
};
