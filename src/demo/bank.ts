import { addBankingDays, addDays, type Day, isBankingDay, weekday } from "@/core/calendar";
import { add, minor } from "@/core/money";

import { type BankLine, CUT_OVER, type Extra, type Payment, type Payout, TODAY } from "./types";

export function makePayouts(payments: readonly Payment[], extras: readonly Extra[]): Payout[] {
  const groups = new Map<string, Payout>();
  const put = (via: "card" | "ach", on: Day, id: string, effect: number): void => {
    const paidOn = addBankingDays(on, via === "card" ? 2 : 1);
    const key = `${via}|${paidOn}`;
    const known = groups.get(key) ?? {
      id: "",
      via,
      paidOn,
      net: minor(0),
      atBank: minor(0),
      spanFrom: on,
      spanTo: on,
      items: [],
    };
    groups.set(key, {
      ...known,
      net: add(known.net, effect),
      atBank: add(known.atBank, effect),
      spanFrom: on < known.spanFrom ? on : known.spanFrom,
      spanTo: on > known.spanTo ? on : known.spanTo,
      items: [...known.items, id],
    });
  };
  for (const payment of payments)
    if (payment.via !== "bank")
      put(payment.via, payment.settledOn, payment.id, payment.amount - payment.fee);
  for (const extra of extras) put(extra.via, extra.on, extra.id, -extra.amount - extra.fee);
  const payouts = [...groups.values()]
    .filter((group) => group.paidOn <= TODAY)
    .sort((a, b) => {
      if (a.paidOn < b.paidOn) return -1;
      if (a.paidOn > b.paidOn) return 1;
      if (a.via < b.via) return -1;
      return 1;
    });
  const disputeId = extras.find((extra) => extra.kind === "dispute")?.id ?? "";
  // The processor kept a dispute fee of 15.00 that its file does not show.
  return payouts.map((payout, index) => ({
    ...payout,
    id: `po_${payout.via === "card" ? "c" : "a"}${String(101 + index)}`,
    atBank: payout.items.includes(disputeId) ? add(payout.atBank, -1500) : payout.atBank,
  }));
}

export function makeBankLines(
  payments: readonly Payment[],
  payouts: readonly Payout[],
): BankLine[] {
  const lines: BankLine[] = payouts.map((payout) => ({
    on: addBankingDays(payout.paidOn, 0),
    amount: payout.atBank,
    description:
      payout.via === "card"
        ? `PRACTICE PROC CARD PAYOUT ${payout.id.toUpperCase()}`
        : `PRACTICE PROC ACH PAYOUT ${payout.id.toUpperCase()}`,
  }));
  for (const payment of payments)
    if (payment.via === "bank")
      lines.push({
        on: payment.paidOn,
        amount: payment.amount,
        description: `ACH CREDIT ${payment.payerName} ${payment.memo}`.trim(),
      });
  for (let on = CUT_OVER; on < TODAY; on = addDays(on, 1)) {
    if (!isBankingDay(on)) continue;
    if (weekday(on) === 5 && Math.floor(Date.parse(on) / 604_800_000) % 2 === 0)
      lines.push({ on, amount: minor(-1_184_250), description: "PAYROLL KESTREL ROW" });
    if (on.endsWith("-02"))
      lines.push({ on, amount: minor(-420_000), description: "RENT ROW STREET WORKSHOP" });
    if (on.endsWith("-28")) lines.push({ on, amount: minor(1_137), description: "INTEREST PAID" });
    if (weekday(on) === 3)
      lines.push({
        on,
        amount: minor(-(350_000 + ((Date.parse(on) / 86_400_000) % 97) * 1_113)),
        description: "SUPPLIER PAYMENT CLAYWORKS MINE",
      });
  }
  return lines
    .filter((line) => line.on > CUT_OVER && line.on < TODAY && line.amount !== 0)
    .sort((a, b) => {
      if (a.on < b.on) return -1;
      if (a.on > b.on) return 1;
      return b.amount - a.amount;
    });
}
