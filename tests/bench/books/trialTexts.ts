import type { Day } from "@/core/calendar";
import type { MatchItem } from "@/core/matching";

import type { Dice } from "./dice";

const pad = (value: number, width: number): string => String(value).padStart(width, "0");

/** What can happen to the numbers of a memo on the way. */
export const TEXT_TROUBLES = [
  "bare",
  "swapped",
  "wrong digit",
  "letter O",
  "tails",
  "spaced out",
  "cut short",
  "broken line",
  "orders only",
  "amounts beside",
  "noise around",
  "no numbers",
  "hyphens",
  "range",
] as const;
export type TextTrouble = (typeof TEXT_TROUBLES)[number];

export type Written = { said: string; readable: boolean; whole: boolean };
export type Numbering = {
  number: (at: number, on: Day, customer: number) => string;
  order: (at: number) => string;
  credit: string;
  write: (
    items: readonly MatchItem[],
    troubles: readonly TextTrouble[],
    told: readonly { item: MatchItem; amount: number }[] | null,
    dice: Dice,
  ) => Written;
};

const WAYS: readonly Pick<Numbering, "number" | "order" | "credit">[] = [
  {
    number: (at) => String(10_031 + at * 2),
    order: (at) => String(10_000 + ((at * 37) % 900)),
    credit: "C",
  },
  {
    number: (at) => `F${pad(at + 88, 5)}`,
    order: (at) => `PO-${7000 + ((at * 13) % 800)}`,
    credit: "CR",
  },
  {
    number: (at, on) => `${on.slice(0, 4)}/${on.slice(5, 7)}-${pad(at + 12, 4)}`,
    order: (at) => `450${pad((at * 977) % 9999, 4)}`,
    credit: "CM ",
  },
  {
    number: (at) => `90${pad(100_000 + at * 7, 8)}`,
    order: (at) => `BST${pad((at * 31) % 999, 3)}`,
    credit: "",
  },
  {
    number: (at, on, customer) => `${pad(customer, 3)}-${pad(at + 3, 4)}`,
    order: (at) => `${2000 + ((at * 11) % 700)}`,
    credit: "CN",
  },
  {
    number: (at) => `SI-${pad(at + 5, 4)}-A`,
    order: (at) => `W${pad((at * 17) % 9999, 4)}`,
    credit: "SC-",
  },
  {
    number: (at, on) => `${on.slice(2, 4)}-${pad(3000 + at, 5)}`,
    order: (at) => `REQ ${pad((at * 19) % 9999, 4)}`,
    credit: "CRN",
  },
];

export function styled(dice: Dice): Numbering {
  const way = dice.pick(WAYS);
  return { ...way, write: (items, troubles, told, by) => write(items, troubles, told, by) };
}

const tail = (number: string): string => /(\d+)\D*$/.exec(number)?.[1] ?? number;

function write(
  items: readonly MatchItem[],
  troubles: readonly TextTrouble[],
  told: readonly { item: MatchItem; amount: number }[] | null,
  dice: Dice,
): Written {
  if (troubles.includes("no numbers") || items.length === 0)
    return {
      said: dice.pick(["", "", "thanks", "monthly", "October", "Danke", "merci"]),
      readable: false,
      whole: false,
    };
  const has = (trouble: TextTrouble): boolean => troubles.includes(trouble);
  let words = items.map(({ number, poNumber }) =>
    has("orders only") ? (poNumber ?? number) : number,
  );
  let whole = !has("orders only");
  const change = (trouble: TextTrouble, how: (word: string, at: number) => string): void => {
    if (has(trouble)) {
      words = words.map(how);
      whole = false;
    }
  };
  change("bare", (word) => tail(word).replace(/^0+/, ""));
  change("letter O", (word) => word.replaceAll("0", "O"));
  change("swapped", (word, at) =>
    at > 0
      ? word
      : word.replace(/\d+(?=\D*$)/, (digits) => {
          const i = Math.max(0, digits.length - 2 - dice.whole(0, 1));
          return (
            digits.slice(0, i) + (digits[i + 1] ?? "") + (digits[i] ?? "") + digits.slice(i + 2)
          );
        }),
  );
  change("wrong digit", (word, at) =>
    at > 0
      ? word
      : word.replace(/\d+(?=\D*$)/, (digits) => {
          const i = digits.length - 1 - dice.whole(0, Math.min(2, digits.length - 1));
          return (
            digits.slice(0, i) +
            String((Number(digits[i]) + dice.whole(1, 9)) % 10) +
            digits.slice(i + 1)
          );
        }),
  );
  change("spaced out", (word) => tail(word).split("").join(" "));
  change("hyphens", (word) => word.replace(/(\d{2})(\d{2,})$/, "$1-$2"));
  change("tails", (word, at) => (at === 0 ? word : tail(word).slice(-dice.whole(2, 3))));
  if (has("amounts beside") || told)
    words = words.map(
      (word, at) =>
        `${word} ${money(told?.find(({ item }) => item === items[at])?.amount ?? items[at]?.balance ?? 0, dice)}`,
    );
  let said = words.join(dice.pick([", ", " ", " + ", " / ", " & ", "; "]));
  if (items.length > 1 && dice.chance(0.3))
    said = said.replace(
      /[,;/+&]? *([^ ,;/+&]+)$/,
      ` ${dice.pick(["and", "und", "y", "et", "&"])} $1`,
    );
  said = `${dice.pick(["", "", "inv ", "INV# ", "Invoice ", "Rg. ", "fact. ", "payment for ", "Invoices: "])}${said}`;
  if (has("noise around"))
    said = dice.pick([
      `tel 415-555-01${dice.whole(10, 99)} ${said}`,
      `${said} 10/12/2026`,
      `${said} job ${dice.whole(100, 99_999)}`,
      `ACCT ${dice.whole(10_000, 99_999)} ${said}`,
      `${said} 2026-10-15 thank you`,
      `wk 42 ${said}`,
    ]);
  if (has("broken line")) {
    const at = Math.max(1, said.length - dice.whole(2, 5));
    said = `${said.slice(0, at)}\n${said.slice(at)}`;
    whole = false;
  }
  if (has("cut short")) {
    said = said.slice(0, -dice.whole(1, 2));
    whole = false;
  }
  if (dice.chance(0.2)) said = said.toUpperCase();
  const ruined = [
    has("bare"),
    has("swapped"),
    has("wrong digit"),
    has("letter O"),
    has("tails"),
    has("spaced out"),
    has("cut short"),
    has("broken line"),
    has("orders only"),
    has("hyphens"),
  ].filter(Boolean).length;
  return { said, readable: ruined <= 1, whole };
}

function money(amount: number, dice: Dice): string {
  const text = (amount / 100).toFixed(2);
  return dice.pick([text, `$${text}`, text.replace(/\B(?=(\d{3})+(?!\d))/g, ","), `(${text})`]);
}

const PHRASES = {
  part: ["part payment", "1st instalment", "a cuenta", "Teilzahlung", "acompte", "deposit on"],
  rest: ["balance of", "rest", "final payment", "Restzahlung", "saldo", "solde"],
  surcharge: ["incl. 3% card fee", "plus fee", "with surcharge", ""],
  deduction: [
    "less damaged",
    "minus freight",
    "short shipped 2",
    "abzgl. Fracht",
    "menos rotura",
    "moins avoir casse",
  ],
  disputed: ["in dispute", "disputed", "strittig", "en litige", "reclamada", ""],
} as const;

export function phrase(dice: Dice, of: keyof typeof PHRASES): string {
  return dice.pick(PHRASES[of]);
}

/** A payer's name with one thing done to it. */
export function garbled(name: string, dice: Dice): string {
  const words = name.split(" ");
  const long = words.reduce((a, b) => (b.length > a.length ? b : a), "");
  const ways: readonly (() => string)[] = [
    () => name.toUpperCase(),
    () => name.replace(/[.,&]/g, ""),
    () => name.replace("&", "and"),
    () => words.slice(0, -1).join(" ") || name,
    () => words.map((word) => (word === long ? `${word.slice(0, 4)}.` : word)).join(" "),
    () => name.replace(long, long.slice(0, 2) + long.slice(3)),
    () => `${words.at(-1)} ${words.slice(0, -1).join(" ")}`,
    () => words.map((word) => word[0]).join(""),
    () => `${name} dba ${words[0]}`,
    () => "",
  ];
  return dice.pick(ways)();
}
