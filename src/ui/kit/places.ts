import { countries } from "countries-list";

import { allCurrencies } from "@/core/money";

/** One of a list that is too long to be looked through: its value, and words to find it by. */
export type Option = { value: string; words: string };

const named = (type: "currency", codes: readonly string[]): Option[] => {
  const names = new Intl.DisplayNames("en", { type });
  return codes.map((value) => ({ value, words: names.of(value) ?? value }));
};

/** Every currency of ISO 4217 that a book can be kept in. */
export const CURRENCIES: readonly Option[] = named("currency", allCurrencies());

/** Every time zone of the IANA database that this machine knows, by its place. */
export const TIME_ZONES: readonly Option[] = Intl.supportedValuesOf("timeZone").map((value) => ({
  value,
  words: value.replaceAll("_", " "),
}));

/** Every country of ISO 3166, by its name. */
export const COUNTRIES: readonly Option[] = Object.entries(countries)
  .map(([value, { name }]) => ({ value, words: name }))
  .sort((a, b) => a.words.localeCompare(b.words, "en"));
