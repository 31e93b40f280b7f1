import { writeFileSync } from "node:fs";

import { type Day, parseDay } from "@/core/calendar";
import { readSettings } from "@/db/settings";
import { writePackage } from "@/server/books/trail/auditPackage";
import { type ExportName, EXPORTS, periodOf, sheetOf } from "@/server/output/exports";
import { type Format, FORMATS, render } from "@/server/output/sheets";
import { openBookToRead } from "@/server/runtime/books";
import { todayOf } from "@/server/runtime/context";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo export`: a report to standard output, or to a file. */
export async function exportReport(args: Args): Promise<Outcome> {
  const [what, ...more] = args.files;
  if (more.length > 0) return reportOf(args);
  if (what === "audit") return auditPackage(args.values);
  if (what === "ubl" || what === "pdf")
    return (await import("./exportDocument")).exportDocument(what, args.values);
  return reportOf(args);
}

async function reportOf({ values, files }: Args): Promise<Outcome> {
  const name = EXPORTS.find((name) => name === files[0]);
  if (!name || files.length !== 1)
    return wrongCall(`Say which: ${EXPORTS.join(", ")}, audit, ubl, pdf.`);
  if (typeof values.book !== "string") return wrongCall("Say --book.");
  const format = FORMATS.find((name) => name === (values.format ?? (values.json ? "json" : "csv")));
  if (!format) return wrongCall(`There is no format “${String(values.format)}”.`);
  const days = { asOf: dayIn(values["as-of"]), from: dayIn(values.from), to: dayIn(values.to) };
  const wrong = (["as-of", "from", "to"] as const).find(
    (option) => values[option] !== undefined && dayIn(values[option]) === undefined,
  );
  if (wrong) return wrongCall(`--${wrong} is not a date like 2026-11-24.`);
  if (days.asOf && (days.from || days.to))
    return wrongCall("Say --as-of, or --from and --to, not both.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return failed(opened.error);
  return give(
    name,
    sheetOf(opened.value, name, periodOf(todayOf(readSettings(opened.value)), days)),
    format,
    values.out,
  );
}

/** The whole history of a book with what proves it, for somebody who does not have the program's database. */
async function auditPackage({ book, out }: Args["values"]): Promise<Outcome> {
  if (typeof book !== "string" || typeof out !== "string")
    return wrongCall("Say --book and --out.");
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  await writePackage(opened.value, out);
  return {
    code: EXIT.done,
    messages: [`the history of ${book} is in ${out}`],
    data: { file: out },
  };
}

async function give(
  name: ExportName,
  sheet: ReturnType<typeof sheetOf>,
  format: Format,
  out: string | boolean | undefined,
): Promise<Outcome> {
  const { bytes } = await render(sheet, format, name);
  if (typeof out !== "string") return { code: EXIT.done, bytes };
  writeFileSync(out, bytes);
  return { code: EXIT.done, messages: [`${sheet.rows.length} lines written to ${out}`] };
}

function dayIn(value: string | boolean | undefined): Day | undefined {
  const parsed = typeof value === "string" ? parseDay(value, "ymd") : undefined;
  return parsed?.ok ? parsed.value : undefined;
}
