import type { Attached, Ladder, LadderAct, LadderStep, LateFeeRule } from "@/core/followup";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

type StepRow = {
  ladderId: number;
  step: number;
  fromDays: number;
  act: LadderAct;
  tone: number;
  byItself: 0 | 1;
  attach: Attached;
  fee: Minor;
};

/** Every ladder with its rungs, the standard one first. */
export function ladders(db: Db): Ladder[] {
  const steps = db.all<StepRow>(
    "SELECT ladder_id AS ladderId, step, from_days AS fromDays, act, tone, by_itself AS byItself, attach, fee FROM ladder_step ORDER BY ladder_id, step",
  );
  return db
    .all<{ id: number; name: string; standard: 0 | 1 } & LateFeeRule>(
      "SELECT id, name, standard, fee_kind AS kind, fee_fixed AS fixed, fee_percent AS percent, fee_grace AS grace, fee_least AS least, fee_most AS most FROM ladder ORDER BY standard DESC, name",
    )
    .map(({ id, name, standard, ...fee }) => ({
      id,
      name,
      fee,
      standard: standard === 1,
      steps: steps
        .filter(({ ladderId }) => ladderId === id)
        .map(({ step, fromDays, act, tone, byItself, attach, fee: withIt }) => ({
          step,
          fromDays,
          act,
          tone,
          byItself: byItself === 1,
          attach,
          fee: withIt,
        })),
    }));
}

export function insertLadder(db: Db, name: string): number {
  return db.run("INSERT INTO ladder (name) VALUES (?)", name).id;
}

export function renameLadder(db: Db, id: number, name: string): void {
  db.run("UPDATE ladder SET name = ? WHERE id = ?", name, id);
}

export function setFeeRule(db: Db, id: number, fee: LateFeeRule): void {
  db.run(
    "UPDATE ladder SET fee_kind = ?, fee_fixed = ?, fee_percent = ?, fee_grace = ?, fee_least = ?, fee_most = ? WHERE id = ?",
    fee.kind,
    fee.fixed,
    fee.percent,
    fee.grace,
    fee.least,
    fee.most,
    id,
  );
}

/** A ladder's rungs, all of them anew. */
export function setSteps(db: Db, id: number, steps: readonly LadderStep[]): void {
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  for (const step of steps)
    db.run(
      "INSERT INTO ladder_step (ladder_id, step, from_days, act, tone, by_itself, attach, fee) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
      id,
      step.step,
      step.fromDays,
      step.act,
      step.tone,
      Number(step.byItself),
      step.attach,
      step.fee,
    );
}

/** Takes a ladder away; who was on it is on the standard one. */
export function deleteLadder(db: Db, id: number): void {
  db.run("UPDATE customer_followup SET ladder_id = NULL WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder WHERE id = ? AND standard = 0", id);
}
