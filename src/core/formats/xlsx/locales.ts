/**
 * Currencies of countries whose sign is that of others too, by the regions and numbers of their languages
 * (BCP 47; MS-LCID, from memory).
 */
const CURRENCIES: Readonly<Record<string, string>> = {
  ...{ US: "USD", CA: "CAD", AU: "AUD", NZ: "NZD", MX: "MXN", SG: "SGD", HK: "HKD" },
  ...{ JP: "JPY", CN: "CNY", SE: "SEK", NO: "NOK", DK: "DKK", IS: "ISK" },
  ...{ "409": "USD", "1009": "CAD", C0C: "CAD", C09: "AUD", "1409": "NZD", "80A": "MXN" },
  ...{ "4809": "SGD", C04: "HKD", "411": "JPY", "804": "CNY", "41D": "SEK", "414": "NOK" },
  ...{ "814": "NOK", "406": "DKK", "40F": "ISK" },
};

/**
 * The sign of a currency in brackets, `$€-407` or `$$-en-CA`: its code where several countries write
 * the sign and the brackets name one of them. Empty where they name no sign.
 */
export function signIn(bracket: string): string {
  const [, sign = "", place = ""] = /^\$([^-]*)(?:-(.*))?$/.exec(bracket) ?? [];
  if (!/^(?:\$|[¥￥]|kr\.?)$/.test(sign)) return sign;
  return CURRENCIES[(place.split("-").at(-1) ?? "").toUpperCase()] ?? sign;
}
