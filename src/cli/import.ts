import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { basename } from "node:path";

import type { ImportReport } from "@/contracts/arrivals";
import { FILE_KINDS, type FileKind, type MappingSpec } from "@/core/formats";
import { type Failure, fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { mappings } from "@/db/files";
import { importFile } from "@/server/arrivals/commands/importFile";
import { inspectFile } from "@/server/arrivals/imports/read";
import { dropFile, keepFile } from "@/server/arrivals/keepFile";
import { readSettings } from "@/db/settings";
import { inWords } from "@/server/runtime/messages";
import { openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo import`: the same dry run and all-or-nothing as the page; each file in a transaction of its own. */
export async function importFiles({ values, files }: Args): Promise<Outcome> {
  const { book, kind = "auto" } = values;
  if (typeof book !== "string" || files.length === 0)
    return wrongCall("Say --book and at least one file.");
  const wrong = wrongFlag(values);
  if (wrong !== null) return wrongCall(wrong);
  const opened = openBookToWrite(book);
  if (!opened.ok) return failed(opened.error);
  const reports: (ImportReport & { file: string; kind: FileKind })[] = [];
  for (const path of files) {
    const done = await importOne(opened.value, {
      book,
      path,
      values,
      kind: kind === "auto" ? undefined : (kind as FileKind),
    });
    if (!done.ok) return stopped(done.error, path, reports.flatMap(words));
    reports.push(done.value);
  }
  const refused = reports.some((report) => report.refused.length > 0);
  return {
    code: refused ? EXIT.wrong : EXIT.done,
    text: reports.flatMap(words).join("\n"),
    data: { dryRun: values["dry-run"] === true, files: reports },
  };
}

function wrongFlag({ kind = "auto", mark }: Args["values"]): string | null {
  if (!["auto", ...FILE_KINDS].includes(String(kind)))
    return `There is no kind “${kind}”. Use auto, ${FILE_KINDS.join(", ")}.`;
  return [undefined, ".", ","].includes(mark as string | undefined)
    ? null
    : "--mark is . or , (the decimal sign of the file).";
}

/** A file that could not be taken in ends the call; what it leaves open is asked, with the flags that answer. */
function stopped(error: Failure, path: string, before: string[]): Outcome {
  const questions = questionsOf(error);
  const outcome = failed(error);
  return {
    ...outcome,
    ...(questions.length > 0 ? { code: EXIT.wrong, data: { questions } } : {}),
    messages: [...before, ...(outcome.messages ?? []).map((message) => `${path}: ${message}`)],
  };
}

type FileToImport = {
  book: string;
  path: string;
  values: Args["values"];
  kind: FileKind | undefined;
};

async function importOne(
  db: Db,
  { book, path, values, kind }: FileToImport,
): Promise<Result<ImportReport & { file: string; kind: FileKind }>> {
  const kept = await keepFile(book, createReadStream(path)).catch((): Result<never> =>
    fail("file.unreadable", { path }),
  );
  if (!kept.ok) return kept;
  const { currency } = readSettings(db);
  const inspected = inspectFile(book, kept.value.sha256, { kind, currency });
  if (!inspected.ok) {
    dropFile(db, book, kept.value.sha256);
    return inspected;
  }
  const found = mappingFor(db, values.mapping, inspected.value.mapping, kind);
  if (!found.ok) return found;
  const mapping = ok(withMark(found.value, values.mark));
  const input = {
    ...kept.value,
    name: basename(path),
    mapping: mapping.value,
    account: typeof values.account === "string" ? values.account : null,
  };
  const done = runCommand(db, importFile, input, {
    book,
    actor: "command line",
    key: randomUUID(),
    rehearse: values["dry-run"] === true,
  });
  return done.ok ? ok({ ...done.value, file: path, kind: mapping.value.kind }) : done;
}

/** The decimal sign that the call says, which nothing in the file overrules. */
function withMark(mapping: MappingSpec, mark: string | boolean | undefined): MappingSpec {
  return mark === "." || mark === "," ? { ...mapping, decimalMark: mark, markSaid: true } : mapping;
}

/** What a file leaves open, with the flag that answers it. */
function questionsOf({
  code,
  ...facts
}: Failure): { code: string; words: string; choices: Choice[] }[] {
  if (code !== "mark.open") return [];
  const choices = (["point", "comma"] as const).map((name, at) => ({
    flag: `--mark ${".,"[at]}`,
    result: `${facts.sample}: the ${name} is the decimal sign`,
  }));
  return [{ code, words: inWords({ code, ...facts }), choices }];
}
type Choice = { flag: string; result: string };

function mappingFor(
  db: Db,
  name: string | boolean | undefined,
  guessed: MappingSpec,
  kind: FileKind | undefined,
): Result<MappingSpec> {
  if (typeof name !== "string") return ok(guessed);
  const saved = mappings(db).find(
    (mapping) => mapping.name === name && (kind === undefined || mapping.kind === kind),
  );
  return saved ? ok(JSON.parse(saved.spec) as MappingSpec) : fail("mapping.unknown", { name });
}

function words(report: ImportReport & { file: string; kind: FileKind }): string[] {
  return [
    `${report.file} (${report.kind}): ${report.lines} lines, ${report.new} new, ${report.known} known, ${report.changed} changed, ${new Set(report.refused.map(({ line }) => line)).size} refused`,
    ...report.outcome.map(({ words: what, count }) => `  ${count} ${what}`),
    ...report.refused
      .slice(0, 50)
      .map(
        ({ line, column, reason }) =>
          `  line ${line}${column === "" ? "" : `, ${column}`}: ${reason}`,
      ),
    ...(report.refused.length > 50 ? [`  and ${report.refused.length - 50} more`] : []),
  ];
}
