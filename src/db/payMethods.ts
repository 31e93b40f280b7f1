import type { Day } from "@/core/calendar";
import type { WayToPay } from "@/core/paying";

import type { Db } from "./connection";

/** A card or bank account that a customer pays by: what may be known of it, never its number. */
export type PayMethodRow = {
  id: number;
  customerId: number;
  token: string;
  way: WayToPay;
  name: string;
  lastFour: string;
  expires: string | null;
  keptOn: Day;
  removedOn: Day | null;
  /** When its owner was asked for another, as it runs out. */
  askedAnewOn: Day | null;
  /** Whether a bank account is proven to be its payer's. */
  proven: 0 | 1;
  /** When the two small sums are there that prove it; null where none were sent. */
  sumsThereOn: Day | null;
};

const METHOD =
  "SELECT id, customer_id AS customerId, token, way, name, last_four AS lastFour, expires, kept_on AS keptOn, removed_on AS removedOn, asked_anew_on AS askedAnewOn, proven, sums_there_on AS sumsThereOn FROM pay_method";

export const payMethodById = (db: Db, id: number): PayMethodRow | undefined =>
  db.get<PayMethodRow>(`${METHOD} WHERE id = ?`, id);

export const payMethodByToken = (db: Db, token: string): PayMethodRow | undefined =>
  db.get<PayMethodRow>(`${METHOD} WHERE token = ?`, token);

/** What a customer has on file, the latest first. */
export const payMethodsOf = (db: Db, customerId: number): PayMethodRow[] =>
  db.all<PayMethodRow>(
    `${METHOD} WHERE customer_id = ? AND removed_on IS NULL ORDER BY id DESC`,
    customerId,
  );

/** Every card that is on file, by what is left of its time. */
export const cardsOnFile = (db: Db): PayMethodRow[] =>
  db.all<PayMethodRow>(
    `${METHOD} WHERE removed_on IS NULL AND way = 'card' AND expires IS NOT NULL ORDER BY expires, id`,
  );

export function askedAnew(db: Db, id: number, on: Day): void {
  db.run("UPDATE pay_method SET asked_anew_on = ? WHERE id = ?", on, id);
}

/** That two small sums were sent to an account. */
export function sumsSent(db: Db, id: number, thereOn: Day): void {
  db.run("UPDATE pay_method SET sums_there_on = ? WHERE id = ?", thereOn, id);
}

export function setProven(db: Db, id: number): void {
  db.run("UPDATE pay_method SET proven = 1 WHERE id = ?", id);
}

type Kept = Omit<PayMethodRow, "id" | "askedAnewOn" | "sumsThereOn">;

export function insertPayMethod(db: Db, method: Kept): number {
  return db.run(
    `INSERT INTO pay_method (customer_id, token, way, name, last_four, expires, kept_on, removed_on, proven)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    method.customerId,
    method.token,
    method.way,
    method.name,
    method.lastFour,
    method.expires,
    method.keptOn,
    method.removedOn,
    method.proven,
  ).id;
}

export function removePayMethod(db: Db, id: number, on: Day): void {
  db.run("UPDATE pay_method SET removed_on = ? WHERE id = ?", on, id);
}
