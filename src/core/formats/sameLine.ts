import type { ProcessorRecord } from "./activityRecord";

/** What is about a charge, and may stand on its line. */
const ABOUT_CHARGES: ReadonlySet<string> = new Set(["refund", "ach_return"]);

/**
 * A refund or a return that a line tells beside its charge is of that, though no id says so.
 * @returns What reads the records of a file's rows in their order, and says of each what it is of.
 */
export function ofSameLine(): (records: readonly ProcessorRecord[]) => void {
  let charge: { line: number; externalId: string } | null = null;
  return (records) => {
    for (const record of records) {
      if (record.kind === "payout") continue;
      if (record.kind === "charge") charge = record;
      else if (
        ABOUT_CHARGES.has(record.kind) &&
        record.relatedId === null &&
        charge?.line === record.line
      )
        record.relatedId = charge.externalId;
    }
  };
}
