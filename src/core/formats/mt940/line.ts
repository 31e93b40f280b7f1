import { decimalOf, digitsOf } from "../agreedTable";
import { remittanceIn } from "./remittance";
import { iso, minorOf } from "./sums";

/** The booking day beside a value day: of the same year, or of the one beside it at its turn. */
function bookingDay(value: string, entry: string | undefined): string {
  if (entry === undefined) return iso(value);
  const year = 2000 + Number(value.slice(0, 2));
  const shift = Number(entry.slice(0, 2)) - Number(value.slice(2, 4));
  const turned = shift > 6 ? year - 1 : year;
  return `${shift < -6 ? year + 1 : turned}-${entry.slice(0, 2)}-${entry.slice(2)}`;
}

const LINE =
  /^(\d{6})(\d{4})?([RE]?[CD])([A-Z])?([\d,]{1,16})([NSF][A-Z0-9]{3})([^\n/]*(?:\/(?!\/)[^\n/]*)*)(?:\/\/([^\n]*))?(?:\n([\s\S]*))?$/;

/** A line with its sum, signed by its effect; one that is expected is no money yet. */
export type Line = {
  readonly minor: number;
  readonly isExpected: boolean;
  readonly fields: Record<string, string>;
};
type Words = {
  readonly information: string;
  readonly reference: string;
  readonly bank: string;
  readonly more: string;
};

/** One `:61:` with the `:86:` behind it; null where it is none. */
export function lineOf(text: string, information: string, currency: string): Line | null {
  const match = LINE.exec(text);
  const part = (at: number): string => match?.[at] ?? "";
  const size = minorOf(part(5), currency);
  if (!match || size === null) return null;
  const mark = part(3);
  // A reversed credit takes, a reversed debit brings; MT942 has expected ones too.
  const minor = ["C", "RD", "EC"].includes(mark) ? size : -size;
  return {
    minor,
    isExpected: mark.startsWith("E"),
    fields: {
      id: "",
      postedOn: bookingDay(part(1), match[2]),
      currency,
      amount: decimalOf(minor, digitsOf(currency)),
      description: wordsOf({
        information,
        reference: part(7),
        bank: part(8),
        more: part(9),
      }),
    },
  };
}

const wordsOf = ({ information, reference, bank, more }: Words): string =>
  [
    remittanceIn(information),
    /^(NONREF)?$/i.test(reference.trim()) ? "" : reference.trim(),
    bank.trim(),
    more.replaceAll("\n", " ").trim(),
  ]
    .filter((part) => part !== "")
    .join(" ")
    .slice(0, 500);
