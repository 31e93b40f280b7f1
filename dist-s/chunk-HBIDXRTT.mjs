import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/core/gate/text.ts
var MOST_IN_CELL = 2e3;
var MOST_IN_FIELD = 2e4;
var NO_TEXT = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069\uD800-\uDFFF\uFEFF]/u;
var ALL_NO_TEXT = new RegExp(NO_TEXT, "gu");
var textOnly = (text, most) => text.slice(0, most).replace(ALL_NO_TEXT, "");
function textProblem(text, most = MOST_IN_FIELD) {
  if (text.length > most) return "text.long";
  return NO_TEXT.test(text) ? "text.control" : null;
}

// src/core/money/minor.ts
function minor(value) {
  if (!Number.isSafeInteger(value))
    throw new RangeError("an amount must be a safe integer of minor units");
  return value === 0 ? 0 : value;
}
var ZERO = minor(0);
function add(...terms) {
  let total = 0;
  for (const term of terms) total += term;
  return minor(total);
}
function sumOf(items, amountOf) {
  let total = 0;
  for (const item of items) total += amountOf(item);
  return minor(total);
}
function negate(amount) {
  return minor(-amount);
}

// src/core/money/currency.ts
var CODES = "AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BHD BIF BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CLF CLP CNY COP CRC CUP CVE CZK DJF DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GNF GTQ GYD HKD HNL HTG HUF IDR ILS INR IQD IRR ISK JMD JOD JPY KES KGS KHR KMF KPW KRW KWD KYD KZT LAK LBP LKR LRD LSL LYD MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD OMR PAB PEN PGK PHP PKR PLN PYG QAR RON RSD RUB RWF SAR SBD SCR SDG SEK SGD SHP SOS SRD SSP STN SVC SYP SZL THB TJS TMT TND TOP TRY TTD TWD TZS UAH UGX USD UYU UYW UZS VED VES VND VUV WST XAF XCD XOF XPF YER ZAR ZMW";
var EXCEPTIONS = {
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
  UYW: 4
};
var KNOWN = new Set(CODES.split(" "));
function currencyOf(text) {
  const code = text.trim().toUpperCase();
  return KNOWN.has(code) ? code : void 0;
}
function minorDigits(currency) {
  return EXCEPTIONS[currency] ?? 2;
}
var unitOf = (currency) => 10 ** minorDigits(currency);

// src/core/money/text.ts
var SHAPES = {
  ".": /^(\d+|\d{1,3}(?:,\d{3})+|\d{1,3}(?:[ \u00a0'’]\d{3})+)?(?:\.(\d*))?$/,
  ",": /^(\d+|\d{1,3}(?:\.\d{3})+|\d{1,3}(?:[ \u00a0'’]\d{3})+)?(?:,(\d*))?$/
};
var LONGEST = 60;
var LARGEST_SUM = 1e12;
var PLAIN = /^-?\d{1,8}\.(\d{1,4})$/;
function parseAmount(text, mark, currency) {
  const trimmed = text.trim();
  if (trimmed === "") return fail("amount.empty");
  if (trimmed.length > LONGEST)
    return fail("amount.unreadable", { text: `${trimmed.slice(0, 20)} \u2026`, mark });
  const plain = mark === "." ? PLAIN.exec(trimmed) : null;
  if (plain?.[1]?.length === minorDigits(currency))
    return ok(minor(Number(trimmed.replace(".", ""))));
  const bare = withoutSigns(trimmed);
  const [, whole, behind] = (isCut(trimmed) ? null : SHAPES[mark].exec(bare)) ?? [];
  if (whole === void 0 && !behind)
    return fail(unreadable(trimmed, bare), { text: trimmed, mark });
  return valueOf(trimmed, { whole, behind }, currency);
}
var isCut = (text) => text.includes("(") !== text.includes(")");
function valueOf(text, { whole = "0", behind = "" }, currency) {
  const digits = minorDigits(currency);
  const decimals = behind.replace(/0{1,60}$/, "");
  if (decimals.length > digits) return fail("amount.digits", { text, currency, digits });
  const value = Number(`${whole.replace(/\D/g, "")}${decimals.padEnd(digits, "0")}`);
  if (value > LARGEST_SUM) return fail("amount.large", { text });
  return ok(minor(isNegative(text) ? -value : value));
}
var isNegative = (text) => /^\(.*\)$/.test(text) || /^[^\d]*[-−]/.test(text) || /[-−]$/.test(text);
var SIGN = /[$€£¥]/;
function past(text, kind, from, step) {
  let at = from;
  while (kind.test(text[at] ?? "")) at += step;
  return at;
}
function withoutSigns(text) {
  let from = past(text, /[\s(+\-−]/, 0, 1);
  if (/^[A-Z]{3}(?!\w)/.test(text.slice(from, from + 4)))
    from = past(text, /[\s(+\-−]/, from + 3, 1);
  if (SIGN.test(text[from] ?? "")) from = past(text, /[\s+\-−]/, from + 1, 1);
  let to = past(text, /[\s)\-−]/, text.length - 1, -1);
  if (/^[A-Z]{3}$/.test(text.slice(Math.max(0, to - 2), to + 1))) to -= 3;
  else if (SIGN.test(text[to] ?? "")) to -= 1;
  to = past(text, /[\s)\-−]/, to, -1);
  return text.slice(from, Math.max(from, to + 1));
}
var unreadable = (text, bare) => /^[\d.,]+$/.test(bare) && !isCut(text) ? "amount.mark" : "amount.unreadable";
function toDecimal(amount, currency) {
  const digits = minorDigits(currency);
  const size = Math.abs(amount).toString().padStart(digits + 1, "0");
  const whole = size.slice(0, size.length - digits);
  const sign = amount < 0 ? "-" : "";
  return digits === 0 ? `${sign}${whole}` : `${sign}${whole}.${size.slice(-digits)}`;
}
function formatAmount(amount, currency, options = {}) {
  if (amount === 0 && options.dash) return "\u2013";
  const [whole = "0", decimals] = toDecimal(Math.abs(amount), currency).split(".");
  const grouped = whole.replace(/\B(?=(?:\d{3}){1,6}$)/g, ",");
  const text = decimals === void 0 ? grouped : `${grouped}.${decimals}`;
  return amount < 0 ? `(${text})` : text;
}
function formatMoney(amount, currency, book) {
  return currency === book ? formatAmount(amount, currency) : `${currency} ${formatAmount(amount, currency)}`;
}

// src/core/money/rounding.ts
function mulDiv(amount, numerator, denominator, rounding) {
  const bottom = BigInt(denominator);
  if (bottom === 0n) throw new RangeError("division by zero");
  const top = BigInt(minor(amount)) * BigInt(numerator);
  const negative = top < 0n !== bottom < 0n && top !== 0n;
  const size = abs(top);
  const by = abs(bottom);
  const whole = size / by;
  const rest = size % by;
  const rounded = whole + (goesUp(whole, rest, by, rounding) ? 1n : 0n);
  return minor(Number(negative ? -rounded : rounded));
}
function goesUp(whole, rest, by, rounding) {
  switch (rounding) {
    case "down":
      return false;
    case "up":
      return rest > 0n;
    case "half-up":
      return rest * 2n >= by;
    case "half-even":
      return rest * 2n > by || rest * 2n === by && whole % 2n === 1n;
    default:
      throw rounding;
  }
}
function abs(value) {
  return value < 0n ? -value : value;
}

// src/core/money/ratio.ts
function ratioOf(text) {
  const match = /^(-?)(\d+)(?:\.(\d+))?$/.exec(text.trim());
  if (!match) return fail("rate.unreadable", { text });
  const decimals = match[3] ?? "";
  const numerator = BigInt(`${match[1] ?? ""}${match[2] ?? "0"}${decimals}`);
  return ok({ numerator, denominator: 10n ** BigInt(decimals.length) });
}
function percentOf(amount, percent, rounding) {
  return mulDiv(amount, percent.numerator, percent.denominator * 100n, rounding);
}

// src/core/money/convert.ts
function convert(amount, from, to, rate) {
  const [up, down] = [BigInt(minorDigits(to)), BigInt(minorDigits(from))];
  return mulDiv(amount, rate.numerator * 10n ** up, rate.denominator * 10n ** down, "half-even");
}
function inCurrency(amount, from, to, rate) {
  const ratio = ratioOf(rate);
  return ratio.ok ? convert(amount, from, to, ratio.value) : null;
}
function convertBack(amount, from, to, rate) {
  return convert(amount, from, to, {
    numerator: rate.denominator,
    denominator: rate.numerator
  });
}
function ownRate(got, gotIn, given, givenIn) {
  return (got / unitOf(gotIn) / (given / unitOf(givenIn))).toFixed(5);
}

// src/core/money/split.ts
function split(amount, weights) {
  const all = weights.reduce((sum, weight) => sum + BigInt(weight), 0n);
  if (weights.length === 0) return [];
  if (all === 0n) return weights.map((_, index) => minor(index === 0 ? amount : 0));
  const sign = amount < 0 ? -1 : 1;
  const size = BigInt(Math.abs(amount));
  const parts = weights.map((weight) => Number(size * BigInt(weight) / all));
  const order = weights.map((weight, index) => ({ index, rest: size * BigInt(weight) % all })).sort((a, b) => {
    if (a.rest === b.rest) return a.index - b.index;
    if (a.rest > b.rest) return -1;
    return 1;
  });
  let left = Math.abs(amount) - parts.reduce((sum, part) => sum + part, 0);
  for (const { index } of order) {
    if (left === 0) break;
    parts[index] = (parts[index] ?? 0) + 1;
    left -= 1;
  }
  return parts.map((part) => minor(part * sign));
}

// src/core/gate/addresses.ts
import emailParser from "email-addresses";
var LONGEST2 = 254;
var PLAIN2 = /^[\w!#$%&'*+/=?^`{|}~-]{1,64}(?:\.[\w!#$%&'*+/=?^`{|}~-]{1,64}){0,9}@[a-z\d](?:-?[a-z\d]){0,62}(?:\.[a-z\d](?:-?[a-z\d]){0,62}){1,9}$/i;
function isEmailAddress(text) {
  if (text.length > LONGEST2 || !/^[\x21-\x7E\u0080-\u{10FFFF}]+$/u.test(text)) return false;
  if (/[\s"(),:;<>[\\\]]/.test(text) || textProblem(text) !== null) return false;
  if (PLAIN2.test(text)) return true;
  return isByParser(text);
}
function isByParser(text) {
  const parsed = emailParser.parseOneAddress({ input: text, rejectTLD: true, rfc6532: true });
  return parsed?.type === "mailbox" && parsed.address === text;
}
function emailAddresses(text) {
  const parts = text.split(/[,;]/).map((part) => part.trim()).filter((part) => part !== "");
  return parts.every(isEmailAddress) ? parts : null;
}

// src/core/gate/days.ts
var FIRST_DAY = "1900-01-01";
var LAST_DAY = "2199-12-31";
var isBookDay = (day2) => day2 >= FIRST_DAY && day2 <= LAST_DAY;

// src/core/gate/sums.ts
var LARGEST_TOTAL = 9e15;
var isBookSum = (sum) => Math.abs(sum) <= LARGEST_SUM;

// src/core/gate/input.ts
function inputProblem(input, path = []) {
  if (typeof input === "number") return isBookSum(input) ? null : { path, code: "sum.large" };
  if (typeof input === "string") {
    const code = textProblem(input);
    return code && { path, code };
  }
  if (typeof input !== "object" || input === null) return null;
  for (const [name, part] of partsOf(input)) {
    const problem = inputProblem(name, path) ?? inputProblem(part, [...path, name]);
    if (problem) return problem;
  }
  return null;
}
var partsOf = (input) => Array.isArray(input) ? input.map((part, at) => [at, part]) : Object.entries(input);

// src/core/gate/ibans.ts
var LENGTHS = new Map(
  "AD24 AE23 AL28 AT20 AZ28 BA20 BE16 BG22 BH22 BI27 BR29 BY28 CH21 CR22 CY28 CZ24 DE22 DJ27 DK18 DO28 EE20 EG29 ES24 FI18 FK18 FO18 FR27 GB22 GE22 GI23 GL18 GR27 GT28 HR21 HU28 IE22 IL23 IQ23 IS26 IT27 JO30 KW30 KZ20 LB28 LC32 LI21 LT20 LU20 LV21 LY25 MC27 MD24 ME22 MK19 MN20 MR27 MT31 MU30 NI28 NL18 NO15 OM23 PK24 PL28 PS29 PT25 QA29 RO24 RS22 RU33 SA24 SC31 SD18 SE24 SI19 SK24 SM27 SO23 ST25 SV28 TL23 TN24 TR26 UA29 VA22 VG24 XK20 YE30 AX18 BL27 GF27 GP27 MF27 MQ27 NC27 PF27 PM27 RE27 TF27 WF27 YT27".split(" ").map((land) => [land.slice(0, 2), Number(land.slice(2))])
);
var REFERENCE = "RF";
function valueOf2(code) {
  if (code >= 48 && code <= 57) return code - 48;
  if (code >= 65 && code <= 90) return code - 55;
  return code >= 97 && code <= 122 ? code - 87 : -1;
}
function checks(bare) {
  let rest = 0;
  for (let at = 0; at < bare.length; at += 1) {
    const value = valueOf2(bare.charCodeAt((at + 4) % bare.length));
    rest = (rest * (value > 9 ? 100 : 10) + value) % 97;
  }
  return rest === 1;
}
function isIban(text) {
  const bare = text.replace(/[^0-9A-Za-z]/g, "").toUpperCase();
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(bare)) return false;
  const land = bare.slice(0, 2);
  return land !== REFERENCE && (LENGTHS.get(land) ?? bare.length) === bare.length && checks(bare);
}
var BEGINS = /[A-Za-z]{2}[ \u00a0]?\d[ \u00a0]?\d/g;
var BETWEEN = /[\s.\-/_\u00a0\u2000-\u200d\u2010-\u2015\u202f\u2060\u3000]/;
var SIGN2 = /[0-9A-Za-z]/;
function ibansIn(text) {
  const found = [];
  BEGINS.lastIndex = 0;
  for (let match = BEGINS.exec(text); match; match = BEGINS.exec(text)) {
    const span = ibanAt(text, match.index);
    BEGINS.lastIndex = span?.end ?? match.index + 1;
    if (span) found.push(span);
  }
  return found;
}
function ibanAt(text, start) {
  const land = text.slice(start, start + 2).toUpperCase();
  if (land === REFERENCE) return null;
  const length = LENGTHS.get(land);
  if (length === void 0) return unknownLand(text, start);
  const end = endOf(text, start, length);
  if (end === null || !isIban(text.slice(start, end))) return null;
  return standsAlone(text, start, end) && !hasWords(text.slice(start, end)) ? { start, end } : null;
}
function endOf(text, start, length) {
  let [seen, apart] = [0, 0];
  for (let at = start; at < text.length; at += 1) {
    if (valueOf2(text.charCodeAt(at)) >= 0) {
      seen += 1;
      apart = 0;
      if (seen === length) return at + 1;
    } else if ((apart += 1) > 2 || !BETWEEN.test(text[at] ?? "")) return null;
  }
  return null;
}
function standsAlone(text, start, end) {
  if (!SIGN2.test(text[start - 1] ?? " ")) return true;
  if (/\?\d\d$/.test(text.slice(Math.max(0, start - 3), start))) return true;
  if (/IBAN$/i.test(text.slice(Math.max(0, start - 4), start))) return true;
  return !/[A-Za-z]/.test(text.slice(start + 2, end));
}
var hasWords = (text) => /[A-Za-z]{7}|(?<![0-9A-Za-z])[A-Za-z]{5}/.test(text);
var OF_NO_LAND = /^[A-Za-z]{2}\d{2}(?:[ .\u00a0-]?[0-9A-Za-z]){11,30}(?![0-9A-Za-z])/;
function unknownLand(text, start) {
  if (SIGN2.test(text[start - 1] ?? " ")) return null;
  const [found] = OF_NO_LAND.exec(text.slice(start, start + 80)) ?? [];
  return found !== void 0 && isIban(found) ? { start, end: start + found.length } : null;
}
var REFERENCES = /(?<![0-9A-Za-z])RF\d{2}[0-9A-Za-z]{1,21}(?![0-9A-Za-z])/gi;
function referencesIn(text) {
  if (!/RF\d\d/i.test(text)) return [];
  return [...text.matchAll(REFERENCES)].filter(({ 0: found }) => checks(found)).map(({ index, 0: found }) => ({ start: index, end: index + found.length }));
}

// src/core/gate/numbers.ts
var CARD_GROUPS = [
  "4-4-4-4",
  "4-6-5",
  "4-6-4",
  "4-4-5",
  "4-5-4",
  "4-4-4-1",
  "4-4-4-2",
  "4-4-4-3",
  "4-4-4-4-1",
  "4-4-4-4-2",
  "4-4-4-4-3",
  "6-13",
  "8-8",
  "4-12",
  "12-4"
];
var RANGES = [
  [/^4/, [13, 16, 18, 19]],
  [/^5[1-5]|^2(?:22[1-9]|2[3-9]|[3-6]|7[01]|720)/, [16]],
  [/^3[47]/, [15]],
  [/^3(?:0[0-5]|095|6|8|9)/, [14, 16, 19]],
  [/^6(?:011|4[4-9]|5)/, [16, 19]],
  [/^35(?:2[89]|[3-8])/, [16, 17, 18, 19]],
  [/^62|^81/, [14, 15, 16, 17, 18, 19]],
  [/^220[0-5]/, [16, 17, 18, 19]],
  [/^(?:5018|50[0-9]{2}|5[67]|58|6304|6390|67|493698)/, [12, 13, 14, 15, 16, 17, 18, 19]],
  [/^(?:60|82|508|353|356|6370|6062|3841)/, [16, 19]],
  [/^(?:9792|65|1946|5019)/, [16]]
];
var SHORTEST = 12;
var LONGEST3 = 19;
function passesLuhn(digits) {
  let sum = 0;
  for (let at = 0; at < digits.length; at += 1) {
    const doubled = digits.charCodeAt(digits.length - 1 - at) - 48;
    const value = at % 2 === 1 ? doubled * 2 : doubled;
    sum += value > 9 ? value - 9 : value;
  }
  return digits !== "" && sum % 10 === 0;
}
function isCardNumber(digits) {
  return digits.length >= SHORTEST && digits.length <= LONGEST3 && RANGES.some(([prefix, lengths]) => lengths.includes(digits.length) && prefix.test(digits)) && passesLuhn(digits);
}
var CALLED_ACCOUNT = /\b(?:bank ?(?:account|acct)|account (?:number|no|nr)|acct (?:number|no|nr)|a\/c(?: no)?|kontonummer|konto[- ]?nr|routing (?:number|no)?)[.:#,;|"\t ]{0,6}(?=\d)/gi;
var KINDS = [
  [ibansIn, "account ending in "],
  [cardsIn, "ending in "],
  [calledIn, "ending in "]
];
function rewritten(text, places, write) {
  let [left, from] = ["", 0];
  for (const { start, end } of places) {
    left += text.slice(from, start) + write(text.slice(start, end));
    from = end;
  }
  return from === 0 ? text : left + text.slice(from);
}
function maskedNumbers(text) {
  if (!/\d{4}|\d\D\d/.test(text)) return text;
  const words = (before) => (found) => before + found.replace(/[^0-9A-Za-z]/g, "").slice(-4);
  return KINDS.reduce((left, [find, before]) => rewritten(left, find(left), words(before)), text);
}
var numbersWrittenOver = (text) => KINDS.reduce((left, [find]) => rewritten(left, find(left), writtenOver), text);
function writtenOver(number) {
  const signs = number.replace(/[^0-9A-Za-z]/g, "").length;
  let seen = 0;
  return number.replace(/[0-9A-Za-z]/g, (sign) => (seen += 1) > signs - 4 ? sign : "x");
}
var STRETCH = /\d(?:[\s.\-/_\u00a0\u2000-\u200d\u2010-\u2015\u202f\u2060\u3000]{0,2}\d){11,}/g;
function cardsIn(text) {
  const references = referencesIn(text);
  const found = [];
  let next = 0;
  for (const { index: from, 0: stretch } of text.matchAll(STRETCH))
    for (const { start, end } of cardsOfStretch(stretch)) {
      const card = { start: from + start, end: from + end };
      while ((references[next]?.end ?? card.end) < card.end) next += 1;
      if ((references[next]?.start ?? card.end) >= card.start) found.push(card);
    }
  return found;
}
function cardsOfStretch(text) {
  const groups = [...text.matchAll(/\d+/g)].map(({ index, 0: digits }) => ({
    start: index,
    end: index + digits.length,
    digits
  }));
  const found = [];
  for (let at = 0; at < groups.length; ) {
    const card = cardAt(groups, at);
    if (card === null) at += 1;
    else {
      found.push(card.group);
      at += card.count;
    }
  }
  return found;
}
function cardAt(groups, from) {
  const lengths = [];
  let digits = "";
  let best = null;
  const start = groups[from]?.start ?? 0;
  for (let at = from; at < groups.length && digits.length <= LONGEST3; at += 1) {
    const group = groups[at];
    if (!group) break;
    digits += group.digits;
    lengths.push(group.digits.length);
    if (isCardNumber(digits) && belongsTogether(lengths))
      best = { group: { start, end: group.end }, count: at - from + 1 };
  }
  return best;
}
var belongsTogether = (lengths) => lengths.every((length) => length === 1) || lengths.length === 1 || CARD_GROUPS.includes(lengths.join("-"));
function calledIn(text) {
  if (!/a\/c|acc|konto|routing/i.test(text)) return [];
  const found = [];
  for (const { index, 0: words } of text.matchAll(CALLED_ACCOUNT)) {
    const start = index + words.length;
    if (start < (found.at(-1)?.end ?? 0)) continue;
    const [number = ""] = /^\d(?:[ -]?\d){7,16}/.exec(text.slice(start, start + 40)) ?? [];
    if (number !== "") found.push({ start, end: start + number.length });
  }
  return found;
}

// src/core/gate/mask.ts
var OWN_WORD = /^(?:[a-z]{2,10}_)?[0-9a-f-]{32,64}$/;
var SECRET = "secret";
var withoutSecrets = (input) => JSON.stringify(input, (name, part) => name === SECRET ? void 0 : part) ?? "";
function masked(input) {
  return maskedPart(input);
}
function maskedPart(input) {
  if (typeof input === "string") return OWN_WORD.test(input) ? input : maskedNumbers(input);
  if (Array.isArray(input)) return input.map(maskedPart);
  if (typeof input !== "object" || input === null) return input;
  return Object.fromEntries(
    Object.entries(input).map(([name, part]) => [name, name === SECRET ? part : maskedPart(part)])
  );
}

// src/core/calendar/dates.ts
function day(text) {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text)?.slice(1).map(Number);
  if (!parts || !isInCalendar(parts)) throw new RangeError(`${text} is no day.`);
  return text;
}
var isInCalendar = ([year, month, dayOfMonth2]) => month >= 1 && month <= 12 && dayOfMonth2 >= 1 && dayOfMonth2 <= daysInMonth(year, month);
var daysInMonth = (year, month) => new Date(Date.UTC(year, month, 0)).getUTCDate();
var asDay = (year, month, dayOfMonth2) => [String(year).padStart(4, "0"), twoDigits(month), twoDigits(dayOfMonth2)].join("-");
var twoDigits = (part) => String(part).padStart(2, "0");
var known = /* @__PURE__ */ new Set();
var MOST_KNOWN = 2e4;
function parseDay(text, order) {
  const trimmed = text.trim();
  if (trimmed === "") return fail("day.empty");
  if (known.has(trimmed)) return ok(trimmed);
  const parts = yearMonthDay(trimmed, order);
  if (parts === null) return fail("day.unreadable", { text: trimmed, order });
  if (!isInCalendar(parts)) return fail("day.impossible", { text: trimmed, order });
  const day2 = asDay(...parts);
  if (!isBookDay(day2)) return fail("day.range", { text: trimmed });
  if (known.size < MOST_KNOWN) known.add(day2);
  return ok(day2);
}
function yearMonthDay(text, order) {
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ].*)?$/.exec(text) ?? /^(\d{4})(\d{2})(\d{2})$/.exec(text);
  if (iso) return iso.slice(1, 4).map(Number);
  const written = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d{2})(?:[T ,].*)?$/.exec(text);
  if (!written || order === "ymd") return null;
  const [first, second, said] = written.slice(1, 4).map(Number);
  const year = written[3]?.length === 2 ? 2e3 + said : said;
  return order === "mdy" ? [year, first, second] : [year, second, first];
}
var partsOf2 = (of) => of.split("-").map(Number);
function endOfMonth(of) {
  const [year, month] = partsOf2(of);
  return asDay(year, month, daysInMonth(year, month));
}
function addMonths(from, count) {
  const [fromYear, fromMonth, dayOfMonth2] = partsOf2(from);
  const months = fromYear * 12 + (fromMonth - 1) + count;
  const [year, month] = [Math.floor(months / 12), (months % 12 + 12) % 12 + 1];
  return asDay(year, month, Math.min(dayOfMonth2, daysInMonth(year, month)));
}

// src/core/calendar/day.ts
var earlierFirst = (a, b) => Number(a > b) - Number(a < b);
function addDays(from, count) {
  return dayOfNumber(dayNumber(from) + count);
}
function daysBetween(from, to) {
  return dayNumber(to) - dayNumber(from);
}
var MOST_KNOWN2 = 2e4;
var numbers = /* @__PURE__ */ new Map();
function dayNumber(of) {
  const before = numbers.get(of);
  if (before !== void 0) return before;
  const number = Math.round(
    Date.UTC(Number(of.slice(0, 4)), Number(of.slice(5, 7)) - 1, Number(of.slice(8, 10))) / 864e5
  );
  if (numbers.size < MOST_KNOWN2) numbers.set(of, number);
  return number;
}
var days = /* @__PURE__ */ new Map();
function dayOfNumber(number) {
  const before = days.get(number);
  if (before !== void 0) return before;
  const day2 = new Date(number * 864e5).toISOString().slice(0, 10);
  if (days.size < MOST_KNOWN2) days.set(number, day2);
  return day2;
}
function weekday(of) {
  return ((dayNumber(of) + 3) % 7 + 7) % 7 + 1;
}
var WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
var MONTHS = [
  "Jan",
  "Feb",
  "Mar",
  "Apr",
  "May",
  "Jun",
  "Jul",
  "Aug",
  "Sep",
  "Oct",
  "Nov",
  "Dec"
];
function formatDay(of, today) {
  const year = today !== void 0 && today.slice(0, 4) !== of.slice(0, 4) ? ` ${of.slice(0, 4)}` : "";
  return `${WEEKDAYS[weekday(of) - 1]} ${Number(of.slice(8, 10))} ${MONTHS[Number(of.slice(5, 7)) - 1]}${year}`;
}

// src/core/calendar/banking.ts
var holidaysByYear = /* @__PURE__ */ new Map();
function nthWeekday(year, month, which, nth) {
  const first = day(`${year}-${pad(month)}-01`);
  return addDays(first, (which - weekday(first) + 7) % 7 + 7 * (nth - 1));
}
function lastMondayOfMay(year) {
  const last = day(`${year}-05-31`);
  return addDays(last, -(weekday(last) - 1));
}
function pad(value) {
  return String(value).padStart(2, "0");
}
function holidaysOf(year) {
  const known3 = holidaysByYear.get(year);
  if (known3) return known3;
  const fixed = ["01-01", ...year >= 2021 ? ["06-19"] : [], "07-04", "11-11", "12-25"].map((date) => day(`${year}-${date}`)).map((date) => weekday(date) === 7 ? addDays(date, 1) : date);
  const moving = [
    nthWeekday(year, 1, 1, 3),
    nthWeekday(year, 2, 1, 3),
    lastMondayOfMay(year),
    nthWeekday(year, 9, 1, 1),
    nthWeekday(year, 10, 1, 2),
    nthWeekday(year, 11, 4, 4)
  ];
  const all = /* @__PURE__ */ new Set([...fixed, ...moving]);
  holidaysByYear.set(year, all);
  return all;
}
function isBankHoliday(of) {
  return weekday(of) <= 5 && holidaysOf(Number(of.slice(0, 4))).has(of);
}
function isBankingDay(of) {
  return weekday(of) <= 5 && !isBankHoliday(of);
}
function addBankingDays(from, count) {
  const step = count < 0 ? -1 : 1;
  let at = from;
  let left = Math.abs(count);
  while (left > 0 || !isBankingDay(at)) {
    at = addDays(at, step);
    if (isBankingDay(at)) left = Math.max(0, left - 1);
  }
  return at;
}
function bankingDaysBetween(from, to) {
  if (to < from) return -bankingDaysBetween(to, from);
  let count = 0;
  for (let at = addDays(from, 1); at <= to; at = addDays(at, 1)) if (isBankingDay(at)) count += 1;
  return count;
}

// src/core/calendar/recurrence.ts
var UNITS = ["day", "week", "month", "quarter", "year"];
var DAYS = { day: 1, week: 7 };
var MONTHS2 = { month: 1, quarter: 3, year: 12 };
function occurrence(first, { count, unit, monthEnd }, index) {
  const days2 = DAYS[unit];
  if (days2 !== void 0) return addDays(first, days2 * count * index);
  const months = (MONTHS2[unit] ?? 1) * count * index;
  const on = addMonths(first, months);
  return monthEnd ? endOfMonth(on) : on;
}
function occurrenceBefore(first, every, on) {
  if (on < occurrence(first, every, 0)) return -1;
  const step = daysBetween(occurrence(first, every, 0), occurrence(first, every, 1));
  let index = Math.max(0, Math.floor(daysBetween(first, on) / (step + 3)));
  while (occurrence(first, every, index + 1) <= on) index += 1;
  return index;
}

// src/core/calendar/terms.ts
function parseTerms(text) {
  const before = known2.get(text);
  if (before) return before;
  const made = parseAnew(text);
  if (known2.size < MOST_KNOWN3) known2.set(text, made);
  return made;
}
var known2 = /* @__PURE__ */ new Map();
var MOST_KNOWN3 = 1e3;
function parseAnew(text) {
  const said = text.trim().toLowerCase();
  if (!said.endsWith(BANKING)) return parsePlain(text);
  const plain = said.slice(0, -BANKING.length).trimEnd();
  const read = parsePlain(plain.endsWith(",") ? plain.slice(0, -1) : plain);
  return read.ok ? ok({ ...read.value, banking: true }) : fail("terms.unreadable", { text: said });
}
var BANKING = "banking day";
function parsePlain(text) {
  const trimmed = text.trim().toLowerCase();
  const { discounts, rest } = discountsIn(trimmed);
  if (new Set(discounts.map(({ days: days2 }) => days2)).size < discounts.length)
    return fail("terms.unreadable", { text: text.trim() });
  const due = AT_ONCE.test(rest) ? { by: "days", days: 0 } : monthly(rest);
  if (due) return ok({ due, discounts });
  const match = /^n(?:et)?\s*(?:\/\s*)?(\d+|eom|\d+(?:st|nd|rd|th))$/.exec(rest);
  if (!match) return fail("terms.unreadable", { text: text.trim() });
  const [, net = "0"] = match;
  if (net === "eom") return ok({ due: { by: "end-of-month" }, discounts });
  const dayOfMonth2 = /^(\d+)[a-z]+$/.exec(net);
  if (dayOfMonth2) {
    const which = Number(dayOfMonth2[1]);
    return which >= 1 && which <= 31 ? ok({ due: { by: "day-of-month", day: which }, discounts }) : fail("terms.unreadable", { text: text.trim() });
  }
  return ok({ due: { by: "days", days: Number(net) }, discounts });
}
var AT_ONCE = /^(?:now|due (?:at once|on receipt))$/;
function discountsIn(text) {
  const discounts = [];
  let rest = text;
  while (discounts.length < MOST_DISCOUNTS) {
    const match = /^(\d+(?:\.\d+)?)\s*\/\s*(\d+)[\s,]+(?=\S)/.exec(rest);
    if (!match) break;
    const [all, percent = "0", days2 = "0"] = match;
    discounts.push({ percent, days: Number(days2) });
    rest = rest.slice(all.length);
  }
  return { discounts: discounts.sort((a, b) => a.days - b.days), rest };
}
var MOST_DISCOUNTS = 5;
function monthly(text) {
  const match = /^(eom|day)\s*\/\s*(\d{1,3})$/.exec(text);
  if (!match) return null;
  const number = Number(match[2]);
  if (match[1] === "eom") return { by: "end-of-month", plus: number };
  return number >= 1 && number <= 31 ? { by: "next-day", day: number } : null;
}
function dayOfMonth(inMonth, which) {
  const first = `${inMonth.slice(0, 8)}01`;
  return addDays(first, Math.min(which, Number(endOfMonth(first).slice(8))) - 1);
}
function dueDay(issued, terms) {
  const due = plainDueDay(issued, terms);
  return terms.banking === true && !isBankingDay(due) ? addBankingDays(due, 1) : due;
}
function plainDueDay(issued, terms) {
  switch (terms.due.by) {
    case "days":
      return addDays(issued, terms.due.days);
    case "end-of-month":
      return addDays(endOfMonth(issued), terms.due.plus ?? 0);
    case "day-of-month":
      return dayOfMonth(monthAfter(issued), terms.due.day);
    case "next-day": {
      const here = dayOfMonth(issued, terms.due.day);
      return here > issued ? here : dayOfMonth(monthAfter(issued), terms.due.day);
    }
    default:
      throw terms.due;
  }
}
var monthAfter = (on) => addMonths(`${on.slice(0, 8)}01`, 1);
function discountOn(issued, { discounts }, paid, grace) {
  const passed = daysBetween(issued, paid) - grace;
  const current = discounts.find(({ days: days2 }) => passed <= days2);
  const last = discounts.at(-1);
  if (current) return { percent: current.percent, inTime: true };
  return last ? { percent: last.percent, inTime: false } : null;
}

export {
  MOST_IN_CELL,
  textOnly,
  textProblem,
  isEmailAddress,
  emailAddresses,
  isBookDay,
  currencyOf,
  minorDigits,
  unitOf,
  minor,
  ZERO,
  add,
  sumOf,
  negate,
  mulDiv,
  ratioOf,
  percentOf,
  convert,
  inCurrency,
  convertBack,
  ownRate,
  split,
  LARGEST_SUM,
  parseAmount,
  isCut,
  toDecimal,
  formatAmount,
  formatMoney,
  LARGEST_TOTAL,
  inputProblem,
  maskedNumbers,
  numbersWrittenOver,
  writtenOver,
  withoutSecrets,
  masked,
  day,
  parseDay,
  endOfMonth,
  addMonths,
  earlierFirst,
  addDays,
  daysBetween,
  dayNumber,
  dayOfNumber,
  weekday,
  formatDay,
  isBankingDay,
  addBankingDays,
  bankingDaysBetween,
  UNITS,
  occurrence,
  occurrenceBefore,
  parseTerms,
  dueDay,
  discountOn
};
