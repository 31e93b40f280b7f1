import type { Dice } from "./exports/dice";

const HEAD =
  "id,kind,occurred_on,gross,fee,payer_name,payer_email,payout_id,related_id,return_code";

/** Activity with everything that a file may bring, in an order of its own; ids begin with `from`. */
export function activity(dice: Dice, lines: number, from = 0): string {
  const charges: string[] = [];
  const rows = Array.from({ length: lines }, (_, at) => {
    const on = `2026-11-${String(1 + dice.upTo(20)).padStart(2, "0")}`;
    const sum = (1000 + dice.upTo(90_000)) / 100;
    const kind =
      charges.length < 20
        ? "charge"
        : dice.one(["charge", "charge", "charge", "refund", "dispute", "ach_return", "fee"]);
    const id = `i_${from + at}`;
    const related = kind === "charge" || kind === "fee" ? "" : dice.one(charges);
    if (kind === "charge") charges.push(id);
    const gross = kind === "charge" ? sum : -sum;
    const code = kind === "ach_return" ? "R01" : "";
    const fee = kind === "charge" ? "0.30" : "0.00";
    return `${id},${kind},${on},${gross.toFixed(2)},${fee},Ann Lee,ann@lee.example,po_${dice.upTo(9)},${related},${code}`;
  });
  return `${[HEAD, ...rows].join("\n")}\n`;
}
