import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { basename } from "node:path";

import type { FileQuestion, ImportReport, InspectedTable } from "@/contracts/arrivals";
import type { FileKind, MappingSpec } from "@/core/formats";
import { headLineIn } from "@/core/readings";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { mappings } from "@/db/files";
import { readSettings } from "@/db/settings";
import { importFile } from "@/server/arrivals/commands/importFile";
import { inspectFile } from "@/server/arrivals/imports/inspectFile";
import { dropFile, keepFile } from "@/server/arrivals/keepFile";
import {
  accountQuestion,
  kindByMapping,
  type KnownMapping,
  sheetByMapping,
  usualMapping,
} from "@/server/arrivals/queries/knownMapping";
import { type Imported, NOTHING_TAKEN } from "@/server/arrivals/reported";
import { runCommand } from "@/server/runtime/command";

import type { Args } from "./outcome";

export type FileToImport = {
  book: string;
  path: string;
  values: Args["values"];
  answers: readonly string[];
  kind: FileKind | undefined;
};

/** Takes in one file, or says what it leaves open; a dry run where `dry-run` is said. */
export async function importOne(db: Db, asked: FileToImport): Promise<Result<Imported>> {
  const { book, path, values, kind } = asked;
  const kept = await keepFile(book, createReadStream(path)).catch((): Result<never> =>
    fail("file.unreadable", { path }),
  );
  if (!kept.ok) return kept;
  const { sha256 } = kept.value;
  const head = headLineIn(saidIn(asked.answers).head);
  const { currency } = readSettings(db);
  const inspected = inspectFile(book, sha256, { kind, currency, head });
  if (!inspected.ok) {
    dropFile(db, book, sha256);
    return inspected;
  }
  const { lines, kindOpen } = inspected.value;
  const open = (question: FileQuestion): Result<Imported> =>
    ok({ ...NOTHING_TAKEN, lines, questions: [question], file: path, sha256, ...found });
  let found: Pick<Imported, "kind" | "knownBy"> = { kind: inspected.value.kind, knownBy: "guess" };
  const known = kindOpen && saidByMapping(db, asked, inspected.value);
  if (known) return importOne(db, known);
  if (kindOpen) return open(kindOpen);
  const chosen = mappingFor(db, values.mapping, inspected.value, kind);
  if (!chosen.ok) return chosen;
  const mapping = withAnswers(chosen.value.mapping, asked);
  found = { kind: mapping.kind, knownBy: chosen.value.knownBy };
  const accounts = accountQuestion(db, mapping.kind, values.account);
  if (accounts) return open(accounts);
  const done = takeIn(db, asked, { ...kept.value, mapping });
  return done.ok ? ok({ ...done.value, file: path, sha256, ...found }) : done;
}

/** What sheets or columns leave open, as a mapping says that was kept for them; null where none does. */
function saidByMapping(
  db: Db,
  asked: FileToImport,
  inspected: InspectedTable,
): FileToImport | null {
  const head = sheetByMapping(db, inspected);
  if (head !== undefined) return { ...asked, answers: [...asked.answers, `head=${head}`] };
  const kind = inspected.kindOpen?.key === "kind" ? kindByMapping(db, inspected) : undefined;
  return kind === undefined ? null : { ...asked, kind };
}

/** Runs the command; where it is refused for what is open, a dry run says what that is. */
function takeIn(
  db: Db,
  { book, path, values }: FileToImport,
  file: { sha256: string; size: number; mapping: MappingSpec },
): Result<ImportReport> {
  const account = typeof values.account === "string" ? values.account : null;
  const run = (rehearse: boolean): Result<ImportReport> =>
    runCommand(
      db,
      importFile,
      { ...file, name: basename(path), account, asking: rehearse },
      { book, actor: "command line", key: randomUUID(), rehearse },
    );
  const done = run(values["dry-run"] === true);
  return !done.ok && done.error.code === "questions.open" ? run(true) : done;
}

/** Answers by the key of their question: `days=dmy`. */
const saidIn = (given: readonly string[]): Record<string, string> =>
  Object.fromEntries(
    given.flatMap((text) => {
      const at = text.lastIndexOf("=");
      return at > 0 ? [[text.slice(0, at), text.slice(at + 1)]] : [];
    }),
  ) as Record<string, string>;

/** What the call says of the file, which nothing in the file overrules. */
function withAnswers(
  mapping: MappingSpec,
  { values: { mark }, answers: given }: Pick<FileToImport, "values" | "answers">,
): MappingSpec {
  const marked: MappingSpec =
    mark === "." || mark === "," ? { ...mapping, decimalMark: mark, markSaid: true } : mapping;
  if (mapping.answers === undefined) return marked;
  const answers: Record<string, string> = { ...mapping.answers, ...saidIn(given) };
  if (mark === "." || mark === ",") answers.mark = mark;
  return { ...marked, answers };
}

function mappingFor(
  db: Db,
  name: string | boolean | undefined,
  inspected: InspectedTable,
  kind: FileKind | undefined,
): Result<KnownMapping> {
  if (typeof name !== "string") return ok(usualMapping(db, inspected));
  const saved = mappings(db).find(
    (mapping) => mapping.name === name && (kind === undefined || mapping.kind === kind),
  );
  return saved
    ? ok({ mapping: JSON.parse(saved.spec) as MappingSpec, knownBy: "mapping" })
    : fail("mapping.unknown", { name });
}
