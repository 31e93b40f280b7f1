import type { InspectedTable } from "@/contracts/arrivals";
import type { FileKind } from "@/core/formats";
import { ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";

import { kindByMapping } from "./queries/knownMapping";

type Inspecting = {
  readonly db: Db;
  readonly kind: FileKind | undefined;
  readonly inspect: (kind: FileKind | undefined) => Promise<Result<InspectedTable>>;
};

/** What a file is; where its columns leave its kind open, as a mapping says that was kept for all of them. */
export async function inspectKnown({
  db,
  kind,
  inspect,
}: Inspecting): Promise<Result<InspectedTable>> {
  const first = await inspect(kind);
  // Of which sheet a workbook is to be read comes before what its lines are.
  if (!first.ok || first.value.kindOpen?.key !== "kind") return first;
  const known = kindByMapping(db, first.value);
  if (known === undefined) return first;
  const again = await inspect(known);
  return again.ok ? ok({ ...again.value, kindOpen: null }) : again;
}
