import {
  applyTally,
  approvalsWaiting,
  checkTally,
  proposalsOf
} from "./chunk-3TMTUJPD.mjs";
import {
  receiptById
} from "./chunk-ZD2GVI7S.mjs";
import {
  defineCommand
} from "./chunk-TFINCUNW.mjs";
import {
  carriedByDocument
} from "./chunk-WZI5MHZ3.mjs";
import {
  ZERO,
  add,
  minor
} from "./chunk-HBIDXRTT.mjs";
import {
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/match/commands/postSure.ts
import { z } from "zod";

// src/server/match/queries/match.ts
function worthInBook(db, book) {
  const foreign = carriedByDocument(db, ["unidentified", "parked", "other"], "receipt");
  return (receipt) => {
    if (receipt.currency !== book) return add(-(foreign.get(receipt.id) ?? 0));
    return receipt.state === "set_aside" ? add(receipt.parked, receipt.income) : receipt.unidentified;
  };
}

// src/server/match/queries/sureList.ts
function saidOf(reading) {
  return `${reading.customerId} ${reading.lines.map((line) => `${line.itemId}:${line.amount}:${line.discount}`).sort().join(" ")}${reading.surcharge ? ` +${reading.surcharge}` : ""}`;
}

// src/server/match/commands/postSure.ts
var postSure = defineCommand({
  name: "postSure",
  schema: z.object({
    receiptIds: z.array(z.number().int()).nullable().default(null),
    said: z.record(z.string(), z.string()).default({})
  }),
  run(ctx, input) {
    const wanted = input.receiptIds === null ? null : new Set(input.receiptIds);
    const sure = sureOnes(ctx, wanted);
    const worth = worthInBook(ctx.db, ctx.settings.currency);
    let [posted, sum] = [0, ZERO];
    for (const [at, { receiptId, readings }] of sure.entries()) {
      if (at % 100 === 0) ctx.who.progress?.(at, sure.length);
      const receipt = receiptById(ctx.db, receiptId);
      const [best] = readings;
      if (!receipt || !best || isOtherwise(best, input.said[receiptId])) continue;
      const placed = postReading(ctx, receipt, best);
      if (!placed.ok) return placed;
      if (placed.value === null) continue;
      posted += 1;
      sum = add(sum, worth(receipt));
    }
    return ok({
      posted,
      sum,
      left: (wanted?.size ?? sure.length) - posted,
      commandId: ctx.commandId
    });
  }
});
function sureOnes(ctx, wanted) {
  const asked = new Set(approvalsWaiting(ctx.db).map(({ receiptId }) => receiptId));
  return proposalsOf(ctx.db).filter(
    ({ decision, receiptId }) => decision === "sure" && !asked.has(receiptId) && (wanted === null || wanted.has(receiptId))
  );
}
var isOtherwise = (best, said) => best.customerId === null || said !== void 0 && said !== saidOf(best);
function postReading(ctx, receipt, { lines: read, customerId, surcharge = minor(0) }) {
  const lines = read.map(({ itemId, amount, discount }) => ({
    itemId,
    amount,
    discount,
    smallDifference: minor(0)
  }));
  const available = receipt.unidentified;
  const checked = checkTally(ctx, receipt, { lines, customerId, available, surcharge });
  if (!checked.ok) return ok(null);
  return applyTally(ctx, { receipt, lines, checked: checked.value, from: "unidentified" });
}

export {
  postSure
};
