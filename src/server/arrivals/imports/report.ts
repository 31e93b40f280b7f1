import type { ImportReport } from "@/contracts/arrivals";
import type { Refusal } from "@/core/formats";
import type { Currency } from "@/core/money";
import type { Failure } from "@/core/result";
import { inWords } from "@/server/runtime/messages";

const NOT_OURS = "of no concern here";

/** Counts while a file is taken in. */
export class Tallying {
  readonly refused: ImportReport["refused"] = [];
  private readonly outcomes = new Map<string, ImportReport["outcome"][number]>();
  private readonly newLines = new Set<number>();
  private readonly knownLines = new Set<number>();
  private readonly changedLines = new Set<number>();

  private readonly left = new Map<number, string>();
  private said: readonly string[] = [];
  private understood: ImportReport["understood"] = [];
  /** Refusals by what they say: a line that makes two records is told of once. */
  private readonly told = new Set<string>();

  constructor(
    private readonly lines: readonly number[],
    private readonly book: Currency,
  ) {}

  /** Lines that are left out by a rule with a name. */
  leaveOut(line: number, why: string): void {
    this.left.set(line, why);
  }

  /** What the file's own sums prove, and its first lines as they are understood. */
  proves(proofs: readonly string[], understood: ImportReport["understood"]): void {
    this.said = proofs;
    this.understood = understood;
  }

  /** `cellOf`: what stood in the cell that is refused, for whoever mends it. */
  refuse(refusals: readonly Refusal[], cellOf: (refused: Refusal) => string = () => ""): void {
    for (const refusal of refusals) {
      const { line, field, column, error } = refusal;
      const reason = inWords(error);
      // A charge and its fee are of one line, and told once.
      const key = `${line} ${field} ${reason}`;
      if (this.told.has(key)) continue;
      this.told.add(key);
      const cell = cellOf(refusal);
      this.refused.push({ line, field, column, cell, reason, changed: false, waits: true });
    }
  }

  refuseLine(line: number, field: string, error: Failure): void {
    this.refuse([{ line, field, column: field, error }]);
  }

  /** Known, and told otherwise now; what stands in the book stays, and a person has to look. */
  change(line: number, field: string, error: Failure): void {
    this.tellOtherwise(line, field, error, true);
  }

  /** The same where the book has taken it over. */
  replace(line: number, field: string, error: Failure): void {
    this.tellOtherwise(line, field, error, false);
  }

  private tellOtherwise(line: number, field: string, error: Failure, waits: boolean): void {
    this.changedLines.add(line);
    const reason = inWords(error);
    this.refused.push({ line, field, column: field, cell: "", reason, changed: true, waits });
  }

  updated(line: number): void {
    this.changedLines.add(line);
  }

  take(line: number, words: string, sum: number | null, currency: Currency = this.book): void {
    this.newLines.add(line);
    this.also(words, sum, currency);
  }

  /** An outcome that is not a line of its own (a tie, a receipt found). */
  also(words: string, sum: number | null, currency: Currency = this.book): void {
    const key = `${words} ${currency}`;
    const before = this.outcomes.get(key);
    if (before) {
      before.count += 1;
      before.sum = sum === null || before.sum === null ? null : before.sum + sum;
      return;
    }
    const named = currency === this.book ? null : currency;
    this.outcomes.set(key, { words, count: 1, sum, currency: named });
  }

  know(line: number): void {
    this.knownLines.add(line);
  }

  /** Every line of the file is counted once: as refused, changed, new, known or left out. */
  report(fileId: number | null): ImportReport {
    const refused = new Set(this.refused.filter(({ changed }) => !changed).map(({ line }) => line));
    const standing = (line: number): "refused" | "changed" | "new" | "known" | "left" => {
      if (refused.has(line)) return "refused";
      if (this.changedLines.has(line)) return "changed";
      if (this.newLines.has(line)) return "new";
      return this.knownLines.has(line) ? "known" : "left";
    };
    const count = { refused: 0, changed: 0, new: 0, known: 0, left: 0 };
    const leftOut: ImportReport["leftOut"] = [];
    for (const line of this.lines) {
      const as = standing(line);
      count[as] += 1;
      if (as === "left") leftOut.push({ line, why: this.left.get(line) ?? NOT_OURS });
    }
    return {
      fileId,
      lines: this.lines.length,
      new: count.new,
      known: count.known,
      changed: count.changed,
      refused: [...this.refused].sort((a, b) => a.line - b.line),
      outcome: [...this.outcomes.values()],
      leftOut,
      proofs: [...this.said],
      understood: [...this.understood],
      questions: [],
    };
  }
}

/** The file that is being taken in, the act that it makes, and what is counted of it. */
export type FileRun = {
  readonly fileId: number;
  readonly actId: number;
  readonly tally: Tallying;
};

/**
 * Rows with one id: the same content is taken once, another content refuses
 * them all, as nobody can say which is right.
 */
export function withoutTwins<T extends { line: number }>(
  rows: readonly T[],
  idOf: (row: T) => string,
  contentOf: (row: T) => string,
  tally: Tallying,
): T[] {
  const first = new Map<string, T>();
  const bad = new Map<string, T>();
  const kept: T[] = [];
  for (const row of rows) {
    const id = idOf(row);
    const before = first.get(id);
    if (!before) {
      first.set(id, row);
      kept.push(row);
    } else if (contentOf(before) === contentOf(row)) tally.know(row.line);
    else {
      if (!bad.has(id))
        tally.refuseLine(before.line, "id", { code: "row.twice", id: shown(id), other: row.line });
      tally.refuseLine(row.line, "id", { code: "row.twice", id: shown(id), other: before.line });
      bad.set(id, row);
    }
  }
  return bad.size === 0 ? kept : kept.filter((row) => !bad.has(idOf(row)));
}

const shown = (id: string): string => id.split("\u0000").at(-1) ?? id;
