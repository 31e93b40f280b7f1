import { type FileKind, plainWords, type Table } from "@/core/formats";

import type { Cells, Row } from "../cells";
import type { Question } from "../types";

/** What the lines of a list are by its title: an answer, and how it is said. */
type Meaning = readonly [answer: string, words: string];
type Title = { readonly words: RegExp; readonly meanings: readonly Meaning[] };

const CHARGES: Meaning = ["charge", "charges"];
const NONE: Meaning = ["none", "no money: they are left out"];
const NOT_YET: Meaning = ["pending", "no money yet: they are left out until they come as settled"];
const OPEN: Meaning = ["open", "open as they stand"];

/** Titles that say what every line of a list is, where none of its columns does (common practice, no source). */
const TITLES: Partial<Record<FileKind, readonly Title[]>> = {
  processor: [
    {
      words:
        /\b(?:declin\w+|failed|failures|rejected|void(?:s|ed)?|cancell?ed|test|sandbox|trials?)\b/,
      meanings: [NONE, CHARGES],
    },
    {
      words: /\b(?:pending|uncaptured|not captured|authori[sz]ations?|auths?|upcoming|scheduled)\b/,
      meanings: [NOT_YET, CHARGES],
    },
    { words: /\b(?:refunds?|refunded)\b/, meanings: [["refund", "refunds"], CHARGES] },
    {
      words: /\b(?:chargebacks?|disputes?|disputed)\b/,
      meanings: [["dispute", "disputes"], CHARGES],
    },
    {
      words: /\b(?:returns|returned|ach returns?)\b/,
      meanings: [["ach_return", "ACH returns"], ["refund", "refunds"], CHARGES],
    },
    {
      words: /^(?:all |list of )?payouts?(?: list| summary| history)?$/,
      meanings: [["payout", "payouts"], CHARGES],
    },
  ],
  invoices: [
    {
      words:
        /\b(?:draft|drafts|void|voided|cancell?ed|quotes?|quotations?|estimates?|orders?|pro ?forma)\b/,
      meanings: [["void", "none that is owed: they are left out"], OPEN],
    },
    {
      words: /\b(?:bills?|payables?|vendors?|suppliers?|purchases?|creditors?)\b/,
      meanings: [["void", "what we owe others: they are left out"], OPEN],
    },
    { words: /\bcredit (?:notes?|memos?)\b/, meanings: [["credit", "credit notes"], OPEN] },
    {
      words: /^(?!.*\b(?:not|un|part|partly|partially|be)\b).*\b(?:paid|settled|closed)\b/,
      meanings: [["paid", "paid: nothing of them is open"], OPEN],
    },
  ],
  bank: [
    {
      words: /\b(?:scheduled|pending|upcoming|future|draft|uncleared)\b/,
      meanings: [NOT_YET, ["counts", "booked"]],
    },
    {
      words: /\b(?:rejected|declined|failed|cancell?ed|returned)\b/,
      meanings: [NONE, ["counts", "booked"]],
    },
  ],
};

/** Columns that say it line by line: a title says nothing then. */
const SAYING: Partial<Record<FileKind, readonly string[]>> = {
  processor: ["kind", "status"],
  invoices: ["type", "status"],
  bank: ["status"],
};

/** What says of no line what it is: two sorts together, or the other of what it names. */
const NOT_ONE = /\b(?:all|incl\w*|with|without|exclud\w*|no)\b/;
const MOST_WORDS = 6;
const LONGEST = 80;

type Titled = {
  readonly text: string;
  readonly key: string;
  readonly meanings: readonly Meaning[];
};

const known = new WeakMap<Cells, Titled | null>();

/** The title of a list that says what its lines are; null where none does, or a column does. */
function titleOf(cells: Cells): Titled | null {
  const before = known.get(cells);
  if (before !== undefined) return before;
  const found = newTitle(cells);
  known.set(cells, found);
  return found;
}

function newTitle(cells: Cells): Titled | null {
  const { kind, table } = cells.file;
  if (table.kind !== undefined || (SAYING[kind] ?? []).some((field) => cells.has(field)))
    return null;
  const [found] = titleLines(table).flatMap((text) => titledBy(kind, text) ?? []);
  return found ?? titledByDay(cells);
}

function titledBy(kind: FileKind, text: string): Titled | null {
  const plain = plainWords(text);
  if (NOT_ONE.test(plain)) return null;
  // Two sorts that are the same to us: quotes and estimates.
  const parts = plain.split(/ (?:and|or) /);
  const title = TITLES[kind]?.find(({ words }) => parts.every((part) => words.test(part)));
  return title ? { text, key: `titled:${plain}`, meanings: title.meanings } : null;
}

/** The head of the only day of a list of activity may say it too: `Declined on`. A charge has a day of its approval. */
function titledByDay(cells: Cells): Titled | null {
  const titled =
    cells.file.kind === "processor" ? titledBy("processor", cells.head("occurredOn")) : null;
  return titled?.meanings.includes(NOT_YET) ? null : (titled ?? titledByNext(cells));
}

/** A list of what is to be charged has the day of the next charge of each. */
function titledByNext(cells: Cells): Titled | null {
  const head = cells.file.kind === "processor" ? cells.head("occurredOn") : "";
  const plain = plainWords(head);
  if (!/^next\b|\b(?:upcoming|scheduled for|renews|renewal)\b/.test(plain)) return null;
  return { text: head, key: `titled:${plain}`, meanings: [NOT_YET, CHARGES] };
}

/**
 * What stands alone in its line above a list, or is the name of its sheet among others, in few words; days
 * and numbers in it are left aside. Labels over several columns are no title.
 */
function titleLines({ records = [], headLine = 1, above = [], sheets = [] }: Table): string[] {
  const lines = records.slice(Math.max(0, headLine - 1 - above.length), Math.max(0, headLine - 1));
  const sheet = sheets.find((one) => one.headLine === headLine);
  return [...lines, ...(sheet ? [[sheet.name]] : [])]
    .map((cells) => cells.filter((cell) => cell.trim() !== ""))
    .flatMap((cells) => (cells.length === 1 ? cells : []))
    .map((text) =>
      text
        .replace(/[\d/.,–-]+/g, " ")
        .replace(/\s+/g, " ")
        .trim(),
    )
    .filter((text) => text !== "" && text.length <= LONGEST && !text.includes(":"))
    .filter((text) => text.split(" ").length <= MOST_WORDS);
}

/** What a title makes of the lines that nothing else says: asked. */
export function titleQuestion(cells: Cells, rows: readonly Row[]): Question[] {
  const title = titleOf(cells);
  if (title === null || rows.length === 0 || cells.file.answers[title.key] !== undefined) return [];
  const lines = rows.length === 1 ? "its line" : `each of its ${rows.length} lines`;
  return [
    {
      key: title.key,
      words: `The list is headed “${title.text.slice(0, 60)}”, and none of its columns says what its lines are.`,
      choices: title.meanings.map(([answer, words]) => ({ answer, result: `${lines}: ${words}` })),
    },
  ];
}

/** What was said of the lines of a list by its title; undefined where nothing was, or it has another title. */
export function saidByTitle(cells: Cells): string | undefined {
  const title = titleOf(cells);
  return title === null ? undefined : cells.file.answers[title.key];
}
