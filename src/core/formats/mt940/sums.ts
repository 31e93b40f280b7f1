import { digitsOf } from "../agreedTable";

export type Balance = { readonly minor: number; readonly currency: string; readonly on: string };

/** `C261102USD18240,55`: mark, day, currency, sum with a comma. */
export function balanceOf(text: string): Balance | null {
  const match = /^([CD])(\d{6})([A-Z]{3})([\d,]{1,16})/.exec(text);
  if (!match) return null;
  const currency = match[3] ?? "";
  const minor = minorOf(match[4] ?? "", currency);
  return minor === null
    ? null
    : {
        minor: match[1] === "D" ? -minor : minor,
        currency,
        on: iso(match[2] ?? ""),
      };
}

/** A sum of SWIFT: digits, a comma, decimals that may be missing. */
export function minorOf(text: string, currency: string): number | null {
  const match = /^(\d{1,12}),(\d{0,3})$/.exec(text);
  const digits = digitsOf(currency);
  if (!match || /[1-9]/.test((match[2] ?? "").slice(digits))) return null;
  return Number(`${match[1] ?? "0"}${(match[2] ?? "").slice(0, digits).padEnd(digits, "0")}`);
}

export const iso = (day: string): string =>
  `20${day.slice(0, 2)}-${day.slice(2, 4)}-${day.slice(4, 6)}`;
