import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { basename } from "node:path";

import type { ImportReport, InspectedTable } from "@/contracts/arrivals";
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

import { accountQuestion, asked, NOTHING_TAKEN } from "./importQuestions";
import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo import`: the same dry run and all-or-nothing as the page; each file in a transaction of its own. */
export async function importFiles({ values, answers, files }: Args): Promise<Outcome> {
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
      answers,
      kind: kind === "auto" ? undefined : (kind as FileKind),
    });
    if (!done.ok) return stopped(done.error, path, reports.flatMap(words));
    if (done.value.questions.length > 0) return asked(done.value, path, reports.flatMap(words));
    reports.push(done.value);
  }
  const refused = reports.some((report) => report.refused.length > 0);
  return {
    code: refused ? EXIT.wrong : EXIT.done,
    text: reports.flatMap(words).join("\n"),
    data: {
      dryRun: values["dry-run"] === true,
      files: reports.map((report) => ({ ...report, left_out: report.leftOut.length })),
    },
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
  answers: readonly string[];
  kind: FileKind | undefined;
};

async function importOne(
  db: Db,
  { book, path, values, answers, kind }: FileToImport,
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
  if (inspected.value.kindOpen)
    return ok({
      ...NOTHING_TAKEN,
      lines: inspected.value.lines,
      questions: [inspected.value.kindOpen],
      file: path,
      kind: inspected.value.kind,
    });
  const found = mappingFor(db, values.mapping, inspected.value, kind);
  if (!found.ok) return found;
  const mapping = withAnswers(found.value, { values, answers });
  const accounts = accountQuestion(db, mapping.kind, values.account);
  const input = {
    ...kept.value,
    name: basename(path),
    mapping,
    account: typeof values.account === "string" ? values.account : null,
    asking: true,
  };
  if (accounts)
    return ok({
      ...NOTHING_TAKEN,
      lines: inspected.value.lines,
      questions: [accounts],
      file: path,
      kind: mapping.kind,
    });
  const run = (rehearse: boolean): Result<ImportReport> =>
    runCommand(
      db,
      importFile,
      { ...input, asking: rehearse },
      {
        book,
        actor: "command line",
        key: randomUUID(),
        rehearse,
      },
    );
  const done = run(values["dry-run"] === true);
  const said = !done.ok && done.error.code === "questions.open" ? run(true) : done;
  return said.ok ? ok({ ...said.value, file: path, kind: mapping.kind }) : said;
}

/** What the call says of the file, which nothing in the file overrules. */
function withAnswers(
  mapping: MappingSpec,
  { values: { mark }, answers: given }: Pick<FileToImport, "values" | "answers">,
): MappingSpec {
  const marked: MappingSpec =
    mark === "." || mark === "," ? { ...mapping, decimalMark: mark, markSaid: true } : mapping;
  if (mapping.answers === undefined) return marked;
  const said = given.flatMap((text) => {
    const at = text.lastIndexOf("=");
    return at > 0 ? [[text.slice(0, at), text.slice(at + 1)]] : [];
  });
  const answers = { ...mapping.answers, ...Object.fromEntries(said) } as Record<string, string>;
  if (mark === "." || mark === ",") answers.mark = mark;
  return { ...marked, answers };
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
  { mapping: guessed, headers, kind: as }: Pick<InspectedTable, "mapping" | "headers" | "kind">,
  kind: FileKind | undefined,
): Result<MappingSpec> {
  if (typeof name !== "string") {
    // A mapping that was kept for such a head is taken up again.
    const kept = mappings(db)
      .filter((mapping) => mapping.kind === as)
      .map(({ spec }) => JSON.parse(spec) as MappingSpec)
      .find((spec) => Object.values(spec.columns).every((head) => headers.includes(head)));
    return ok(kept ? { answers: {}, ...kept } : guessed);
  }
  const saved = mappings(db).find(
    (mapping) => mapping.name === name && (kind === undefined || mapping.kind === kind),
  );
  return saved ? ok(JSON.parse(saved.spec) as MappingSpec) : fail("mapping.unknown", { name });
}

/** Lines that stay out; one that is there already with another content is counted as changed. */
const refusedLines = ({ refused }: ImportReport): number =>
  new Set(refused.filter(({ changed }) => !changed).map(({ line }) => line)).size;

const leftOutWords = ({ leftOut }: ImportReport): string[] =>
  [...new Set(leftOut.map(({ why }) => why))].map(
    (why) => `  ${leftOut.filter((entry) => entry.why === why).length} left out: ${why}`,
  );

function words(report: ImportReport & { file: string; kind: FileKind }): string[] {
  return [
    `${report.file} (${report.kind}): ${report.lines} lines, ${report.new} new, ${report.known} known, ${report.changed} changed, ${refusedLines(report)} refused, ${report.leftOut.length} left out`,
    ...report.proofs.map((proof) => `  ${proof}`),
    ...leftOutWords(report),
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
