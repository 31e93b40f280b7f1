import type { ProcessorItemKind } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** What may be the same as a line of another file: told by its day and its sum, and who paid. */
export type ToldItem = {
  externalId: string;
  on: Day;
  amount: Minor;
  /** What its fees leave of a charge. */
  net: Minor;
  payerName: string | null;
  fileId: number | null;
};

/** Items of a kind that files brought, from one day to another, both with it. */
export const itemsBetween = (
  db: Db,
  accountId: number,
  kind: ProcessorItemKind,
  [from, to]: readonly [Day, Day],
): ToldItem[] =>
  db.all(
    `SELECT i.external_id AS externalId, i.occurred_on AS "on", i.amount, r.payer_name AS payerName,
       i.file_id AS fileId,
       i.amount + CASE WHEN i.kind = 'charge' THEN (
         SELECT coalesce(sum(f.amount), 0) FROM processor_item f
         WHERE f.receipt_id = i.receipt_id AND f.kind = 'fee' AND f.withdrawn = 0
       ) ELSE 0 END AS net
     FROM processor_item i LEFT JOIN receipt r ON r.id = i.receipt_id
     WHERE i.processor_account_id = ? AND i.occurred_on BETWEEN ? AND ? AND i.file_id IS NOT NULL
       AND i.kind = ? AND i.withdrawn = 0 ORDER BY i.id`,
    accountId,
    from,
    to,
    kind,
  );

/** Payouts from one day to another, both with it, at what they are said to come to, else what their items do. */
export const payoutsBetween = (
  db: Db,
  accountId: number,
  [from, to]: readonly [Day, Day],
): ToldItem[] =>
  db.all(
    `SELECT external_id AS externalId, paid_on AS "on", coalesce(stated_net, net) AS amount,
       coalesce(stated_net, net) AS net, NULL AS payerName,
       file_id AS fileId
     FROM payout WHERE processor_account_id = ? AND paid_on BETWEEN ? AND ? ORDER BY id`,
    accountId,
    from,
    to,
  );
