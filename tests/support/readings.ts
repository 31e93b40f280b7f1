import type { Day } from "@/core/calendar";
import { type FileKind, readTable, type Table } from "@/core/formats";
import type { Currency } from "@/core/money";
import {
  type Answers,
  columnsOfFile,
  kindsOf,
  understand,
  type UnderstoodFile,
  understoodLines,
} from "@/core/readings";

const USD = "USD" as Currency;
export const TODAY = "2026-11-28" as Day;
const CONTEXT = {
  today: TODAY,
  cutOverOn: null,
  currency: USD,
  timeZone: "America/Chicago",
  ownName: "Kestrel Row Clay & Kiln",
};

type Asked = { kind?: FileKind; answers?: Answers; cutOverOn?: Day | null };

/** A list of so many lines, as a file has it. */
export const list = (...lines: string[]): string => `${lines.join("\n")}\n`;

const tableOf = (text: string): Table => {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.error.code);
  return table.value;
};

/** The columns that the fields of a kind take. */
export const columnsIn = (kind: FileKind, text: string): Record<string, string> =>
  columnsOfFile(tableOf(text), kind);

/** The kinds that a list could be, and the one that it surely is. */
export const kindsIn = (text: string): ReturnType<typeof kindsOf> => kindsOf(tableOf(text));

/** A list as it is understood without a person, but for what was said. */
export function readList(
  text: string,
  { kind, answers = {}, cutOverOn = null }: Asked = {},
): UnderstoodFile {
  const table = tableOf(text);
  const as = kind ?? kindsIn(text).sure;
  if (as === null) throw new Error("kind");
  const columns = columnsOfFile(table, as);
  return understand({ table, kind: as, columns, answers }, { ...CONTEXT, cutOverOn });
}

/** The keys of what a list leaves open. */
export const openIn = (text: string, asked?: Asked): string[] =>
  readList(text, asked).questions.map(({ key }) => key);

/** Lines as they are understood: day, sum, what, of. */
export const linesIn = (kind: FileKind, text: string, asked?: Asked): string[] =>
  understoodLines(kind, readList(text, { kind, ...asked }).table, {
    today: TODAY,
    currency: USD,
  }).map(({ day, sum, what, who }) =>
    [day, sum, what, who].filter((part) => part !== "").join(" | "),
  );

/** Lines that stay out, by the rule that leaves them out. */
export const leftOutOf = (text: string, asked?: Asked): string[] =>
  readList(text, asked).leftOut.map(({ line, why }) => `${line} ${why}`);

/** What some columns of activity hold on each line, as it is understood. */
export function cellsIn(
  text: string,
  heads: readonly string[],
  answers: Readonly<Record<string, string>> = {},
): string[] {
  const { table } = readList(text, { kind: "processor", answers });
  const places = heads.map((head) => table.headers.indexOf(head));
  return table.rows.map(({ cells }) =>
    places
      .map((place) => cells[place] ?? "")
      .join(" ")
      .trim(),
  );
}
