import type { FileQuestion, ImportReport } from "@/contracts/arrivals";
import type { FileKind } from "@/core/formats";
import { ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import type { InputOf } from "@/server/commands";

import { inWords } from "../runtime/messages";
import { layUnderArrivals } from "./layUnderArrivals";
import { type Inspect, inspectKnown } from "./inspectKnown";
import { accountQuestion, type KnownBy, usualMapping } from "./queries/knownMapping";
import { asData, type Imported, NOTHING_TAKEN } from "./reported";

type Import = InputOf<"importFile">;
type Coming = {
  readonly book: string;
  readonly db: Db;
  readonly file: { readonly sha256: string; readonly size: number; readonly name: string };
  readonly kind: FileKind | undefined;
  readonly account: string | undefined;
  readonly inspect: Inspect;
  readonly run: (input: Import, rehearse: boolean) => Promise<Result<ImportReport>>;
};

/**
 * Takes in a file that another program sends, where its format or a kept mapping tells it, it leaves
 * nothing open and has no line refused. Of all else nothing is taken in, and it waits under Arrivals.
 * The report is that of an import by the command line, with `state` taken or waits.
 */
export async function takeByItself(coming: Coming): Promise<Result<object>> {
  const { db, file, account } = coming;
  const inspected = await inspectKnown(coming);
  if (!inspected.ok) return inspected;
  const { kind, kindOpen, lines } = inspected.value;
  const { mapping, knownBy } = usualMapping(db, inspected.value);
  const told = { file: file.name, sha256: file.sha256, kind, knownBy };
  const asked: FileQuestion | null = kindOpen ?? accountQuestion(db, kind, account);
  if (asked) return waits(coming, { ...NOTHING_TAKEN, ...told, lines, questions: [asked] });
  const input = { ...file, account: account ?? null, mapping };
  const looked = await coming.run({ ...input, asking: true }, true);
  if (!looked.ok && looked.error.code !== "mapping.fields") return looked;
  if (!looked.ok) {
    // It can be read, and nobody has said yet what its columns are.
    const columns = { key: "mapping", words: inWords(looked.error), choices: [] };
    return waits(coming, { ...NOTHING_TAKEN, ...told, lines, questions: [columns] });
  }
  if (!isProven(looked.value, knownBy)) return waits(coming, { ...looked.value, ...told });
  const done = await coming.run({ ...input, asking: false }, false);
  return done.ok ? ok({ state: "taken", ...asData({ ...done.value, ...told }) }) : done;
}

const isProven = ({ questions, refused }: ImportReport, knownBy: KnownBy): boolean =>
  questions.length === 0 && refused.length === 0 && knownBy !== "guess";

function waits({ book, file }: Coming, report: Imported): Result<object> {
  layUnderArrivals(book, file.sha256, file.name);
  // What a dry run says of it is no file of the book yet.
  return ok({ state: "waits", dryRun: true, ...asData({ ...report, fileId: null }) });
}
