import { stdnum } from "stdnum";

import { fail, ok, type Result } from "@/core/result";

type Check = { readonly validate: (text: string) => { isValid: boolean; compact?: string } };

/** What the check of a country's number for value added tax is called in the package. */
const VAT_NAMES = [
  "vat",
  "tva",
  "uid",
  "dic",
  "cvr",
  "kmkr",
  "cif",
  "alv",
  "oib",
  "anum",
  "iva",
  "pvm",
  "pvn",
  "btw",
  "nip",
  "nif",
  "cui",
  "ddv",
  "dph",
];
/** Countries whose number is looked at first by another of its names. */
const NAMED: Readonly<Record<string, readonly string[]>> = {
  ES: ["nif", "cif", "dni", "nie"],
  CZ: ["dic"],
  PT: ["nif", "nipc"],
  RO: ["cif", "cui"],
};
/** Members of the EU, by the letters before their numbers (Greece uses EL). */
const EUROPEAN =
  "AT BE BG CY CZ DE DK EE EL ES FI FR HR HU IE IT LT LU LV MT NL PL PT RO SE SI SK".split(" ");

const checksOf = (country: string, names: readonly string[]): Check[] => {
  const known = (stdnum as unknown as Record<string, Record<string, Check> | undefined>)[country];
  return names.flatMap((name) => known?.[name] ?? []);
};

/** What kind of tax number a text is, written as its country writes it. */
export type TaxNumber = { readonly kind: "EIN" | "VAT" | "GSTIN"; readonly text: string };

/**
 * Reads a tax number and checks it by its form and check digits: an EIN of the United States (its
 * first two digits are those of a campus of the Internal Revenue Service), a VAT number of a member
 * of the EU or of Great Britain, or a GSTIN of India. By form alone: whether it was given out, only
 * the tax office knows. Numbers of other countries are kept as they are (null).
 * Source: the published rules as package stdnum has them (python-stdnum's), IRS for prefixes.
 */
export function taxNumberOf(
  text: string,
  country: string | null,
): Result<TaxNumber | null, "tax_number.wrong"> {
  const compact = text.toUpperCase().replaceAll(/[\s.-]/gu, "");
  const kind = kindOf(compact, country);
  if (kind === null) return ok(null);
  if (!HOLDS[kind](compact))
    return fail("tax_number.wrong", { field: "tax_number", text: text.trim().slice(0, 40) });
  const written = kind === "EIN" ? `${compact.slice(0, 2)}-${compact.slice(2)}` : compact;
  return ok({ kind, text: written });
}

/** Which rules a number is under: the letters before it say, else its country; null for none of ours. */
function kindOf(compact: string, country: string | null): TaxNumber["kind"] | null {
  if ([...EUROPEAN, "GB"].includes(compact.slice(0, 2))) return "VAT";
  if (country === "IN" || /^\d{2}[A-Z]{5}\d{4}[A-Z]/u.test(compact)) return "GSTIN";
  return country === "US" && /^\d+$/u.test(compact) ? "EIN" : null;
}

const HOLDS: Readonly<Record<TaxNumber["kind"], (compact: string) => boolean>> = {
  VAT: (compact) => {
    const of = compact.startsWith("EL") ? "GR" : compact.slice(0, 2);
    const texts = [compact.slice(2), compact];
    return checksOf(of, NAMED[of] ?? VAT_NAMES).some((check) =>
      texts.some((text) => check.validate(text).isValid),
    );
  },
  GSTIN: (compact) => checksOf("IN", ["gstin"]).some((check) => check.validate(compact).isValid),
  EIN: (compact) => checksOf("US", ["ein"]).some((check) => check.validate(compact).isValid),
};
