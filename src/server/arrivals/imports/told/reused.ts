import type { FileQuestion } from "@/contracts/arrivals";
import { type Day, daysBetween } from "@/core/calendar";
import type { Minor } from "@/core/money";

/** The answer that lines of a known id are others. */
export const OTHERS = "others";
/** What is told anew may have another day; a week from it, it is hardly the same. */
const MOST_DAYS = 7;

export type Told = { readonly amount: Minor; readonly on: Day };

/**
 * Whether what has a known id has neither its day nor its sum, or is long before or after it. Another
 * sort of export may say another day of the same sum: of its booking, of its payout.
 */
export function isOther(told: Told, known: Told & { readonly isOfSort: boolean }): boolean {
  const apart = Math.abs(daysBetween(known.on, told.on));
  return told.amount === known.amount ? known.isOfSort && apart > MOST_DAYS : apart > 0;
}

/** A line of a file with the id of what the book has, each with its sum and day. */
export type Reused = {
  readonly line: number;
  readonly id: string;
  readonly here: Told;
  readonly before: Told;
};

/** The question whether what has a known id is that, changed, or another. */
export function reusedQuestionOf(
  open: readonly Reused[],
  words: {
    readonly inWords: (told: Told) => string;
    readonly of: readonly [one: string, several: string];
  },
): FileQuestion[] {
  const [first] = open;
  if (!first) return [];
  const { line, id } = first;
  const [here, before] = [words.inWords(first.here), words.inWords(first.before)];
  const [one, several] = words.of;
  const count = open.length;
  const isOne = count === 1;
  const [has, which] = isOne
    ? ["1 line has", "Which is it?"]
    : [`${count} lines have`, "Which are they?"];
  const [other, same] = isOne
    ? [`another ${one}: both stay, and its id is not its own`, `the same ${one}`]
    : [`other ${several}: all stay, and their ids are not their own`, `the same ${several}`];
  return [
    {
      key: "reused",
      words: `${has} the id of a ${one} of another day (line ${line}: “${id.slice(0, 40)}” is ${here} here, and ${before} in the book). ${which}`,
      choices: [
        { answer: OTHERS, result: other },
        {
          answer: "changed",
          result: `${same}, changed: this takes the place of what stands there`,
        },
      ],
    },
  ];
}
