import { FIELDS } from "./fields";
import type { MappingSpec } from "./mapping";

/** Fields of which one is enough instead of a needed one. */
const INSTEAD: Readonly<Record<string, readonly string[]>> = {
  total: ["debit", "balance"],
  externalId: ["name"],
  amount: ["total"],
};

/** Needed fields that the mapping gives no column; the file cannot be read without them. */
export function missingFields(spec: Pick<MappingSpec, "kind" | "columns" | "answers">): string[] {
  const has = (field: string): boolean =>
    spec.columns[field] !== undefined || (spec.answers?.[`fixed:${field}`] ?? "").trim() !== "";
  const missing = FIELDS[spec.kind]
    .filter(({ needed, field }) => needed && ![field, ...(INSTEAD[field] ?? [])].some(has))
    .map(({ field }) => field);
  if (spec.kind === "bank" && !has("amount") && !has("moneyIn")) missing.push("amount");
  if (spec.kind === "processor" && !["gross", "moneyIn", "net"].some(has)) missing.push("gross");
  return missing;
}

/** The same as they are called in a file. */
export const missingInWords = (spec: Parameters<typeof missingFields>[0]): string[] =>
  missingFields(spec).map((missing) => {
    const name = FIELDS[spec.kind].find(({ field }) => field === missing)?.names[0];
    return (name ?? missing).replaceAll("_", " ");
  });
