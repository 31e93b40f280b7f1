import type { ImportReport } from "@/contracts/arrivals";
import { FILE_KINDS, type FileKind } from "@/core/formats";
import type { Failure } from "@/core/result";
import { asData, type Imported } from "@/server/arrivals/reported";
import { inWords } from "@/server/runtime/messages";
import { openBookToWrite } from "@/server/runtime/books";

import { importOne } from "./importOne";
import { asked } from "./importQuestions";
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
  const reports: Imported[] = [];
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
    data: { dryRun: values["dry-run"] === true, files: reports.map(asData) },
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

/** Lines that stay out; one that is there already with another content is counted as changed. */
const refusedLines = ({ refused }: ImportReport): number =>
  new Set(refused.filter(({ changed }) => !changed).map(({ line }) => line)).size;

const leftOutWords = ({ leftOut }: ImportReport): string[] =>
  [...new Set(leftOut.map(({ why }) => why))].map(
    (why) => `  ${leftOut.filter((entry) => entry.why === why).length} left out: ${why}`,
  );

/** A report as lines of text. */
export function words(report: Imported): string[] {
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
