import type { Day } from "@/core/calendar";

import { PracticeFacts } from "./practiceFacts";

/** What was sent to an account to prove it, in cents. */
export type SmallSums = { first: number; second: number; thereOn: Day; tries: number };

/** Which accounts of the practice world are proven to be their payers', and what is being tried to prove them. */
export class PracticeProofs extends PracticeFacts {
  isProven(token: string): boolean {
    return this.db.get("SELECT 1 FROM proven WHERE token = ?", token) !== undefined;
  }

  setProven(token: string): void {
    this.db.run("INSERT OR IGNORE INTO proven (token) VALUES (?)", token);
  }

  smallSums(token: string): SmallSums | undefined {
    return this.db.get<SmallSums>(
      "SELECT first, second, there_on AS thereOn, tries FROM small_sums WHERE token = ?",
      token,
    );
  }

  sendSums(token: string, { first, second, thereOn }: Omit<SmallSums, "tries">): void {
    const into = "INSERT INTO small_sums (token, first, second, there_on) VALUES (?, ?, ?, ?)";
    this.db.run(into, token, first, second, thereOn);
  }

  countTry(token: string): void {
    this.db.run("UPDATE small_sums SET tries = tries + 1 WHERE token = ?", token);
  }
}
