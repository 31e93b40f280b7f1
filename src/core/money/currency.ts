/**
 * Currency codes and their minor digits, from ISO 4217 (list one). Every code
 * has two digits unless it stands in EXCEPTIONS. A test compares the table
 * with the package currency-codes.
 */
const CODES =
  "AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BHD BIF BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CLF CLP CNY COP CRC CUP CVE CZK DJF DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GNF GTQ GYD HKD HNL HTG HUF IDR ILS INR IQD IRR ISK JMD JOD JPY KES KGS KHR KMF KPW KRW KWD KYD KZT LAK LBP LKR LRD LSL LYD MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD OMR PAB PEN PGK PHP PKR PLN PYG QAR RON RSD RUB RWF SAR SBD SCR SDG SEK SGD SHP SOS SRD SSP STN SVC SYP SZL THB TJS TMT TND TOP TRY TTD TWD TZS UAH UGX USD UYU UYW UZS VED VES VND VUV WST XAF XCD XOF XPF YER ZAR ZMW";

const EXCEPTIONS: Record<string, number> = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
  CLF: 4,
  UYW: 4,
};

const KNOWN = new Set(CODES.split(" "));

/** An ISO 4217 code, upper case. */
export type Currency = string & { readonly __brand: "Currency" };

/** The code as a Currency, or undefined where ISO 4217 has no such money. Case and outer blanks do not matter. */
export function currencyOf(text: string): Currency | undefined {
  const code = text.trim().toUpperCase();
  return KNOWN.has(code) ? (code as Currency) : undefined;
}

/** Digits after the decimal mark: USD 2, JPY 0, KWD 3, CLF 4. */
export function minorDigits(currency: Currency): number {
  return EXCEPTIONS[currency] ?? 2;
}

/** Minor units in a whole one: USD 100, JPY 1, KWD 1000. */
export const unitOf = (currency: Currency): number => 10 ** minorDigits(currency);

/** All codes that are known, in alphabetical order. */
export function allCurrencies(): Currency[] {
  return [...KNOWN] as Currency[];
}
