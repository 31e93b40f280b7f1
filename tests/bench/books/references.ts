import type { Day } from "@/core/calendar";
import type { MatchItem } from "@/core/matching";

import type { Dice } from "./dice";

/** A way of numbering invoices and orders. */
export type Style = {
  number: (at: number, on: Day, dice: Dice) => string;
  order: (at: number, dice: Dice) => string;
};

const pad = (value: number, width: number): string => String(value).padStart(width, "0");
export const STYLES: readonly Style[] = [
  { number: (at) => String(20_400 + at), order: (_, dice) => `PO ${dice.whole(1000, 9999)}` },
  {
    number: (at) => `INV-${pad(at + 317, 6)}`,
    order: (_, dice) => `P-${dice.whole(10_000, 99_999)}`,
  },
  {
    number: (at, on) => `${on.slice(0, 4)}-${pad(at + 41, 5)}`,
    order: (_, dice) => `${dice.whole(20_400, 21_900)}`,
  },
  {
    number: (at) => `KR${pad(at * 3 + 1201, 7)}`,
    order: (_, dice) => `4500${dice.whole(100_000, 999_999)}`,
  },
  {
    number: (at, on) => `${on.slice(2, 4)}${on.slice(5, 7)}/${pad(at + 1001, 4)}`,
    order: (_, dice) => `B-${dice.whole(100, 999)}-${dice.whole(10, 99)}`,
  },
  { number: (at) => `S${7000 + at}`, order: (_, dice) => `PO${dice.whole(100_000, 999_999)}` },
];

type Way = {
  name: string;
  clear: boolean;
  whole: boolean;
  write: (items: readonly MatchItem[], style: Style, dice: Dice) => string;
};
const numbers = (items: readonly MatchItem[]): string[] => items.map(({ number }) => number);
/** The digits at the end of a number: what people take its prefix and zeros off to. */
const core = (number: string): string => /(\d+)\D*$/.exec(number)?.[1] ?? number;
const bare = (number: string): string => core(number).replace(/^0+/, "");
const joined = (list: readonly string[], dice: Dice): string => {
  if (dice.chance(0.5)) return list.join(", ");
  if (list.length > 1) return `${list.slice(0, -1).join(" ")} and ${list.at(-1)}`;
  return list.join(" ");
};
const damage = (number: string, change: (digits: string) => string): string =>
  number.replace(/\d+(?=\D*$)/, change);

/** ISO 11649: RF and two check digits in front. */
function creditorReference(number: string): string {
  const body = number.toUpperCase().replace(/[^A-Z0-9]/g, "");
  const value = BigInt(
    `${body}RF00`.replace(/[A-Z]/g, (letter) => String(letter.charCodeAt(0) - 55)),
  );
  return `RF${String(98n - (value % 97n)).padStart(2, "0")}${body}`;
}

const plain: Way[] = [
  {
    name: "whole",
    clear: true,
    whole: true,
    write: (items, _, dice) => joined(numbers(items), dice),
  },
  {
    name: "labelled",
    clear: true,
    whole: true,
    write: (items, _, dice) =>
      `${dice.pick(["invoice", "inv", "Invoice #", "Rechnung", "factura", "facture"])} ${joined(numbers(items), dice)}`,
  },
  {
    name: "sentence",
    clear: true,
    whole: true,
    write: (items, _, dice) =>
      `payment for your ${dice.pick(["invoice", "bill"])} ${joined(numbers(items), dice)} with thanks`,
  },
];

const rough: Way[] = [
  {
    name: "prefix lost",
    clear: true,
    whole: false,
    write: (items, _, dice) => joined(numbers(items).map(core), dice),
  },
  {
    name: "zeros lost",
    clear: true,
    whole: false,
    write: (items, _, dice) => joined(numbers(items).map(bare), dice),
  },
  {
    name: "spaced",
    clear: true,
    whole: false,
    write: (items) =>
      numbers(items)
        .map((number) => [...core(number)].join(" "))
        .join(" / "),
  },
  {
    name: "transposed",
    clear: true,
    whole: false,
    write: (items, _, dice) =>
      numbers(items)
        .map((number, at) =>
          at === 0
            ? damage(number, (digits) => {
                const i = dice.whole(Math.max(0, digits.length - 3), digits.length - 2);
                return (
                  digits.slice(0, i) +
                  (digits[i + 1] ?? "") +
                  (digits[i] ?? "") +
                  digits.slice(i + 2)
                );
              })
            : number,
        )
        .join(" "),
  },
  {
    name: "one wrong",
    clear: true,
    whole: false,
    write: (items, _, dice) =>
      numbers(items)
        .map((number, at) =>
          at === 0
            ? damage(number, (digits) => {
                const i = digits.length - 1 - dice.whole(0, 1);
                return (
                  digits.slice(0, i) +
                  String((Number(digits[i]) + dice.whole(1, 8)) % 10) +
                  digits.slice(i + 1)
                );
              })
            : number,
        )
        .join(" "),
  },
  {
    name: "O for 0",
    clear: true,
    whole: false,
    write: (items) =>
      numbers(items)
        .map((number) => number.replaceAll("0", "O"))
        .join(" "),
  },
  {
    name: "cut off",
    clear: true,
    whole: false,
    write: (items) => {
      const text = `PAYMENT ${numbers(items).join(" ")}`;
      return text.slice(0, text.length - 1);
    },
  },
  {
    name: "list",
    clear: true,
    whole: false,
    write: (items) => {
      const [first = "", ...rest] = numbers(items).map(core);
      return [first, ...rest.map((name) => name.slice(-2))].join(", ");
    },
  },
  {
    name: "order",
    clear: true,
    whole: false,
    write: (items) => items.map(({ poNumber, number }) => poNumber ?? number).join(" "),
  },
  {
    name: "with amounts",
    clear: true,
    whole: true,
    write: (items) =>
      items.map((item) => `${item.number} ${(item.balance / 100).toFixed(2)}`).join(" "),
  },
  {
    name: "with a date and a job",
    clear: true,
    whole: true,
    write: (items, _, dice) =>
      `11/12/2026 job ${dice.whole(1000, 9999)} ${numbers(items).join(" ")} tel 312-555-0142`,
  },
  {
    name: "wrapped",
    clear: true,
    whole: false,
    write: (items, _, dice) => {
      const text = numbers(items).join(" ");
      const at = dice.whole(Math.max(1, text.length - 4), text.length - 2);
      return `${text.slice(0, at)}\n${text.slice(at)}`;
    },
  },
  {
    name: "creditor reference",
    clear: true,
    whole: true,
    write: (items) => items.map(({ number }) => creditorReference(number)).join(" "),
  },
  { name: "nothing", clear: false, whole: false, write: () => "" },
  {
    name: "words",
    clear: false,
    whole: false,
    write: (_, __, dice) =>
      dice.pick(["november statement", "thanks", "monthly payment", "Zahlung", "pago", "paiement"]),
  },
];

export const REFERENCES = { plain, rough } as const;
