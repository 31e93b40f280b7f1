import type { ImportReport } from "@/contracts/arrivals";
import type { FileKind } from "@/core/formats";

import type { KnownBy } from "./queries/knownMapping";

/** What became of a file, or what it leaves open. */
export type Imported = ImportReport & {
  file: string;
  kind: FileKind;
  sha256: string;
  knownBy: KnownBy;
};

/** What a file that is asked about first has brought. */
export const NOTHING_TAKEN: ImportReport = {
  fileId: null,
  lines: 0,
  new: 0,
  known: 0,
  changed: 0,
  refused: [],
  outcome: [],
  leftOut: [],
  proofs: [],
  understood: [],
  questions: [],
};

/** A report as JSON: what became of the file, without how it was found out. */
export function asData({ sha256: _hash, knownBy: _how, ...report }: Imported): object {
  return { ...report, left_out: report.leftOut.length };
}
