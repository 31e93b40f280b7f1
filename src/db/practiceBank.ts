import { addDays, type Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import { PracticeProofs } from "./practiceProofs";

/** The days after one, to another; that day alone where none is before it. */
export type Days = { after?: Day; to: Day };
export const before = ({ after, to }: Days): Day => after ?? addDays(to, -1);

/** What a customer's own bank sends beside a payment: what it is for. */
export type PracticeAdvice = {
  trace: string;
  payer: string;
  lines: { number: string; amount: number }[];
};

/** What the bank of an account says of it: that it is to be mended. */
export type PracticeNotice = { charge: string; code: string; payer: string; onDay: Day };

/** What the practice bank keeps: the lines of its statement, and what is sent beside them. */
export class PracticeBank extends PracticeProofs {
  addBankLine(on: Day, description: string, amount: number): void {
    this.db.run(
      "INSERT INTO bank (on_day, description, amount) VALUES (?, ?, ?)",
      on,
      description,
      amount,
    );
  }

  bankLines(days: Days): { onDay: Day; description: string; amount: Minor }[] {
    return this.db.all(
      "SELECT on_day AS onDay, description, amount FROM bank WHERE on_day > ? AND on_day <= ? ORDER BY on_day, no",
      before(days),
      days.to,
    );
  }

  /** What all lines before those days come to. */
  bankBefore(days: Days): Minor {
    return (
      this.db.get<{ sum: Minor }>(
        "SELECT coalesce(sum(amount), 0) AS sum FROM bank WHERE on_day <= ?",
        before(days),
      )?.sum ?? (0 as Minor)
    );
  }

  addAdvice(on: Day, advice: PracticeAdvice): void {
    this.db.run("INSERT INTO advice (on_day, said) VALUES (?, ?)", on, JSON.stringify(advice));
  }

  advices(on: Day): PracticeAdvice[] {
    return this.db
      .all<{ said: string }>("SELECT said FROM advice WHERE on_day = ? ORDER BY no", on)
      .map(({ said }) => JSON.parse(said) as PracticeAdvice);
  }

  addNotice({ charge, code, payer, onDay }: PracticeNotice): void {
    const into = "INSERT INTO notice (charge, code, payer, on_day) VALUES (?, ?, ?, ?)";
    this.db.run(into, charge, code, payer, onDay);
  }

  notices(on: Day): PracticeNotice[] {
    return this.db.all(
      "SELECT charge, code, payer, on_day AS onDay FROM notice WHERE on_day = ? ORDER BY no",
      on,
    );
  }
}
