import type { InspectedTable } from "@/contracts/arrivals";
import type { FileKind } from "@/core/formats";
import { ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";

import { kindByMapping, sheetByMapping } from "./queries/knownMapping";

/** What a file seems to be: as one of a kind, and with its head on a line, where that is said. */
export type Inspect = (
  kind: FileKind | undefined,
  head?: number,
) => Promise<Result<InspectedTable>>;

type Inspecting = {
  readonly db: Db;
  readonly kind: FileKind | undefined;
  readonly inspect: Inspect;
  /** Whether somebody looks at it: then the sheet that a mapping was kept for is shown first. */
  readonly isSeen?: boolean;
};

/** What a file is; where its sheets or its columns leave that open, as a mapping says that was kept for them. */
export async function inspectKnown({
  db,
  kind,
  inspect,
  isSeen = false,
}: Inspecting): Promise<Result<InspectedTable>> {
  const whole = await inspect(kind);
  if (!whole.ok) return whole;
  // Of which sheet a workbook is to be read comes before what its lines are.
  const head = isSeen ? sheetByMapping(db, whole.value) : undefined;
  const first = head === undefined ? whole : await inspect(kind, head);
  if (!first.ok || first.value.kindOpen?.key !== "kind") return first;
  const known = kindByMapping(db, first.value);
  if (known === undefined) return first;
  const again = await inspect(known, head);
  return again.ok ? ok({ ...again.value, kindOpen: null }) : again;
}
