import type { Table } from "@/core/formats";

import type { Cells } from "../cells";
import { type DayReading, dayUnder } from "./dayUnder";
import { type WrittenDay } from "./writtenDay";
import type { Question } from "../types";
import { zoneIn } from "./zoneNames";

/** A column of days, by its field. */
export type WrittenColumn = { readonly field: string; readonly days: readonly WrittenDay[] };

type Zones = {
  /** How the days of a field are read. */
  readonly of: (field: string) => DayReading;
  readonly questions: readonly Question[];
};

/** Zones that a head names behind its field: `Created (UTC)`. */
const HEAD_ZONE = /\b(utc|gmt)\b/i;

/**
 * In which zone the times of each column are. Midnight on every line is a day and no time; where a
 * zone stands beside it, both can be. Times without a zone are the book's own or UTC: asked where it
 * makes another day.
 */
export function zonesOfFile(
  cells: Cells,
  columns: readonly WrittenColumn[],
  base: DayReading,
): Zones {
  const { answers } = cells.file;
  const found = columns.map((column) => ofColumn(cells, column, base));
  const readings = new Map(found.map(({ field, reading }) => [field, reading]));
  const open = found.flatMap(({ open: moved }) => moved);
  const [sample] = open;
  return {
    of: (field) => readings.get(field) ?? base,
    questions: [
      ...found.flatMap(({ questions }) => questions),
      ...(sample && answers.zone === undefined ? [zoneQuestion(sample, open.length, base)] : []),
    ],
  };
}

type Found = {
  readonly field: string;
  readonly reading: DayReading;
  readonly questions: readonly Question[];
  /** Moments without a zone that would be another day in UTC. */
  readonly open: readonly WrittenDay[];
};

function ofColumn(cells: Cells, { field, days }: WrittenColumn, base: DayReading): Found {
  const times = days.filter(({ minutes }) => minutes !== null);
  const isUtc = HEAD_ZONE.test(cells.head(field)) || cells.file.answers.zone === "utc";
  const above = cells.file.answers.zone === "book" ? null : zoneAbove(cells.file.table);
  const zoned: DayReading = { ...base, assumedZone: isUtc ? 0 : above };
  if (times.length > 0 && times.every(({ minutes }) => minutes === 0))
    return midnights(cells, { field, days: times }, { base, zoned });
  const open = times.filter(
    (written) =>
      written.zone === null &&
      zoned.assumedZone === null &&
      dayUnder(written, base) !== dayUnder(written, { ...base, assumedZone: 0 }),
  );
  return { field, reading: zoned, questions: [], open };
}

/** Words above a list that say in which zone its times are (common practice, no source). */
const SAYS_ZONE =
  /\b(?:time ?zone|(?:all )?(?:times|dates)(?: and times)? (?:are |shown |displayed |given )*(?:in |as )?|zeitzone|fuseau horaire|zona horaria)\b:?\s?/i;

/** The zone that the lines above a list say its times are in; null where they say none. */
function zoneAbove({ above = [] }: Table): string | null {
  for (const line of above) {
    const said = SAYS_ZONE.exec(line);
    const zone = said && zoneIn(line.slice(said.index + said[0].length));
    if (zone !== null) return zone;
  }
  return null;
}

/** A column of nothing but midnights: days, or moments that fall on the day before in the book's zone. */
function midnights(
  cells: Cells,
  { field, days }: WrittenColumn,
  { base, zoned }: { base: DayReading; zoned: DayReading },
): Found {
  const key = `midnight:${field}`;
  const said = cells.file.answers[key];
  const asDays: DayReading = { ...base, asDays: true };
  const sample = days.find((written) => dayUnder(written, zoned) !== dayUnder(written, asDays));
  const reading = said === "moment" ? zoned : asDays;
  if (!sample || said !== undefined) return { field, reading, questions: [], open: [] };
  const question: Question = {
    key,
    words: `“${cells.head(field)}” is midnight UTC on every line. Is it a day, or a moment that is another day in ${base.timeZone}?`,
    choices: [
      { answer: "day", result: `a day: ${dayUnder(sample, asDays) ?? "–"} stays that day` },
      { answer: "moment", result: `a moment: it is on ${dayUnder(sample, zoned) ?? "–"} here` },
    ],
  };
  return { field, reading, questions: [question], open: [] };
}

function zoneQuestion(sample: WrittenDay, count: number, base: DayReading): Question {
  const minutes = sample.minutes ?? 0;
  const time = `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
  const [own, utc] = [dayUnder(sample, base), dayUnder(sample, { ...base, assumedZone: 0 })];
  return {
    key: "zone",
    words: `The file gives times without a zone, and ${count} of them are another day in ${base.timeZone} if they are UTC. Which are they?`,
    choices: [
      { answer: "book", result: `the book’s own time: ${time} on ${own ?? "–"} stays that day` },
      { answer: "utc", result: `UTC: the same moment is on ${utc ?? "–"} here` },
    ],
  };
}
