import type { Currency } from "@/core/money";

/** Signs that several currencies share. */
export type SharedSign = "dollar" | "yen" | "crown" | "rupee";

/** Signs that name one currency (ISO 4217; common practice). */
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [/US\$|\$US|U\$S/i, "USD"],
  [/CA?\$/i, "CAD"],
  [/AU?\$/i, "AUD"],
  [/NZ\$/i, "NZD"],
  [/HK\$/i, "HKD"],
  [/MX\$/i, "MXN"],
  [/NT\$/i, "TWD"],
  [/S\$/, "SGD"],
  [/R\$/i, "BRL"],
  [/€/, "EUR"],
  [/£/, "GBP"],
  [/₹/, "INR"],
  [/₺/, "TRY"],
  [/₪/, "ILS"],
  [/₩/, "KRW"],
  [/₱/, "PHP"],
  [/฿/, "THB"],
  [/₫/, "VND"],
  [/₴/, "UAH"],
  [/₽/, "RUB"],
  [/JP¥/, "JPY"],
  [/CN¥|元/, "CNY"],
  [/zł/i, "PLN"],
  [/Kč/i, "CZK"],
  [/Ft(?![a-z])/, "HUF"],
  [/\bRM(?=\s?\d)/, "MYR"],
  [/\bFr\.?(?=\s|\d|$)/, "CHF"],
];

const SHARED: Readonly<
  Record<SharedSign, { sign: RegExp; words: string; currencies: readonly string[] }>
> = {
  dollar: {
    sign: /\$/,
    words: "in dollars",
    currencies: ["USD", "CAD", "AUD", "NZD", "HKD", "SGD", "MXN"],
  },
  yen: { sign: /[¥￥]/, words: "in yen or yuan (¥)", currencies: ["JPY", "CNY"] },
  crown: {
    sign: /kr(?![a-z])/i,
    words: "in crowns (kr)",
    currencies: ["SEK", "NOK", "DKK", "ISK"],
  },
  rupee: { sign: /\bRs(?![a-z])/i, words: "in rupees (Rs)", currencies: ["INR", "PKR", "LKR"] },
};
const SHARED_SIGNS = Object.keys(SHARED) as SharedSign[];

/** All that stands for a currency beside digits, so that it can be taken away. */
export const ANY_SIGN =
  /US\$|\$US|U\$S|(?:CA?|AU?|NZ|HK|MX|NT|S|R)\$|(?:JP|CN)?¥|[$€£₹₺₪₩₱฿₫₴₽￥元]|zł|Kč|kr\.?|\bRs\.?|Ft(?![a-z])|\bRM(?=\s?\d)|\bFr\.?(?=\s|\d|$)/gi;

/** The currency that a sign beside a sum names, or the sign where it stands for several. */
export const signIn = (text: string): Currency | SharedSign | null =>
  (SIGNS.find(([sign]) => sign.test(text))?.[1] as Currency | undefined) ??
  SHARED_SIGNS.find((name) => SHARED[name].sign.test(text)) ??
  null;

export const isShared = (sign: string | null): sign is SharedSign =>
  sign !== null && Object.hasOwn(SHARED, sign);

/** What a shared sign is called, and the currencies that write it. */
export const sharedSign = (
  sign: SharedSign,
): { readonly words: string; readonly currencies: readonly string[] } => SHARED[sign];
