import type { FileQuestion } from "@/contracts/arrivals";

type Found = {
  /** How many of how many stand in the book already. */
  readonly twins: number;
  readonly lines: number;
  /** What they are called, one and several. */
  readonly called: readonly [one: string, several: string];
  /** By what they are told, and one of them. */
  readonly by: string;
  readonly where: string;
};

/** Whether what the book has under other ids, numbers or words is the same. */
export function sameQuestion({ twins, lines, called, by, where }: Found): FileQuestion {
  const [one, several] = called;
  const of = lines === 1 ? `${one} stands` : `${several} stand`;
  return {
    key: "same",
    words: `${twins} of ${lines} ${of} in the book already ${by} (${where}). Are they the same?`,
    choices: [
      { answer: "same", result: `yes: ${known(twins, lines)}` },
      { answer: "new", result: lines === 1 ? "no: it is new" : `no: all ${lines} are new` },
    ],
  };
}

function known(twins: number, lines: number): string {
  if (lines === 1) return "it is known, and stays as it stands";
  const others = lines - twins === 1 ? "the other is" : "the others are";
  const these =
    twins === 1
      ? "this one is known and stays as it stands"
      : `these ${twins} are known and stay as they stand`;
  return twins === lines
    ? `all ${lines} are known, and stay as they stand`
    : `${these}, and ${others} new`;
}
