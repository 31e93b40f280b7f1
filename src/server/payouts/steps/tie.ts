import { inBook, postPayoutTied } from "@/core/ledger";
import { minor, split, sumOf } from "@/core/money";
import { tieOut } from "@/core/payouts";
import {
  bankAccounts,
  bankLineById,
  type BankLineRow,
  openBankLines,
  setBankLineState,
} from "@/db/bank";
import { insertTie, openPayouts, payoutById, type PayoutRow, setPayoutState } from "@/db/payouts";
import { processorAccounts } from "@/db/processorAccounts";
import type { Tallying } from "@/server/arrivals/imports/report";
import type { CommandContext } from "@/server/runtime/context";

/** Ties a payout to its bank lines, which must come to its net: B; C. */
export function tie(
  ctx: CommandContext,
  payout: PayoutRow,
  lines: readonly BankLineRow[],
  how: string,
): number {
  const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
  const bank = bankAccounts(ctx.db).find(({ id }) => id === lines[0]?.bankAccountId);
  if (!processor || !bank) throw new Error("a payout and its lines have accounts");
  const on = lines.reduce(
    (latest, line) => (line.postedOn > latest ? line.postedOn : latest),
    lines[0]?.postedOn ?? payout.paidOn,
  );
  const actId = ctx.act(
    "tie",
    { kind: "payout", id: payout.id },
    `tied to ${lines.length === 1 ? "its bank line" : `${lines.length} bank lines`} of ${ctx.sum(sumOf(lines, (line) => line.amount))}, ${how}`,
  );
  // What came in another currency than the payout's is its share of the payout, by what each line brought.
  const foreign = payout.currency !== bank.currency;
  const shares = foreign
    ? split(
        payout.net,
        lines.map((line) => Math.abs(line.amount)),
      )
    : lines.map((line) => line.amount);
  lines.forEach((line, at) => {
    insertTie(ctx.db, {
      payoutId: payout.id,
      bankLineId: line.id,
      amount: shares[at] ?? minor(0),
      atBank: foreign ? line.amount : null,
      onDay: on,
      actId,
    });
    setBankLineState(ctx.db, { id: line.id, state: "payout" });
  });
  setPayoutState(ctx.db, payout.id, "tied");
  const document = { kind: "payout" as const, id: payout.id, text: `payout ${payout.externalId}` };
  ctx.post(
    postPayoutTied({
      on,
      document,
      processor: processor.code,
      bank: bank.code,
      payoutId: payout.id,
      lines: lines.map((line) => ({
        bankLineId: line.id,
        sum: inBook(line.amount, line.currency),
      })),
      ...(foreign ? { net: inBook(payout.net, payout.currency) } : {}),
    }),
    actId,
  );
  return actId;
}

/** Ties several payouts to the one line that they came in, each with its share; undone together. */
export function tieInOne(
  ctx: CommandContext,
  payouts: readonly PayoutRow[],
  line: BankLineRow,
): number {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  const [first] = payouts;
  if (!bank || !first) throw new Error("payouts and their line have accounts");
  const actId = ctx.act(
    "tie",
    { kind: "payout", id: first.id },
    `payouts ${payouts.map(({ externalId }) => externalId).join(", ")} tied to one bank line of ${ctx.sum(line.amount)}`,
  );
  for (const payout of payouts) {
    const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
    if (!processor) throw new Error("a payout has its processor account");
    insertTie(ctx.db, {
      payoutId: payout.id,
      bankLineId: line.id,
      amount: payout.net,
      atBank: null,
      onDay: line.postedOn,
      actId,
    });
    setPayoutState(ctx.db, payout.id, "tied");
    ctx.post(
      postPayoutTied({
        on: line.postedOn,
        document: { kind: "payout", id: payout.id, text: `payout ${payout.externalId}` },
        processor: processor.code,
        bank: bank.code,
        payoutId: payout.id,
        lines: [{ bankLineId: line.id, sum: inBook(payout.net, payout.currency) }],
      }),
      actId,
    );
  }
  setBankLineState(ctx.db, { id: line.id, state: "payout" });
  return actId;
}

/** Ties every payout that only one bank line fits, and that fits no other. */
export function tieAllSingle(ctx: CommandContext, tally?: Tallying): void {
  const descriptor = new Map(
    processorAccounts(ctx.db).map((account) => [account.id, account.descriptor]),
  );
  const payouts = openPayouts(ctx.db).map((payout) => ({
    ...payout,
    descriptor: descriptor.get(payout.processorAccountId) ?? null,
  }));
  for (const { payoutId, bankLineId } of tieOut(payouts, openBankLines(ctx.db))) {
    const [payout, line] = [payoutById(ctx.db, payoutId), bankLineById(ctx.db, bankLineId)];
    if (!payout || !line) continue;
    tie(ctx, payout, [line], "the only one that fits");
    tally?.also("payouts tied to their bank line", line.amount);
  }
}
