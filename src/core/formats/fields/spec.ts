/** A field of a kind of file, and the names that its column goes by; the first is the agreed layout’s. */
export type FieldSpec = {
  readonly field: string;
  readonly needed: boolean;
  readonly type: "text" | "day" | "amount" | "kind" | "currency";
  readonly names: readonly string[];
};

export const text = (field: string, names: string, needed = false): FieldSpec => ({
  field,
  needed,
  type: "text",
  names: names.split(","),
});
export const typed = (
  type: FieldSpec["type"],
  field: string,
  names: string,
  needed = false,
): FieldSpec => ({ field, needed, type, names: names.split(",") });
