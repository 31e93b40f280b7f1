import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

/** From where something was agreed to: the address and the browser's own name. */
export type Whence = { address: string; agent: string };

/** That what is due may be taken by itself from a method on file. */
export type ConsentRow = Whence & {
  id: number;
  customerId: number;
  methodId: number;
  words: string;
  onDay: Day;
  at: string;
  endedOn: Day | null;
};

const CONSENT = `SELECT c.id, c.customer_id AS customerId, c.method_id AS methodId, c.words, c.on_day AS onDay, c.at,
  c.address, c.agent, e.on_day AS endedOn FROM consent c LEFT JOIN consent_end e ON e.consent_id = c.id`;

export function insertConsent(db: Db, consent: Omit<ConsentRow, "id" | "endedOn">): number {
  return db.run(
    "INSERT INTO consent (customer_id, method_id, words, on_day, at, address, agent) VALUES (?, ?, ?, ?, ?, ?, ?)",
    consent.customerId,
    consent.methodId,
    consent.words,
    consent.onDay,
    consent.at,
    consent.address,
    consent.agent,
  ).id;
}

export function insertConsentEnd(
  db: Db,
  id: number,
  end: Whence & { onDay: Day; at: string },
): void {
  db.run(
    "INSERT INTO consent_end (consent_id, on_day, at, address, agent) VALUES (?, ?, ?, ?, ?)",
    id,
    end.onDay,
    end.at,
    end.address,
    end.agent,
  );
}

export const consentById = (db: Db, id: number): ConsentRow | undefined =>
  db.get<ConsentRow>(`${CONSENT} WHERE c.id = ?`, id);

/** What a customer has agreed to and not ended. */
export const consentOf = (db: Db, customerId: number): ConsentRow | undefined =>
  db.get<ConsentRow>(
    `${CONSENT} WHERE c.customer_id = ? AND e.consent_id IS NULL ORDER BY c.id DESC LIMIT 1`,
    customerId,
  );

/** All that is agreed to and not ended, the latest of each customer. */
export const consentsInForce = (db: Db): ConsentRow[] =>
  db.all<ConsentRow>(
    `${CONSENT} WHERE e.consent_id IS NULL AND c.id = (
       SELECT max(l.id) FROM consent l LEFT JOIN consent_end n ON n.consent_id = l.id
       WHERE l.customer_id = c.customer_id AND n.consent_id IS NULL)
     ORDER BY c.customer_id`,
  );

type AgreedSkip = { customerId: number; onDay: Day; reason: string; actId: number };

export function insertAgreedSkip(db: Db, { customerId, onDay, reason, actId }: AgreedSkip): void {
  db.run(
    "INSERT OR REPLACE INTO agreed_skip (customer_id, on_day, reason, act_id) VALUES (?, ?, ?, ?)",
    customerId,
    onDay,
    reason,
    actId,
  );
}

/** Who is taken out of a day's run. */
export const agreedSkips = (db: Db, on: Day): { customerId: number; reason: string }[] =>
  db.all("SELECT customer_id AS customerId, reason FROM agreed_skip WHERE on_day = ?", on);
