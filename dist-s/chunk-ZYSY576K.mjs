import {
  retryOf
} from "./chunk-ELMUUMV5.mjs";
import {
  ZERO,
  addBankingDays,
  addDays,
  addMonths,
  endOfMonth,
  minor,
  percentOf,
  ratioOf,
  sumOf
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/core/paying/bankAccount.ts
var isPrefix = (first) => first >= 0 && first <= 12 || first >= 21 && first <= 32 || first >= 61 && first <= 72 || first === 80;
function isRouting(text) {
  if (!/^\d{9}$/.test(text) || /^0{9}$/.test(text)) return false;
  const weights = [3, 7, 1];
  const sum = [...text].reduce((all, digit, at) => all + Number(digit) * (weights[at % 3] ?? 0), 0);
  return sum % 10 === 0 && isPrefix(Number(text.slice(0, 2)));
}
function accountFace(typed) {
  const routing = typed.routing.trim();
  if (!isRouting(routing)) return fail("account.routing", { field: "routing" });
  const account = typed.account.trim();
  if (!/^\d{4,17}$/.test(account)) return fail("account.form", { field: "account" });
  if (account !== typed.again.trim()) return fail("account.again", { field: "again" });
  return ok({ bankName: bankOf(routing), lastFour: account.slice(-4) });
}
var BANKS = {
  "011000015": "Federal Reserve Bank",
  "021001208": "Federal Reserve Bank"
};
var PRACTICE_BANKS = ["Harbor Practice Bank", "Millrace Savings", "Cobalt Credit Union"];
var bankOf = (routing) => BANKS[routing] ?? PRACTICE_BANKS[Number(routing.slice(4, 8)) % PRACTICE_BANKS.length] ?? "a bank";

// src/core/paying/card.ts
var SCHEMES = [
  { name: "Visa", begins: /^4/, lengths: [13, 16, 19], code: 3 },
  {
    name: "Mastercard",
    begins: /^(?:5[1-5]|222[1-9]|22[3-9]|2[3-6]|27[01]|2720)/,
    lengths: [16],
    code: 3
  },
  { name: "American Express", begins: /^3[47]/, lengths: [15], code: 4 },
  { name: "Discover", begins: /^(?:6011|64[4-9]|65)/, lengths: [16, 19], code: 3 }
];
var digitsOf = (text) => text.replace(/\D/g, "");
var schemeOf = (number) => SCHEMES.find(({ begins }) => begins.test(digitsOf(number)));
function isChecked(number) {
  const digits = digitsOf(number);
  let sum = 0;
  [...digits].reverse().forEach((digit, at) => {
    const value = Number(digit) * (at % 2 === 1 ? 2 : 1);
    sum += value > 9 ? value - 9 : value;
  });
  return digits.length > 1 && sum % 10 === 0;
}
function expiryOf(text) {
  const [, month, year] = /^\s*(\d{1,2})\s*(?:\/\s*)?(\d{2}|20\d{2})\s*$/.exec(text) ?? [];
  const which = Number(month);
  if (!year || which < 1 || which > 12) return null;
  return `20${year.slice(-2)}-${String(which).padStart(2, "0")}`;
}
function cardFace(card, today) {
  const digits = digitsOf(card.number);
  const scheme = schemeOf(digits);
  if (digits.length < 12 || digits.length > 19) return fail("card.length", { field: "number" });
  if (!isChecked(digits) || !scheme || !scheme.lengths.some((length) => length === digits.length))
    return fail("card.number", { field: "number" });
  const expires = expiryOf(card.expiry);
  if (expires === null) return fail("card.expiry", { field: "expiry" });
  if (expires < today.slice(0, 7)) return fail("card.expired", { field: "expiry" });
  if (!new RegExp(`^\\d{${scheme.code}}$`).test(card.code.trim()))
    return fail("card.code", { field: "code", digits: scheme.code });
  return ok({ brand: scheme.name, lastFour: digits.slice(-4), expires });
}

// src/core/paying/processor.ts
var WAYS_TO_PAY = ["card", "bank"];
var DECLINES = {
  "05": { words: "The bank did not approve it and gives no reason.", again: true },
  "14": { words: "The bank does not know this card number.", again: false },
  "41": { words: "The bank has this card on its list of lost ones.", again: false },
  "43": { words: "The bank has this card on its list of stolen ones.", again: false },
  "51": { words: "There is not enough on the account for this sum.", again: true },
  "54": { words: "The card has run out.", again: false },
  "57": { words: "The bank does not permit this kind of payment with this card.", again: false },
  "61": { words: "The sum is over the limit of this card.", again: true },
  "65": { words: "The card's bank wants a code from its owner.", again: false },
  "82": { words: "The code of the card is not right.", again: false },
  "91": { words: "The bank cannot be reached just now.", again: true }
};
var isDeclineCode = (code) => code in DECLINES;

// src/core/paying/offered.ts
var PAYS_BY = ["card", "bank", "card,bank"];
function offeredWays(said) {
  const nearest = said.find((word) => word !== null) ?? "card,bank";
  return WAYS_TO_PAY.filter((way) => nearest.split(",").includes(way));
}

// src/core/paying/askedSum.ts
function askedSum(parts, way, { surchargePercent, savingPercent }) {
  const savings = parts.map(
    ({ amount, isWhole }) => way === "bank" && isWhole ? partOf(amount, savingPercent) : ZERO
  );
  const settled = sumOf(parts, ({ amount }) => amount);
  const surcharge = way === "card" ? partOf(settled, surchargePercent) : ZERO;
  const saved = sumOf(savings, (saving) => saving);
  return { savings, surcharge, sum: minor(settled + surcharge - saved) };
}
function partOf(amount, percent) {
  const ratio = ratioOf(percent ?? "0");
  return ratio.ok ? percentOf(amount, ratio.value, "half-even") : ZERO;
}

// src/core/paying/choose.ts
function spread(amount, chosen) {
  let left = amount;
  const parts = [];
  for (const { itemId, balance } of [...chosen].sort(byDue)) {
    const part = Math.min(left, balance);
    if (part <= 0) continue;
    parts.push({ itemId, amount: minor(part) });
    left -= part;
  }
  return parts;
}
var byDue = (a, b) => {
  if (a.dueOn !== b.dueOn) return a.dueOn < b.dueOn ? -1 : 1;
  return a.itemId - b.itemId;
};

// src/core/paying/letters.ts
var letterIn = (letters, language) => letters[language] ?? letters.en;

// src/core/paying/cardLetter.ts
var LETTERS = {
  en: {
    subject: "Your card at {{ business }} runs out soon",
    body: `{{ customer }},

your card {{ method }}, from which we take what is due as you agreed, can be used until the end of {{ month }}. Please give us another before that, or a bank account:

{{ link }}

You owe nothing by this letter. Thank you.

{{ business }}
`
  },
  es: {
    subject: "Su tarjeta en {{ business }} vence pronto",
    body: `{{ customer }}:

su tarjeta {{ method }}, de la que cobramos lo que vence como usted acord\xF3, sirve hasta el final de {{ month }}. Ind\xEDquenos antes otra, o una cuenta bancaria:

{{ link }}

Con esta carta no debe nada. Gracias.

{{ business }}
`
  },
  fr: {
    subject: "Votre carte chez {{ business }} arrive \xE0 \xE9ch\xE9ance",
    body: `{{ customer }},

votre carte {{ method }}, dont nous pr\xE9levons ce qui est d\xFB comme convenu, est valable jusqu\u2019\xE0 la fin de {{ month }}. Merci de nous en indiquer une autre d\u2019ici l\xE0, ou un compte bancaire :

{{ link }}

Cette lettre ne vous demande aucun paiement. Merci.

{{ business }}
`
  },
  de: {
    subject: "Ihre Karte bei {{ business }} l\xE4uft bald ab",
    body: `{{ customer }},

Ihre Karte {{ method }}, von der wir wie vereinbart abbuchen, was f\xE4llig ist, gilt bis Ende {{ month }}. Bitte nennen Sie uns vorher eine andere, oder ein Bankkonto:

{{ link }}

Mit diesem Schreiben schulden Sie nichts. Vielen Dank.

{{ business }}
`
  }
};
var cardLetter = (language) => letterIn(LETTERS, language);

// src/core/paying/consentWords.ts
var ENDING = {
  en: "ending in",
  es: "terminada en",
  fr: "finissant par",
  de: "endet auf"
};
var methodInWords = (language, { name, lastFour }) => `${name} ${ENDING[language] ?? "ending in"} ${lastFour}`;
var WORDS = {
  en: (business, method) => `I let ${business} take what I owe from ${method} on the day it is due, until I end this. I can end it any day on this page.`,
  es: (business, method) => `Permito que ${business} cobre lo que debo de ${method} el d\xEDa en que vence, hasta que yo lo termine. Puedo terminarlo cualquier d\xEDa en esta p\xE1gina.`,
  fr: (business, method) => `Je permets \xE0 ${business} de pr\xE9lever ce que je dois de ${method} le jour de l\u2019\xE9ch\xE9ance, jusqu\u2019\xE0 ce que j\u2019y mette fin. Je peux y mettre fin chaque jour sur cette page.`,
  de: (business, method) => `Ich erlaube ${business}, was ich schulde, am Tag der F\xE4lligkeit von ${method} abzubuchen, bis ich es beende. Ich kann es jeden Tag auf dieser Seite beenden.`
};
var consentWords = (language, business, method) => (WORDS[language] ?? WORDS.en)?.(business, method) ?? "";

// src/core/paying/ownSum.ts
function limitsFor({ from, to }, open) {
  const most = Math.min(open, to ?? open);
  return { from: minor(Math.min(from, most)), to: minor(most) };
}
function isWithin(sum, limits, open) {
  const { from, to } = limitsFor(limits, open);
  return sum >= from && sum <= to;
}

// src/core/paying/plan.ts
function planOf(sum, count, from) {
  const parts = Math.max(1, Math.min(count, sum));
  const each = Math.floor(sum / parts);
  return Array.from({ length: parts }, (_, at) => ({
    dueOn: at === 0 ? from : addBankingDays(addMonths(from, at), 0),
    sum: minor(at === 0 ? sum - each * (parts - 1) : each)
  }));
}

// src/core/paying/planWords.ts
var WORDS2 = {
  en: (business, method, parts) => `I let ${business} take these parts from ${method}, each on its day: ${parts}. I can end this any day on this page; then all that is left is due.`,
  es: (business, method, parts) => `Permito que ${business} cobre estas partes de ${method}, cada una en su d\xEDa: ${parts}. Puedo terminarlo cualquier d\xEDa en esta p\xE1gina; entonces vence todo lo que quede.`,
  fr: (business, method, parts) => `Je permets \xE0 ${business} de pr\xE9lever ces parts de ${method}, chacune \xE0 son jour : ${parts}. Je peux y mettre fin chaque jour sur cette page ; tout ce qui reste est alors d\xFB.`,
  de: (business, method, parts) => `Ich erlaube ${business}, diese Teile von ${method} abzubuchen, jeden an seinem Tag: ${parts}. Ich kann es jeden Tag auf dieser Seite beenden; dann ist alles f\xE4llig, was \xFCbrig ist.`
};
var planWords = (language, { business, method, parts }) => (WORDS2[language] ?? WORDS2.en)?.(business, method, parts) ?? "";

// src/core/paying/receiptLetter.ts
var LETTERS2 = {
  en: {
    subject: "Receipt from {{ business }}: {{ sum }}",
    body: `{{ customer }},

we have your payment of {{ sum }} for {{ numbers }}. The receipt is with this mail. Thank you.

{{ business }}
`
  },
  es: {
    subject: "Recibo de {{ business }}: {{ sum }}",
    body: `{{ customer }}:

hemos recibido su pago de {{ sum }} por {{ numbers }}. El recibo va con este correo. Gracias.

{{ business }}
`
  },
  fr: {
    subject: "Re\xE7u de {{ business }} : {{ sum }}",
    body: `{{ customer }},

nous avons re\xE7u votre paiement de {{ sum }} pour {{ numbers }}. Le re\xE7u est joint. Merci.

{{ business }}
`
  },
  de: {
    subject: "Beleg von {{ business }}: {{ sum }}",
    body: `{{ customer }},

Ihre Zahlung von {{ sum }} f\xFCr {{ numbers }} ist da. Der Beleg liegt bei. Vielen Dank.

{{ business }}
`
  }
};
var receiptLetter = (language) => letterIn(LETTERS2, language);

// src/core/paying/retries.ts
var MOST_TRIES = 4;
var WAITS = [3, 5, 7];
function nextTry(code, tries, on) {
  const wait = WAITS[tries - 1];
  if (!DECLINES[code].again || tries >= MOST_TRIES || wait === void 0) return null;
  return addBankingDays(addDays(on, wait), 0);
}
var DEBIT_WAIT = 5;
function nextDebit(code, settled) {
  const [first, last] = [settled[0], settled.at(-1)];
  if (first === void 0 || last === void 0) return null;
  const next = addBankingDays(last, DEBIT_WAIT);
  return retryOf(code, settled.length - 1, first, next).may ? next : null;
}

// src/core/paying/runningOut.ts
var SEEN_AHEAD = 60;
function runsOutOn(expires, today) {
  if (expires === null || !/^\d{4}-\d{2}$/.test(expires)) return null;
  const last = endOfMonth(`${expires}-01`);
  return last <= addDays(today, SEEN_AHEAD) ? last : null;
}

// src/core/paying/sumLetter.ts
var LETTERS3 = {
  en: {
    subject: "{{ business }} takes {{ sum }} on {{ day }}",
    body: `{{ customer }},

as you agreed, we take {{ sum }} for {{ numbers }} from {{ method }} on {{ day }} or the next banking day. You need do nothing.

To end the agreement, or to pay in another way before that day:

{{ link }}

{{ business }}
`
  },
  es: {
    subject: "{{ business }} cobra {{ sum }} el {{ day }}",
    body: `{{ customer }}:

como usted acord\xF3, cobramos {{ sum }} por {{ numbers }} de {{ method }} el {{ day }} o el siguiente d\xEDa h\xE1bil bancario. No tiene que hacer nada.

Para terminar el acuerdo, o pagar de otra forma antes de ese d\xEDa:

{{ link }}

{{ business }}
`
  },
  fr: {
    subject: "{{ business }} pr\xE9l\xE8ve {{ sum }} le {{ day }}",
    body: `{{ customer }},

comme convenu, nous pr\xE9levons {{ sum }} pour {{ numbers }} de {{ method }} le {{ day }} ou le jour ouvr\xE9 bancaire suivant. Vous n\u2019avez rien \xE0 faire.

Pour mettre fin \xE0 l\u2019accord, ou payer autrement avant ce jour :

{{ link }}

{{ business }}
`
  },
  de: {
    subject: "{{ business }} bucht am {{ day }} {{ sum }} ab",
    body: `{{ customer }},

wie vereinbart buchen wir am {{ day }} oder am n\xE4chsten Bankarbeitstag {{ sum }} f\xFCr {{ numbers }} von {{ method }} ab. Sie brauchen nichts zu tun.

Um die Vereinbarung zu beenden, oder vor diesem Tag anders zu bezahlen:

{{ link }}

{{ business }}
`
  }
};
var sumLetter = (language) => letterIn(LETTERS3, language);

// src/core/paying/told.ts
function mayTakeFrom(told, days) {
  let last = told[0] ?? null;
  for (const on of told) {
    if (on === null || last === null) return null;
    if (on > last) last = on;
  }
  return last === null ? null : addDays(last, days);
}

export {
  askedSum,
  accountFace,
  isChecked,
  cardFace,
  spread,
  cardLetter,
  methodInWords,
  consentWords,
  WAYS_TO_PAY,
  isDeclineCode,
  PAYS_BY,
  offeredWays,
  isWithin,
  planOf,
  planWords,
  receiptLetter,
  nextTry,
  nextDebit,
  runsOutOn,
  sumLetter,
  mayTakeFrom
};
