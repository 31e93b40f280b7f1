import { addBankingDays, day } from "@/core/calendar";
import { minor } from "@/core/money";

import { type Random } from "@/practice/random";
import { type Payment } from "./types";

/**
 * The last days' memos are as people write them: cut, bare, with a word only; and three payments
 * that are nobody's.
 */
export function roughen(payments: Payment[], random: Random): void {
  const last = payments.filter(
    (payment) =>
      payment.paidOn > "2026-11-11" && payment.via !== "bank" && payment.id !== "ch_19001",
  );
  for (const [index, payment] of last.entries()) roughenOne(payment, index, random);
  const [stranger] = last;
  if (stranger) payments.push(...STRANGERS.map((_, index) => strangersPayment(stranger, index)));
}

function roughenOne(payment: Payment, index: number, random: Random): void {
  if (index % 5 === 1)
    Object.assign(payment, {
      memo: "",
      payerEmail: `${payment.person.id.toLowerCase()}${index}@mail.example`,
      payerName: payment.payerName.split(" ").slice(0, 2).join(" "),
    });
  else if (index % 5 === 3) {
    const amount = minor(payment.amount - random.pick([380, 1260, 2500]));
    if (amount > 0) payment.amount = amount;
  } else if (payment.memo !== "" && random.chance(0.4))
    payment.memo = random.pick([
      "",
      "glaze order",
      "thank you",
      (payment.given?.[0]?.number ?? "").slice(0, 4),
      "november",
    ]);
}

const STRANGERS = [
  ["R. Castellano", 31_550, "deposit for wheel"],
  ["Jo Amberley", 8_400, "workshop fee"],
  ["KLN SERVICES", 62_250, "ref 88213"],
] as const;

function strangersPayment(like: Payment, index: number): Payment {
  const [name, cents, memo] = STRANGERS[index] ?? STRANGERS[0];
  const on = addBankingDays(day("2026-11-16"), index);
  const amount = minor(cents);
  return {
    ...like,
    id: `ch_1950${index}`,
    via: "card",
    paidOn: on,
    amount,
    payerName: name,
    payerEmail: index === 2 ? "" : `${name.toLowerCase().replace(/[^a-z]/g, "")}@mail.example`,
    memo,
    given: null,
  };
}
