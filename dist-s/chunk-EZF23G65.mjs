import {
  groupHead
} from "./chunk-HT5266AL.mjs";
import {
  add,
  daysBetween,
  discountOn,
  earlierFirst,
  formatAmount,
  formatDay,
  minor,
  parseAmount,
  parseTerms,
  percentOf,
  ratioOf,
  sumOf,
  toDecimal,
  unitOf
} from "./chunk-HBIDXRTT.mjs";

// src/core/matching/decision/words.ts
var HOW_READ = {
  whole: "",
  digits: ", without its prefix or zeros",
  near: ", nearly: a digit is off or cut"
};
var texts = (spots) => spots.map(({ text }) => text).join(", ");
var WORDS = {
  numbers: ({ numbers, how }) => numbers.length === 1 ? `${numbers[0]} is in the memo${HOW_READ[how]}` : `${numbers.length} numbers in the memo${HOW_READ[how]}`,
  po: ({ number }) => `order ${number} is in the memo`,
  sum_one: ({ number }) => `the exact sum of ${number}`,
  sum_several: ({ count: count2 }) => `the exact sum of ${count2} items`,
  sum_all_open: ({ count: count2 }) => `the exact sum of all ${count2} open items`,
  sum_of_quoted: ({ count: count2 }) => count2 === 1 ? "exact sum" : "together the exact sum",
  discount: ({ sum, inTime }, currency) => inTime ? `less the discount of ${formatAmount(sum, currency)}` : `short by the discount of ${formatAmount(sum, currency)}, taken too late: it stays open`,
  discount_allowed: ({ sum }, currency) => `with the late discount of ${formatAmount(sum, currency)} allowed`,
  surcharge: ({ sum, percent }, currency) => `with the surcharge of ${formatAmount(sum, currency)} (${percent} %) on top`,
  statement: ({ until, count: count2 }) => until === null ? `a statement's sum: ${count2} items` : `the statement up to ${formatDay(until)}: ${count2} items`,
  oldest_first: () => "the words say the oldest first",
  fee: ({ by }, currency) => `short by ${formatAmount(by, currency)}, as a bank's fee`,
  claim: ({ by }, currency) => `less the ${formatAmount(by, currency)} that the words name, which stay open`,
  rest_next: () => "the rest of one and all of the next, as the words say",
  rounded: ({ by }, currency) => `rounded up by ${formatAmount(by, currency)}`,
  email: () => "the customer's e-mail address",
  domain: ({ domain }) => `e-mail at the customer's own domain, ${domain}`,
  name: ({ exact }) => exact ? "the customer's name" : "a name much like the customer's",
  paid_before: ({ times }) => times === 1 ? "this payer paid once before for this customer" : `this payer paid ${times} times before for this customer`,
  group: () => "pays for sites of its group",
  equal_items: ({ count: count2 }) => `oldest of ${count2} items of this sum`,
  credit_note: ({ numbers }) => numbers.length === 1 ? `credit note ${numbers[0]} taken off` : `${numbers.length} credit notes taken off`,
  mended: () => "one number of the list is off, the sum tells which",
  sums_beside: ({ count: count2 }) => count2 === 1 ? "the sum written beside the number" : "the sums written beside the numbers come out",
  left_out: ({ numbers }) => `the words leave out ${numbers.join(", ")}`,
  remittance: () => "its remittance advice says so",
  on_account: ({ sum }, currency) => `short by just the ${formatAmount(sum, currency)} that stand on account`,
  habit: ({ how }) => how === "several" ? "usually pays several at once" : "usually pays one at a time",
  usual_day: ({ late }) => late === 0 ? "on its due day, as usual" : `${Math.abs(late)} days ${late > 0 ? "late" : "early"}, as usual`,
  against_unread: ({ spots }) => `nothing explains ${texts(spots)} in the memo`,
  against_other_reading: ({ count: count2 }) => count2 === 1 ? "another reading is near" : `${count2} other readings are near`,
  against_payer: () => "the payer is somebody else",
  against_number: ({ spots }) => `the memo names ${texts(spots)} of somebody else`,
  against_closed: ({ spots }) => `the memo names ${texts(spots)}, settled already`,
  against_short: ({ by }, currency) => `short by ${formatAmount(by, currency)}`,
  against_over: ({ by }, currency) => `${formatAmount(by, currency)} more than that`,
  against_double: ({ paidOn }) => `the same sum came on ${formatDay(paidOn)}: paid twice?`,
  against_currency: () => "the invoice is in another currency",
  against_also: ({ paidOn }) => `the same sum came on ${formatDay(paidOn)} too, and may be for this`,
  against_risk: ({ certain }) => `such are right in about ${Math.floor(certain * 1e3) / 10} of 100 cases, and this book asks for more`,
  against_claimed: () => "another receipt fits the first choice better"
};
var reasonInWords = (reason, currency) => WORDS[reason.code](reason, currency);

// src/core/matching/lists.ts
function listOf(map, key) {
  const known = map.get(key);
  if (known) return known;
  const made = [];
  map.set(key, made);
  return made;
}
function pushOnce(map, key, value) {
  const list = map.get(key);
  if (list === void 0) map.set(key, [value]);
  else if (list[list.length - 1] !== value) list.push(value);
}

// src/core/matching/payers/publicMail.ts
import providers from "email-providers/all.json" with { type: "json" };
var MADE_UP = ["mail.example", "post.example"];
var PUBLIC = /* @__PURE__ */ new Set([...providers, ...MADE_UP]);
function isPublicMail(domain) {
  return PUBLIC.has(domain);
}

// src/core/matching/payers/names.ts
var EMPTY_WORDS = new Set(
  "INC INCORPORATED LLC LTD LIMITED CO CORP COMPANY CORPORATION LLP LP PLLC PC GMBH AG KG UG PLC SARL SAS SA SL SRL BV NV PTY THE AND OF FOR A".split(
    " "
  )
);
var ABBREVIATIONS = {
  CTR: "CENTER",
  CENTRE: "CENTER",
  SCH: "SCHOOL",
  UNIF: "UNIFIED",
  DIST: "DISTRICT",
  COMM: "COMMUNITY",
  STU: "STUDIO",
  STUDIOS: "STUDIO",
  CERAM: "CERAMICS",
  CERAMIC: "CERAMICS",
  ASSN: "ASSOCIATION",
  ST: "STREET",
  MT: "MOUNT"
};
function nameWords(name) {
  const known = read.get(name);
  if (known) return [...known];
  const made = nameWordsAnew(name);
  if (read.size < MOST_READ) read.set(name, made);
  return [...made];
}
var read = /* @__PURE__ */ new Map();
var MOST_READ = 5e4;
function nameWordsAnew(name) {
  const bare = plainCapitals(asName(name)).replace(/&/g, " AND ").replace(/(?<![A-Z0-9])(?:[A-Z]\.){2,6}/g, initialsApart).replace(/['’.]/g, "").replace(/[^A-Z0-9]+/g, " ");
  return bare.split(" ").filter((word) => word !== "" && !EMPTY_WORDS.has(word)).map((word) => ABBREVIATIONS[word] ?? word);
}
var LONGEST = 256;
var asName = (text) => text.slice(0, LONGEST);
function initialsApart(dotted) {
  const joined = dotted.replaceAll(".", "");
  return EMPTY_WORDS.has(joined) ? `${joined} ` : `${[...joined].join(" ")} `;
}
var WHOLE_LETTERS = {
  \u00D8: "O",
  \u0141: "L",
  \u0110: "D",
  \u00C6: "AE",
  \u0152: "OE",
  \u00DE: "TH"
};
function plainCapitals(text) {
  return text.normalize("NFD").replace(/[\u0300-\u036f]/g, "").toUpperCase().replace(/[ØŁĐÆŒÞ]/g, (letter) => WHOLE_LETTERS[letter] ?? letter);
}
var shortFormsOf = (word) => SHORT_FORMS.get(word) ?? [];
var SHORT_FORMS = /* @__PURE__ */ new Map();
for (const [short, long] of Object.entries(ABBREVIATIONS)) listOf(SHORT_FORMS, long).push(short);
var ALSO_CALLED = /(?<![A-Za-z])(?:d\/?b\/?a|t\/a|a\/?k\/?a|f\/?k\/?a|c\/o|o\/b\/o|trading as|doing business as|on behalf of|formerly)(?![A-Za-z])[.:]?/i;
function namesIn(written) {
  const name = asName(written);
  const outside = name.replace(/[([][^)\]]{0,120}[)\]]?/g, " ; ");
  const inside = [...name.matchAll(/[([]([^)\]]{2,120})/g)].map((found) => found[1] ?? "");
  const parts = [...outside.split(";"), ...inside].flatMap((part) => part.split(ALSO_CALLED)).map((part) => part.trim()).filter((part) => nameWords(part).length > 0);
  return parts.length > 1 ? parts : [];
}
function ownDomain(email) {
  const domain = email.toLowerCase().split("@")[1] ?? "";
  return domain === "" || isPublicMail(domain) ? null : domain;
}
function jaro(a, b) {
  if (a === b) return a === "" ? 0 : 1;
  const reach = Math.max(0, Math.floor(Math.max(a.length, b.length) / 2) - 1);
  const taken = new Array(b.length).fill(false);
  const matchedA = [];
  for (let i = 0; i < a.length; i += 1) {
    for (let j = Math.max(0, i - reach); j < Math.min(b.length, i + reach + 1); j += 1) {
      if (taken[j] || a[i] !== b[j]) continue;
      taken[j] = true;
      matchedA.push(a[i] ?? "");
      break;
    }
  }
  const matchedB = [...b].filter((_, index) => taken[index]);
  const m = matchedA.length;
  if (m === 0) return 0;
  const transposed = matchedA.filter((letter, index) => letter !== matchedB[index]).length / 2;
  return (m / a.length + m / b.length + (m - transposed) / m) / 3;
}
function jaroWinkler(a, b) {
  const similarity = jaro(a, b);
  let prefix = 0;
  while (prefix < 4 && prefix < a.length && a[prefix] === b[prefix]) prefix += 1;
  return similarity + prefix * 0.1 * (1 - similarity);
}

// src/core/matching/candidates/candidate.ts
var OUT_TO_THE_CENT = /* @__PURE__ */ new Set([
  "single",
  "all",
  "due",
  "several",
  "discount",
  "credit",
  "statement"
]);
function whole(item, amount = item.balance) {
  return { item, amount, discount: minor(0), inTime: true };
}
function sumKind(parts) {
  if (parts.some((part) => part.discount !== 0))
    return parts.every((part) => part.inTime) ? "discount" : "late";
  return parts.some(({ item }) => item.balance < 0) ? "credit" : "exact";
}
function sumReasons(parts) {
  const discount = sumOf(parts, (part) => part.discount);
  const notes = parts.filter(({ item }) => item.balance < 0);
  return [
    ...discount !== 0 ? [{ code: "discount", sum: discount, inTime: parts.every((part) => part.inTime) }] : [{ code: "sum_of_quoted", count: parts.length }],
    ...notes.length > 0 ? [{ code: "credit_note", numbers: notes.map(({ item }) => item.number) }] : []
  ];
}
function lateOrAllowed(parts) {
  const kept = { lines: parts, sum: sumKind(parts), reasons: sumReasons(parts) };
  if (kept.sum !== "late") return [kept];
  const allowed = sumOf(parts, ({ discount }) => discount);
  return [
    {
      ...kept,
      lines: parts.map((part) => part.inTime ? part : { ...part, discount: minor(0) })
    },
    { ...kept, sum: "allowed", reasons: [{ code: "discount_allowed", sum: allowed }] }
  ];
}
function withoutRepeats(drafts) {
  const best = /* @__PURE__ */ new Map();
  for (const draft of [...drafts].sort(
    (a, b) => b.score + b.lean - a.score - a.lean || (a.customerId ?? 0) - (b.customerId ?? 0)
  )) {
    const key = draft.lines.length === 0 ? `on ${draft.customerId}` : moneyOf(draft);
    if (!best.has(key)) best.set(key, draft);
  }
  return [...best.values()];
}
function moneyOf(draft) {
  return draft.lines.map((line) => `${line.itemId}:${line.amount}:${line.discount}`).sort().join(" ");
}

// src/core/matching/engine/affectedReceipts.ts
function isNobody(receipt, before) {
  return before.length === 0 && receipt.payerName.replace(/[^A-Za-z]/g, "").length <= 6;
}
function affectedReceipts(receipts, looks, groups, sums) {
  const nobodys = new Set(sums);
  for (const { receipt, before } of looks.values())
    if (isNobody(receipt, before)) nobodys.add(receipt.amount);
  const placesOf = (id) => {
    const look = looks.get(id);
    return look ? [
      ...look.groups.map((group) => `group ${group}`),
      ...nobodys.has(look.receipt.amount) ? [`sum ${look.receipt.amount}`] : []
    ] : [];
  };
  const meeting = /* @__PURE__ */ new Map();
  for (const { id } of receipts) for (const place of placesOf(id)) listOf(meeting, place).push(id);
  const places = /* @__PURE__ */ new Set([
    ...[...groups].map((group) => `group ${group}`),
    ...[...sums].map((sum) => `sum ${sum}`)
  ]);
  const found = /* @__PURE__ */ new Set();
  const waiting = [...places];
  for (let place = waiting.pop(); place !== void 0; place = waiting.pop()) {
    for (const id of meeting.get(place) ?? []) {
      if (found.has(id)) continue;
      found.add(id);
      for (const other of placesOf(id))
        if (!places.has(other)) {
          places.add(other);
          waiting.push(other);
        }
    }
  }
  return {
    receipts: receipts.filter(({ id }) => found.has(id)),
    groups: new Set(
      [...places].flatMap((place) => place.startsWith("group ") ? [Number(place.slice(6))] : [])
    )
  };
}

// src/core/matching/engine/claimants.ts
var DOUBLE_WITHIN_DAYS = 10;
var order = (a, b) => earlierFirst(a.paidOn, b.paidOn) || a.id - b.id;
function twinsTogether(all) {
  const twins = /* @__PURE__ */ new Map();
  for (const judged2 of all) {
    const best = judged2.before[0];
    if (best) listOf(twins, `${best.customerId} ${judged2.receipt.amount}`).push(judged2);
  }
  for (const group of twins.values()) {
    group.sort((a, b) => order(a.receipt, b.receipt));
    group.forEach((judged2, at) => {
      if (at > 0 && judged2.before[0]?.numbers === "none")
        judged2.rank = Math.min(judged2.rank, ...group.slice(0, at).map(({ rank }) => rank - 0.01));
    });
  }
}
function byMoney(all) {
  const found = /* @__PURE__ */ new Map();
  for (const { receipt, before } of all) {
    if (isNobody(receipt, before)) listOf(found, `nobody's ${receipt.amount}`).push(receipt);
    for (const draft of before.slice(0, 4))
      if (draft.lines.length > 0) listOf(found, moneyOf(draft)).push(receipt);
  }
  return found;
}
function sameAgain(receipt, sameSum) {
  const said = saidBy(receipt);
  const first = sameSum.find(
    ({ receipt: other }) => order(other, receipt) < 0 && daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS && saidBy(other) === said
  );
  return first?.receipt ?? null;
}
var saidBy = ({ payerName, payerEmail, reference }) => `${payerName}
${payerEmail}
${reference}`.toUpperCase();
function resentOn(receipt, best, sameSum) {
  if (best.numbers === "none" || best.lines.length < 2) return null;
  const own = new Set(best.lines.map(({ itemId }) => itemId));
  const twin = sameSum.find(({ receipt: other, before: [first] }) => {
    if (other.id === receipt.id || !first || first.customerId !== best.customerId) return false;
    const shared = first.lines.filter(({ itemId }) => own.has(itemId)).length;
    return shared > 0 && first.numbers !== "none" && Math.abs(daysBetween(other.paidOn, receipt.paidOn)) <= DOUBLE_WITHIN_DAYS;
  });
  return twin?.receipt.paidOn ?? null;
}
function earlierFor(receipt, best, claimants, isPlaced2) {
  if (best.lines.length === 0 || best.reasons.some(({ code }) => code === "equal_items"))
    return null;
  const wanting = [
    ...claimants.get(moneyOf(best)) ?? [],
    ...claimants.get(`nobody's ${receipt.amount}`) ?? []
  ];
  return wanting.find(
    (other) => other.id !== receipt.id && !isPlaced2(other.id) && order(other, receipt) < 0 && daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS
  )?.paidOn ?? null;
}

// src/core/matching/engine/paidSums.ts
var PaidSums = class {
  payments = /* @__PURE__ */ new Map();
  constructor(placed) {
    for (const { customerId, amount, id, paidOn } of placed)
      listOf(this.payments, `${customerId} ${amount}`).push({ id, paidOn });
  }
  add(customerId, { id, paidOn, amount }) {
    if (customerId !== null) listOf(this.payments, `${customerId} ${amount}`).push({ id, paidOn });
  }
  /** The first payment of the same sum by the same customer a few days around. */
  doubleOf(customerId, { id, paidOn, amount }) {
    const [first] = (this.payments.get(`${customerId} ${amount}`) ?? []).filter(
      (entry) => entry.id !== id && Math.abs(daysBetween(entry.paidOn, paidOn)) <= DOUBLE_WITHIN_DAYS
    ).sort((a, b) => earlierFirst(a.paidOn, b.paidOn) || a.id - b.id);
    return first ?? null;
  }
};

// src/core/matching/memo/told.ts
var OLDEST = /\b(?:OLDEST|EARLIEST)\b|\b(?:ALTESTE|AELTESTE|ALTERE)[NRS]?\b|\bPLUS ANCIENNES?\b|\bMAS ANTIGU[AO]S?\b|\bPIU VECCHIE\b|\bOUDSTE\b|\bMAIS ANTIGAS?\b|\bNAJSTARSZ/;
var STATEMENT = /\b(?:STATEMENT|STMT|KONTOAUSZUG|AUSZUG|SALDENLISTE|RELEVE|ESTADO DE CUENTA|EXTRACTO|ESTRATTO CONTO|REKENINGOVERZICHT|EXTRATO|ZESTAWIENIE)\b/;
var CREDIT = /\b(?:CREDIT(?: NOTE)?S?|CREDIT MEMO|CN|GUTSCHRIFT(?:EN)?|AVOIRS?|NOTA (?:DE )?CREDITO|ABONO|NOTA DI CREDITO|CREDITNOTA)\b/;
var DISCOUNT = /\b(?:DISCOUNT|DISC|SKONTO|ESCOMPTE|DESCUENTO|DTO|SCONTO|KORTING|DESCONTO|RABAT)\b/;
var FEE = /\b(?:BANK (?:CHARGES?|FEES?|COSTS?)|CHARGES|BANKSPESEN|BANKGEBUHR(?:EN)?|SPESEN|FRAIS(?: BANCAIRES?)?|GASTOS(?: BANCARIOS)?|COMISION(?: BANCARIA)?|SPESE BANCARIE|BANKKOSTEN)\b/;
var NEXT = /\b(?:NEXT(?: ONE| INVOICE)?|NACHSTEN?|NAECHSTEN?|FOLGENDEN?|SUIVANTE?|SIGUIENTE|PROSSIMA|SUCCESSIVA|VOLGENDE|SEGUINTE|NASTEPN)/;
var REST = /\b(?:REST|REMAINDER|BALANCE|SOLDE|RELIQUAT|SALDO|RESTO|RESTANTE|RESTBETRAG)\b/;
var LESS = /\b(?:LESS|MINUS|NET OF|EXCEPT|EXCL(?:UDING)?|WITHOUT|ABZGL|ABZUGLICH|ABZUEGLICH|OHNE|MOINS|SAUF|MENOS|SALVO|MENO|MIN|EXCLUSIEF)\b/;
var MORE = /\.\.\.|…|\b(?:ETC|USW|U\.?A|AND OTHERS?|ET AUTRES|Y OTRAS|E ALTRE|EN MEER)\b/;
var IN_PARTS = /\b(?:PART(?:IAL)?(?: PAYMENT)?|INSTALL?MENT|TEILZAHLUNG|ANZAHLUNG|RATE|ACOMPTE|VERSEMENT|PAGO PARCIAL|CUOTA|ACCONTO|RATA|TERMIJN|1 OF \d|ON ACCOUNT)\b/;
var AHEAD = /\b(?:DEPOSIT|PRE-?PAY(?:MENT)?|ADVANCE|RETAINER|DOWN PAYMENT|ANZAHLUNG|VORKASSE|VORAUSZAHLUNG|ACOMPTE|AVANCE|ANTICIPO|ACCONTO|ANTICIPAZIONE|VOORSCHOT|AANBETALING|ADIANTAMENTO|SINAL|ZALICZKA)\b/;
var MONTHS = [
  /\b(?:JAN(?:UARY|UAR|UARI|VIER)?|ENERO|ENE|GENNAIO|GEN|JANEIRO)\b/,
  /\b(?:FEB(?:RUARY|RUAR|RUARI|RERO|BRAIO)?|FEVRIER|FEVR|FEVEREIRO)\b/,
  /\b(?:MAR(?:CH|S|ZO|CO)?|MARZ|MAERZ|MRZ|MAART)\b/,
  /\b(?:APR(?:IL|ILE)?|AVRIL|AVR|ABRIL|ABR)\b/,
  /\b(?:MAY|MAI|MAYO|MAGGIO|MAG|MEI|MAIO)\b/,
  /\b(?:JUNE?|JUNI|JUIN|JUNIO|GIUGNO|GIU|JUNHO)\b/,
  /\b(?:JULY?|JULI|JUILLET|JUIL|JULIO|LUGLIO|LUG|JULHO)\b/,
  /\b(?:AUG(?:UST|USTUS)?|AOUT|AGOSTO|AGO)\b/,
  /\b(?:SEPT?(?:EMBER|EMBRE|IEMBRE)?|SETTEMBRE|SET|SETEMBRO)\b/,
  /\b(?:OCT(?:OBER|OBRE|UBRE)?|OKT(?:OBER)?|OTTOBRE|OTT|OUTUBRO)\b/,
  /\b(?:NOV(?:EMBER|EMBRE|IEMBRE|EMBRO)?)\b/,
  /\b(?:DEC(?:EMBER|EMBRE)?|DEZ(?:EMBER|EMBRO)?|DIC(?:IEMBRE|EMBRE)?)\b/
];
var SUMS = /(?<![\d.,/-])\d{1,3}(?:[.,']\d{3})*[.,]\d\d(?![\d.,/-]*\d)|(?<![\d.,/-])\d+[.,]\d\d(?![\d.,/-]*\d)/g;
function toldIn(text, on, currency) {
  const plain = plainCapitals(text);
  const says = (words) => words.test(plain);
  return {
    oldestFirst: says(OLDEST),
    statement: says(STATEMENT),
    until: untilIn(plain, on),
    credit: says(CREDIT),
    discount: says(DISCOUNT),
    fee: says(FEE),
    restAndNext: says(NEXT) && says(REST),
    less: says(LESS),
    more: says(MORE),
    inParts: says(IN_PARTS),
    ahead: says(AHEAD),
    sums: [...plain.matchAll(SUMS)].flatMap((found) => sumIn(found[0], currency) ?? [])
  };
}
function sumIn(written, currency) {
  const [whole2, decimals] = [written.slice(0, -3).replace(/\D/g, ""), written.slice(-2)];
  const parsed = parseAmount(`${whole2}.${decimals}`, ".", currency);
  return parsed.ok ? parsed.value : null;
}
function untilIn(text, on) {
  const written = /\b(20\d\d)-(\d\d)-(\d\d)\b/.exec(text)?.[0];
  if (written) return written;
  const at = MONTHS.findIndex((month2) => month2.test(text));
  if (at < 0) return null;
  const [year, month] = [Number(on.slice(0, 4)), Number(on.slice(5, 7))];
  const said = /\b20\d\d\b/.exec(text)?.[0];
  const of = said ? Number(said) : year - (at + 1 > month ? 1 : 0);
  const last = new Date(Date.UTC(of, at + 1, 0)).getUTCDate();
  return `${of}-${String(at + 1).padStart(2, "0")}-${last}`;
}

// src/core/matching/candidates/chance.ts
var MOST_ITEMS = 150;
var MOST_FOR_FOUR = 40;
function waysTo(items, amount) {
  if (items.length > MOST_ITEMS) return 2;
  const sums = new Sums(items.map(({ balance }) => balance));
  const ways2 = sums.pairs(amount) + sums.threes(amount);
  if (ways2 >= 2 || items.length < 4) return Math.min(2, ways2);
  const fours = sums.different <= MOST_FOR_FOUR ? sums.fours(amount) : 0;
  const left = items.reduce((sum, { balance }) => sum + balance, 0) - amount;
  const out = items.length > 5 ? sums.ones(left) : 0;
  const outTwo = items.length > 6 ? sums.pairs(left) : 0;
  return Math.min(2, ways2 + fours + out + outTwo);
}
var Sums = class {
  times = /* @__PURE__ */ new Map();
  values;
  constructor(balances) {
    for (const balance of balances) this.times.set(balance, (this.times.get(balance) ?? 0) + 1);
    this.values = [...this.times.keys()].sort((a, b) => a - b);
  }
  get different() {
    return this.values.length;
  }
  ones(sum) {
    return this.times.has(sum) ? 1 : 0;
  }
  /** Pairs a <= b. */
  pairs(sum, from = 0) {
    let found = 0;
    for (let at = from; at < this.values.length; at += 1) {
      const a = this.values[at] ?? 0;
      const b = sum - a;
      if (b < a) break;
      if (this.has(b, a === b ? 2 : 1)) found += 1;
    }
    return found;
  }
  /** Threes a <= b <= c. */
  threes(sum, from = 0) {
    let found = 0;
    for (let at = from; at < this.values.length && found < 2; at += 1) {
      const a = this.values[at] ?? 0;
      if (3 * a > sum) break;
      found += this.pairsWith(sum - a, at, [a]);
    }
    return found;
  }
  /** Fours a <= b <= c <= d. */
  fours(sum) {
    let found = 0;
    for (let at = 0; at < this.values.length && found < 2; at += 1) {
      const a = this.values[at] ?? 0;
      if (4 * a > sum) break;
      for (let next = at; next < this.values.length && found < 2; next += 1) {
        const b = this.values[next] ?? 0;
        if (a + 3 * b > sum) break;
        if (next === at && !this.has(a, 2)) continue;
        found += this.pairsWith(sum - a - b, next, [a, b]);
      }
    }
    return found;
  }
  pairsWith(sum, from, chosen) {
    let found = 0;
    for (let at = from; at < this.values.length; at += 1) {
      const b = this.values[at] ?? 0;
      const c = sum - b;
      if (c < b) break;
      const all = [...chosen, b, c];
      if ([b, c].every((value) => this.has(value, all.filter((one) => one === value).length)))
        found += 1;
    }
    return found;
  }
  has(value, times) {
    return (this.times.get(value) ?? 0) >= times;
  }
};
function chanceOf(items, amount, { size, unit }) {
  const steps = isRound(amount, unit) ? [1, unit] : [1];
  return steps.reduce((sum, step) => {
    const alike2 = items.filter(({ balance }) => balance > 0 && balance % step === 0);
    return sum + expected(alike2, size, step);
  }, 0);
}
var isRound = (amount, unit) => unit > 1 && amount % unit === 0;
var chanceOfOne = (items) => items.length * density(items, 1);
function expected(items, size, step) {
  let [sets, found] = [items.length, 0];
  for (let count2 = 2; count2 <= Math.min(size, items.length); count2 += 1) {
    sets = sets * (items.length - count2 + 1) / count2;
    found += sets * step * density(items, count2);
  }
  return found;
}
function density(items, count2) {
  const all = items.reduce((sum, { balance }) => sum + balance, 0);
  return all <= 0 ? 0 : items.length / (1.5 * count2 * all);
}

// src/core/matching/candidates/choices.ts
function whoIs(payer, payers) {
  const [best] = payers;
  if (!payer) return best && (best.beyondDoubt || best.weight >= 4.5) ? "other" : "unknown";
  if (payer.beyondDoubt) return "certain";
  if (!best || payer.weight >= best.weight - 0.01) return payer.weight >= 3 ? "likely" : "weak";
  return best.beyondDoubt ? "other" : "weak";
}
function choices(named2) {
  let lists = [[...named2.items]];
  for (const options of named2.open.slice(0, 4)) {
    lists = lists.flatMap(
      (list) => options.filter((item) => !list.includes(item)).map((item) => [...list, item])
    );
    if (lists.length > 64) break;
  }
  return lists.filter((list) => list.length > 0).slice(0, 64);
}
function oldestShape(given, open, off) {
  if (off > 0) return "over";
  if (given > 1) return given === open ? "all-but-a-rest" : "several";
  if (open === 1) return "only";
  if (open <= 3) return "part-of-few";
  return "part-of-many";
}

// src/core/matching/candidates/doubts.ts
var doubtIf = (is, doubt) => Array(Number(is)).fill(doubt);

// src/core/matching/candidates/gaps.ts
var MOST_REST = 60;
function withNotesAndGaps(scope, items) {
  const full = sumOf(items, ({ balance }) => balance);
  const named2 = items.some(({ balance }) => balance < 0);
  const sets = named2 || !scope.told.credit ? [[]] : scope.notesBeside(items);
  const rest = scope.items.filter((item) => item.balance > 0 && !items.includes(item) && item.touched !== true).slice(0, MOST_REST);
  return sets.flatMap((set) => {
    const left = scope.receipt.amount - full - sumOf(set, ({ balance }) => balance);
    return (left < 0 ? [] : missingOf(rest, left)).map((missing) => ({
      lines: [...items, ...missing, ...set].map((item) => whole(item)),
      chance: sets.length * chanceOfGap(rest, left, { size: missing.length, unit: scope.unit })
    }));
  });
}
function chanceOfGap(rest, left, { size, unit }) {
  if (size === 0) return 0;
  const one = chanceOfOne(rest) * (isRound(left, unit) ? ROUND : 1);
  return size === 1 ? one : one + chanceOf(rest, left, { size, unit });
}
var ROUND = 20;
function missingOf(rest, left) {
  if (left === 0) return [[]];
  const [one, ...same] = rest.filter(({ balance }) => balance === left);
  const sister = same.find(({ customerId }) => customerId !== one?.customerId);
  const single = [one, sister].flatMap((item) => item ? [[item]] : []);
  return [...single, ...pairsOf(rest, left)];
}
function pairsOf(items, sum) {
  const byBalance = /* @__PURE__ */ new Map();
  for (const item of items) listOf(byBalance, item.balance).push(item);
  return [...byBalance].flatMap(([balance, [first, second]]) => {
    const other = sum - balance;
    if (other < balance || !first) return [];
    const match = other === balance ? second : byBalance.get(other)?.[0];
    return match ? [[first, match]] : [];
  });
}

// src/core/matching/candidates/sums.ts
function partsOf(item, paidOn, graceDays) {
  const whole2 = { item, amount: item.balance, discount: minor(0), inTime: true };
  const terms = item.terms === null ? null : parseTerms(item.terms);
  if (!terms?.ok || item.balance !== item.total || item.balance <= 0) return [whole2];
  const offered = discountOn(item.issuedOn, terms.value, paidOn, graceDays);
  if (!offered) return [whole2];
  const percent = ratioOf(offered.percent);
  if (!percent.ok) return [whole2];
  const discount = percentOf(item.total, percent.value, "half-even");
  return [
    whole2,
    {
      item,
      amount: add(item.balance, -discount),
      discount,
      inTime: offered.inTime
    }
  ];
}
var MOST_CHOICES = 8;
function exactWays(items, amount, paidOn, graceDays) {
  const full = sumOf(items, (item) => item.balance);
  if (items.length === 0) return [];
  if (full === amount) return [items.map((item) => partsOf(item, paidOn, graceDays)[0])];
  if (full < amount) return [];
  const options = items.map((item) => partsOf(item, paidOn, graceDays));
  const free = options.flatMap((parts, at) => parts.length > 1 ? [at] : []);
  if (free.length === 0) return [];
  const take = (chosen) => options.map((parts, at) => chosen.has(at) ? parts[1] : parts[0]);
  const inTime = free.filter((at) => options[at]?.[1]?.inTime);
  for (const group of [inTime, free]) {
    const parts = take(new Set(group));
    if (group.length > 0 && sumOf(parts, (part) => part.amount) === amount) return [parts];
  }
  if (free.length > MOST_CHOICES) return [];
  for (let mask = 1; mask < 1 << free.length; mask += 1) {
    const parts = take(new Set(free.filter((_, at) => mask & 1 << at)));
    if (sumOf(parts, (part) => part.amount) === amount) return [parts];
  }
  return [];
}
var MOST_ITEMS2 = 18;
var MOST_ANSWERS = 12;
var MOST_TOGETHER = 4;
function subsetsOf(items, amount) {
  const pool = items.slice(0, MOST_ITEMS2);
  const largest = pool.reduce((most, { balance }) => Math.max(most, balance), 0);
  const answers = [];
  const search = (from, left, chosen) => {
    if (left === 0 && chosen.length >= 2) answers.push([...chosen]);
    const more = MOST_TOGETHER - chosen.length;
    if (answers.length >= MOST_ANSWERS || left <= 0 || left > more * largest) return;
    const tried = /* @__PURE__ */ new Set();
    for (let at = from; at < pool.length && answers.length < MOST_ANSWERS; at += 1) {
      const item = pool[at];
      if (!item || more === 1 && item.balance !== left || tried.has(item.balance)) continue;
      tried.add(item.balance);
      chosen.push(item);
      search(at + 1, left - item.balance, chosen);
      chosen.pop();
    }
  };
  search(0, amount, []);
  return answers;
}
function fill(items, amount) {
  const credits = items.filter((item) => item.balance < 0);
  let left = add(amount, -sumOf(credits, (item) => item.balance));
  const lines = credits.map((item) => ({
    item,
    amount: item.balance
  }));
  for (const item of items.filter(({ balance }) => balance > 0)) {
    if (left <= 0) break;
    const given = minor(Math.min(left, item.balance));
    lines.push({ item, amount: given });
    left = add(left, -given);
  }
  return lines;
}

// src/core/matching/candidates/lists.ts
function statedParts(scope, items) {
  const inOrder = sumsInOrder(scope, items);
  if (scope.named.stated.size === 0 && inOrder === null) return null;
  const parts = items.map((item) => {
    const written = scope.named.stated.get(item.id) ?? "";
    const said = inOrder?.get(item.id) ?? sumIn(written, item.currency) ?? item.balance;
    const [, less] = partsOf(item, scope.receipt.paidOn, scope.around.graceDays);
    return less?.inTime && less.amount === said ? less : whole(item, said);
  });
  const fits = parts.every(
    ({ item, amount }) => item.balance > 0 ? amount > 0 && amount <= item.balance : amount === item.balance
  );
  return fits && sumOf(parts, ({ amount }) => amount) === scope.receipt.amount ? parts : null;
}
function sumsInOrder(scope, items) {
  const { named: named2, told } = scope;
  if (told.sums.length !== items.length || named2.stated.size === items.length) return null;
  const at = ({ id }) => named2.spots.get(id)?.at ?? 0;
  const inOrder = [...items].sort((a, b) => at(a) - at(b));
  return new Map(inOrder.map(({ id }, index) => [id, told.sums[index]]));
}
function overTooMuch(scope, items, off, full) {
  if (items.some(({ touched }) => touched)) return 1;
  if (off < scope.unit && isRound(scope.receipt.amount, scope.unit)) return 0;
  if (items.length > 1 && off * 20 > full) return 1;
  return scope.items.some(
    (item) => item.balance > 0 && item.touched !== true && !items.includes(item) && (item.balance === off || off * 20 > full && item.balance <= off)
  ) ? 1 : 0;
}
function toldOtherwise(named2, parts) {
  return parts.some(({ item, amount }) => {
    const said = sumIn(named2.stated.get(item.id) ?? "", item.currency);
    return said !== null && said !== amount && said !== item.total;
  }) ? 1 : 0;
}
function ways(scope, items) {
  const found = exactWays(
    items,
    scope.receipt.amount,
    scope.receipt.paidOn,
    scope.around.graceDays
  );
  if (found.length > 0) return found;
  for (const note of scope.notesBeside(items)) {
    const taken = exactWays(
      items,
      minor(scope.receipt.amount - sumOf(note, (item) => item.balance)),
      scope.receipt.paidOn,
      scope.around.graceDays
    );
    if (taken.length > 0)
      return taken.map((parts) => [...parts, ...note.map((item) => whole(item))]);
  }
  return [];
}
function mended(scope, items) {
  const full = sumOf(items, (item) => item.balance);
  const rest = scope.items.filter(
    (item) => item.balance > 0 && item.touched !== true && !items.includes(item)
  );
  const found = [];
  const missing = rest.filter((item) => item.balance === scope.receipt.amount - full).slice(0, 1);
  for (const item of missing) found.push([...items, item]);
  for (const left of items.length > 1 ? items : []) {
    const others = items.filter((item) => item !== left);
    const wanted = scope.receipt.amount - full + left.balance;
    if (wanted === 0) found.push(others);
    for (const item of rest.filter(({ balance }) => balance === wanted))
      found.push([...others, item]);
  }
  return found.map((list) => list.map((item) => whole(item)));
}

// src/core/matching/candidates/said.ts
var saidItems = (scope, items) => saidNumbers(
  scope,
  items.map((item) => ({ item }))
);
var HOW_SAID = {
  whole: "whole",
  none: "whole",
  digits: "digits",
  cut: "near",
  damaged: "near"
};
function saidNumbers(scope, parts) {
  const { how } = scope.named;
  const items = parts.map(({ item }) => item);
  const spots = scope.spotsOf(items);
  return how === "order" ? { code: "po", number: items[0]?.poNumber ?? "", spots } : { code: "numbers", numbers: items.map(({ number }) => number), how: HOW_SAID[how], spots };
}

// src/core/matching/candidates/shortfalls.ts
var FEE2 = { least: 1500, most: 3500, step: 50 };
var MOST_CHOICES2 = 6;
function lessFee(scope, items) {
  const { receipt, told } = scope;
  const claimed = told.less && !told.fee && !told.discount;
  if (claimed && items.length > 1) return [];
  const found = paidInFull(scope, items, claimed ? 0 : MOST_CHOICES2).flatMap((parts) => {
    const by = sumOf(parts, ({ amount }) => amount) - receipt.amount;
    const named2 = told.sums.includes(minor(by));
    const isFee = by >= FEE2.least && by <= FEE2.most;
    const lines = by > 0 && (named2 || isFee) ? openBy(parts, by) : null;
    return lines ? [{ lines, by, usual: named2 || by % FEE2.step === 0 }] : [];
  });
  const usual = found.filter((shortfall) => shortfall.usual);
  return usual.length > 0 ? usual : found;
}
function paidInFull({ receipt, around }, items, most) {
  const options = items.map(
    (item) => partsOf(item, receipt.paidOn, around.graceDays).filter((part) => part.inTime)
  );
  const free = options.flatMap((parts, at) => parts.length > 1 ? [at] : []).slice(0, most);
  return Array.from(
    { length: 1 << free.length },
    (_, mask) => options.map((parts, at) => {
      const place = free.indexOf(at);
      return place >= 0 && mask & 1 << place ? parts[1] : parts[0];
    })
  );
}
function openBy(parts, by) {
  const largest = parts.reduce(
    (best, part) => part.amount > best.amount ? part : best,
    parts[0]
  );
  if (largest.amount <= by) return null;
  return parts.map(
    (part) => part === largest ? { ...part, amount: minor(part.amount - by) } : part
  );
}
function lessClaim(scope, items) {
  const { receipt, told } = scope;
  const by = sumOf(items, ({ balance }) => balance) - receipt.amount;
  if (by <= 0 || !told.sums.includes(minor(by))) return [];
  const lines = openBy(
    items.map((item) => whole(item)),
    by
  );
  return lines ? [{ lines, by, usual: true }] : [];
}

// src/core/matching/candidates/byUnsaid.ts
function addShortfall(scope) {
  const lists = choices(scope.named).filter((items) => !isOnAccount(scope, items));
  const claims = lists.flatMap((items) => lessClaim(scope, items));
  const found = claims.length > 0 ? claims : lists.flatMap((items) => lessFee(scope, items));
  const unclear = scope.named.out.length > 0 || new Set(found.map(({ by }) => by)).size > 1 || found.some(isOdd);
  for (const { lines, by } of found.slice(0, 2))
    scope.add({
      lines,
      sum: claims.length > 0 ? "claim" : "fee",
      numbers: scope.named.how,
      reasons: [
        saidNumbers(scope, lines),
        ...sumReasons(lines).filter(({ code }) => code === "discount"),
        { code: claims.length > 0 ? "claim" : "fee", by: minor(by) }
      ],
      doubts: [...doubtIf(unclear, "odd"), ...doubtIf(found.length > 1, "ways")]
    });
  return found.length > 0;
}
var isOdd = ({ usual, lines }) => !usual && (lines.length > 1 || lines.some(({ discount }) => discount > 0));
function isOnAccount(scope, items) {
  const short = sumOf(items, ({ balance }) => balance) - scope.receipt.amount;
  return short > 0 && scope.around.credit(scope.customerId) === short;
}
function addGaps(scope) {
  const found = choices(scope.named).slice(0, 8).flatMap((items) => withNotesAndGaps(scope, items));
  const next = scope.told.restAndNext && found.length === 1;
  for (const { lines, chance } of found.slice(0, 3))
    scope.add({
      lines,
      sum: next ? "next" : "gap",
      numbers: scope.named.how,
      reasons: [
        saidNumbers(scope, lines),
        ...next ? [{ code: "rest_next" }] : sumReasons(lines),
        { code: "mended", count: lines.length }
      ],
      doubts: doubtIf(found.length > 1, "ways"),
      chance
    });
  return found.length;
}
function addMended(scope, items) {
  const found = mended(scope, items);
  const [only] = found;
  if (only && found.length === 1)
    scope.add({
      lines: only,
      sum: "mended",
      numbers: scope.named.how,
      reasons: [saidItems(scope, items), { code: "mended", count: only.length }],
      doubts: [
        ...doubtIf(scope.named.open.length, "open"),
        ...doubtIf(only.length < items.length, "out")
      ],
      chance: mendedByChance(scope, items)
    });
  return found.length;
}
var mendedByChance = (scope, items) => (items.length + 1) * chanceOfOne(scope.items.filter(({ balance }) => balance > 0));

// src/core/matching/candidates/byNumbers.ts
function readByNumbers(scope) {
  if (addExact(scope) || addStated(scope) || addShortfall(scope)) return;
  const { named: named2, receipt } = scope;
  const { items } = named2;
  const gaps = addGaps(scope);
  if (!items.some(({ balance }) => balance > 0)) return;
  const mendings = gaps > 0 ? gaps : addMended(scope, items);
  const full = sumOf(items, (item) => item.balance);
  const off = add(receipt.amount, -full);
  const found = { items, full, off, mendings };
  if (off > 0 && off === scope.around.surcharge(receipt.method, full)) addSurcharged(scope, found);
  else if (off > 0) addOver(scope, found);
  else addShort(scope, found);
}
function addExact(scope) {
  const { named: named2 } = scope;
  const exact = choices(named2).flatMap((items) => ways(scope, items));
  const withOut = exact.length === 0 && named2.out.length > 0 ? ways(scope, [...named2.items, ...named2.out]) : [];
  if (exact.length === 0 && withOut.length === 0) return addOfOrder(scope);
  for (const parts of [...exact, ...withOut].slice(0, 4))
    for (const paid of lateOrAllowed(parts))
      scope.add({
        ...paid,
        numbers: named2.how,
        reasons: [saidNumbers(scope, parts), ...paid.reasons, ...leftOut(scope)],
        doubts: [...doubtIf(exact.length > 1, "ways"), ...doubtIf(withOut.length, "out")]
      });
  return true;
}
function addOfOrder(scope) {
  const { named: named2, receipt } = scope;
  if (named2.how !== "order" || named2.open.length > 0) return false;
  const single = named2.items.filter((item) => item.balance === receipt.amount).slice(0, 1);
  const sets = single.length > 0 ? [single] : subsetsOf(named2.items, receipt.amount);
  for (const set of sets.slice(0, 2))
    scope.add({
      lines: set.map((item) => whole(item)),
      sum: "exact",
      numbers: "order",
      reasons: [saidItems(scope, set), { code: "sum_of_quoted", count: set.length }],
      doubts: doubtIf(sets.length > 1, "ways")
    });
  return sets.length > 0;
}
function addStated(scope) {
  const found = choices(scope.named).flatMap((items) => {
    const parts = statedParts(scope, items);
    return parts ? [parts] : [];
  });
  for (const parts of found.slice(0, 2))
    scope.add({
      lines: parts,
      sum: "told",
      numbers: scope.named.how,
      reasons: [saidNumbers(scope, parts), { code: "sums_beside", count: scope.named.stated.size }],
      doubts: doubtIf(found.length > 1, "ways")
    });
  return found.length > 0;
}
function addSurcharged(scope, { items, off }) {
  scope.add({
    lines: items.map((item) => whole(item)),
    sum: "surcharge",
    numbers: scope.named.how,
    reasons: [saidItems(scope, items), scope.onTop(off)],
    doubts: unnamed(scope)
  });
}
function addOver(scope, { items, off, full, mendings }) {
  const { named: named2 } = scope;
  const lines = items.map((item) => whole(item));
  scope.add({
    lines,
    sum: "over",
    numbers: named2.how,
    reasons: [saidItems(scope, items), { code: "against_over", by: off }],
    doubts: [
      ...unsettled(scope, lines),
      ...doubtIf(overTooMuch(scope, items, off, full), "much"),
      ...doubtIf(named2.how === "damaged" && off * 20 > full, "nearly"),
      ...doubtIf(mendings > 1, "ways"),
      ...doubtIf(mendings <= 1 && named2.sums > named2.stated.size, "stated")
    ]
  });
}
function addShort(scope, { items, off }) {
  const lines = fill(items, scope.receipt.amount).map(({ item, amount }) => whole(item, amount));
  const [only] = items;
  const onAccount = off < 0 && scope.around.credit(scope.customerId) === -off;
  scope.add({
    lines,
    sum: items.length === 1 && only && only.balance > 0 ? "part" : "short",
    numbers: scope.named.how,
    reasons: [
      saidItems(scope, items),
      ...onAccount ? [{ code: "on_account", sum: minor(-off) }] : [],
      { code: "against_short", by: minor(-off) }
    ],
    // A number that is nearly one's own is hardly meant where the sum does not say so too.
    doubts: [
      ...unsettled(scope, lines),
      ...doubtIf(scope.named.how === "damaged" && !scope.told.inParts, "nearly")
    ]
  });
}
function unsettled(scope, lines) {
  return [...unnamed(scope), ...doubtIf(toldOtherwise(scope.named, lines), "stated")];
}
var unnamed = ({ named: { open, out } }) => [
  ...doubtIf(open.length, "open"),
  ...doubtIf(out.length, "out")
];
function leftOut(scope) {
  const { out } = scope.named;
  if (out.length === 0) return [];
  return [
    { code: "left_out", numbers: out.map(({ number }) => number), spots: scope.spotsOf(out) }
  ];
}

// src/core/matching/candidates/byCredits.ts
var MOST = 60;
var MOST_WAYS = 3;
function addLessCredit(scope, due) {
  if (scope.items.length < 3) return;
  const { receipt, unit } = scope;
  const sets = scope.notesBeside([]);
  const found = sets.flatMap((set) => {
    const gross = receipt.amount - sumOf(set, ({ balance }) => balance);
    const one = due.find(({ balance }) => balance === gross);
    const more = one ? [[one]] : pairsOf(due.slice(0, MOST), gross).slice(0, MOST_WAYS);
    return more.map((items) => ({ items, set, gross }));
  });
  for (const { items, set, gross } of found.slice(0, MOST_WAYS)) {
    const size = items.length;
    const pairs = size > 1 ? chanceOf(due, gross, { size, unit }) : 0;
    scope.add({
      lines: [...items, ...set].map((item) => whole(item)),
      sum: "credit",
      numbers: "none",
      reasons: [
        size === 1 ? { code: "sum_one", number: items[0]?.number ?? "" } : { code: "sum_several", count: size },
        { code: "credit_note", numbers: set.map(({ number }) => number) }
      ],
      doubts: doubtIf(found.length > 1, "ways"),
      chance: sets.length * (chanceOfOne(due) + pairs)
    });
  }
}
function addRounded(scope, due) {
  const { amount } = scope.receipt;
  if (!isRound(amount, scope.unit)) return;
  const near = due.filter(({ balance }) => balance < amount && amount - balance < scope.unit);
  for (const item of near.slice(0, 2))
    scope.add({
      lines: [whole(item)],
      sum: "rounded",
      numbers: "none",
      reasons: [
        { code: "sum_one", number: item.number },
        { code: "rounded", by: minor(amount - item.balance) }
      ],
      doubts: doubtIf(near.length > 1, "ways")
    });
}

// src/core/matching/candidates/bySums.ts
var MOST2 = 60;
function readBySums(scope, hasDigits) {
  const due = scope.items.filter((item) => item.balance > 0);
  const single = addSingle(scope, due);
  addDiscounted(scope, due);
  addSurcharged2(scope, due);
  addLessCredit(scope, due);
  if (!single) addRounded(scope, due);
  addAllOpen(scope);
  addPastDue(scope, due);
  addOldestOnes(scope, due);
  addSubsets(scope, due);
  if (due.length > 0 && !single) addOldestFirst(scope, due, hasDigits);
  scope.add({ lines: [], sum: "account", numbers: "none", reasons: [] });
}
function addSingle(scope, due) {
  const equal = due.filter((item) => item.balance === scope.receipt.amount);
  const [oldest] = equal;
  if (!oldest) return false;
  const several = equal.length > 1;
  const unclear = several && (scope.named.loose || equal.some(({ customerId }) => customerId !== oldest.customerId)) || hasSister(scope, oldest);
  scope.add({
    lines: [whole(oldest)],
    sum: "single",
    numbers: "none",
    reasons: [
      { code: "sum_one", number: oldest.number },
      ...several ? [{ code: "equal_items", count: equal.length }] : []
    ],
    doubts: doubtIf(unclear, "equal")
  });
  return true;
}
function hasSister(scope, { id, balance, currency }) {
  const group = scope.around.payers.group(scope.customerId);
  return !scope.isItself && scope.around.scope(group).some(
    (other) => other.id !== id && other.balance === balance && other.currency === currency && other.customerId !== scope.customerId
  );
}
function addDiscounted(scope, due) {
  const { receipt, around } = scope;
  for (const item of due.slice(0, MOST2)) {
    const part = partsOf(item, receipt.paidOn, around.graceDays)[1];
    if (part?.amount === receipt.amount)
      for (const paid of lateOrAllowed([part]))
        scope.add({
          ...paid,
          numbers: "none",
          reasons: [{ code: "sum_one", number: item.number }, ...paid.reasons]
        });
  }
}
function addSurcharged2(scope, due) {
  const { receipt, around } = scope;
  const topped = due.find(({ balance }) => {
    const surcharge = around.surcharge(receipt.method, balance);
    return surcharge > 0 && balance + surcharge === receipt.amount;
  });
  if (topped)
    scope.add({
      lines: [whole(topped)],
      sum: "surcharge",
      numbers: "none",
      reasons: [
        { code: "sum_one", number: topped.number },
        scope.onTop(add(receipt.amount, -topped.balance))
      ]
    });
}
function addAllOpen(scope) {
  const { items, receipt } = scope;
  if (items.length > 1 && sumOf(items, (item) => item.balance) === receipt.amount)
    scope.add({
      lines: items.map((item) => whole(item)),
      sum: "all",
      numbers: "none",
      reasons: [{ code: "sum_all_open", count: items.length }]
    });
}
var pastDue = ({ receipt }, due) => due.filter((item) => item.dueOn <= receipt.paidOn);
function addPastDue(scope, due) {
  const past = pastDue(scope, due);
  const some = past.length > 1 && past.length < due.length;
  if (some && sumOf(past, (item) => item.balance) === scope.receipt.amount)
    addSet(scope, past, "due");
}
function addOldestOnes(scope, due) {
  const past = pastDue(scope, due).length;
  let [running, count2] = [0, 0];
  for (const item of due.slice(0, MOST2)) {
    running += item.balance;
    count2 += 1;
    if (running === scope.receipt.amount && count2 > 1 && count2 < due.length && count2 !== past)
      addSet(scope, due.slice(0, count2), "due");
  }
}
function addSubsets(scope, due) {
  if (due.length <= 2) return;
  const most = due.length > 12 ? 4 : 12;
  const subsets = subsetsOf(due, scope.receipt.amount);
  const only = subsets.length > 0 && waysTo(due, scope.receipt.amount) === 1;
  for (const subset of subsets.slice(0, most))
    if (subset.length < scope.items.length)
      addSet(
        scope,
        subset,
        "several",
        only ? chanceOf(due, scope.receipt.amount, { size: subset.length, unit: scope.unit }) : 1
      );
}
function addSet(scope, set, sum, chance = 0) {
  scope.add({
    lines: set.map((item) => whole(item)),
    sum,
    numbers: "none",
    reasons: [{ code: "sum_several", count: set.length }],
    chance
  });
}
function addOldestFirst(scope, due, hasDigits) {
  const filled = fill(due, scope.receipt.amount);
  const off = add(scope.receipt.amount, -sumOf(filled, ({ item }) => item.balance));
  scope.add({
    lines: filled.map(({ item, amount }) => whole(item, amount)),
    sum: "oldest",
    numbers: "none",
    reasons: [
      off > 0 ? { code: "against_over", by: off } : { code: "against_short", by: minor(-off) }
    ],
    shape: `${oldestShape(filled.length, due.length, off)}${hasDigits ? " digits" : ""}`
  });
}

// src/core/matching/candidates/byWords.ts
function readByWords(scope) {
  const { told } = scope;
  if (told.statement) addStatement(scope);
  if (told.oldestFirst) addOldest(scope);
}
function addStatement(scope) {
  const { told, receipt, named: named2 } = scope;
  const out = new Set(named2.out.map(({ id }) => id));
  const items = scope.items.filter(({ id }) => !out.has(id)).sort(byIssue);
  const days = [...new Set(items.map(({ issuedOn }) => issuedOn))];
  const ends = told.until === null ? days : [told.until];
  const found = ends.flatMap((end) => {
    const upTo = items.filter(({ issuedOn }) => issuedOn <= end);
    const off = sumOf(upTo, ({ balance }) => balance) - receipt.amount;
    if (upTo.length === 0) return [];
    if (off === 0) return [upTo];
    const left = told.less && out.size === 0 ? upTo.filter(({ balance }) => balance === off) : [];
    return left.length === 1 ? [upTo.filter((item) => item !== left[0])] : [];
  });
  for (const set of found.slice(0, 2))
    scope.add({
      lines: set.map((item) => whole(item)),
      sum: "statement",
      numbers: "none",
      reasons: [{ code: "statement", until: told.until, count: set.length }],
      doubts: doubtIf(found.length > 1, "ways")
    });
}
var byIssue = (a, b) => earlierFirst(a.issuedOn, b.issuedOn) || a.id - b.id;
function onlyOneOwes({ around, customerId, receipt }) {
  const owing = around.scope(around.payers.group(customerId)).filter(({ balance, currency }) => balance > 0 && currency === receipt.currency);
  return new Set(owing.map((item) => item.customerId)).size <= 1;
}
function addOldest(scope) {
  const due = scope.items.filter(({ balance }) => balance > 0);
  const filled = fill(due, scope.receipt.amount);
  if (filled.length === 0 || scope.named.items.length > 0) return;
  const off = add(scope.receipt.amount, -sumOf(filled, ({ item }) => item.balance));
  scope.add({
    lines: filled.map(({ item, amount }) => whole(item, amount)),
    sum: "told-oldest",
    numbers: "none",
    doubts: doubtIf(!scope.isItself && !onlyOneOwes(scope), "site"),
    reasons: [
      { code: "oldest_first" },
      ...off < 0 ? [{ code: "against_short", by: minor(-off) }] : [],
      ...off > 0 ? [{ code: "against_over", by: off }] : []
    ]
  });
}

// src/core/matching/memo/patterns.ts
var compact = (text) => text.toUpperCase().replace(/[^A-Z0-9]/g, "");
var coreOf = (text) => lastDigits(text).replace(/^0+/, "");
function lastDigits(text) {
  let end = text.length;
  while (end > 0 && !isDigit(text, end - 1)) end -= 1;
  let start = end;
  while (start > 0 && isDigit(text, start - 1)) start -= 1;
  return text.slice(start, end);
}
var isDigit = (text, at) => {
  const code = text.charCodeAt(at);
  return code >= 48 && code <= 57;
};
var allDigits = (text) => text.replace(/\D/g, "").replace(/^0+/, "");
var runsOf = (text) => (text.match(/\d+/g) ?? []).map((run) => run.replace(/^0+(?=\d)/, "")).join("-");
var SEEN_AS = {
  O: "0",
  Q: "0",
  I: "1",
  L: "1",
  S: "5",
  B: "8",
  Z: "2",
  G: "6"
};
var lookalike = (letters) => letters.replace(/[OQILSBZG]/g, (letter) => SEEN_AS[letter] ?? letter);
var INVOICE_WORDS = /^(?:INV(?:S|OICES?)?(?:NO|NR|NUM)?|I|NR|NO|BILL|RE|RG|RGNR|RECH(?:N|NG|NUNG)?(?:NR|EN)?|RECHNUNGSNR|FRAS?|FACT?(?:URAS?|URES?|URA)?|FATT?(?:URA|URE)?|FT|FAKT(?:URA|UUR)?|FV|FAC)$/;
var OTHER_LABELS = "JOB|ORDER|ACCT|ACCOUNT|AUTH|CHECK|CHEQUE|CHK|CUST(?:OMER)?|CLIENT|KUNDENNR|KD ?NR|KONTO|TICKET|TKT|MEMBER(?:SHIP)?|DELIVERY NOTE|DELIVERY|DN|LIEFERSCHEIN|LS|ALBARAN|BON DE LIVRAISON|BL|PACKING SLIP|SHIPMENT|TRACKING|BOL|PRO|TRN|TRACE|TRANSACTION|TXN|BATCH|RUN|DEPOSIT|TERMINAL|TERM|POLICY|CONTRACT|VERTRAG|CONTRATO|CONTRAT|PROJECT|PROJEKT|VENDOR|SUPPLIER|LIEFERANT|CASE|IMAD|OMAD|CONFIRMATION|CONF";
var LABEL_TAIL = String.raw`\b[.:#]?\s*(?:(?:NO|NR|NUM|ID|RUN)\b[.:]?\s*)?(?:#\s*)?`;
var OTHER_BEFORE = new RegExp(String.raw`\b(?:${OTHER_LABELS})${LABEL_TAIL}$`);
var NOT_NUMBERS = [
  /\b\d{4}-\d\d-\d\d\b/g,
  /\b\d{1,2}[/.]\d{1,2}[/.](?:\d{4}|\d\d)\b/g,
  /(?<![\d/.,-])(?:0?[1-9]|[12]\d|3[01])[/.](?:0?[1-9]|1[0-2])(?:\.(?!\d))?(?![\d/-]|[.,]\d)/g,
  /(?<![\d/.,-])(?:0?[1-9]|1[0-2])\/(?:1[3-9]|2\d|3[01])(?![\d/-]|[.,]\d)/g,
  /\b(?:TEL|PHONE|FON|CALL)[.:]?\s*[\d()+./-][\d ()+./-]{6,}/g,
  /\(?\b\d{3}\)?[ -.]\d{3}[-.]\d{4}\b/g,
  /\b(?:TRN|TRACE|IMAD|OMAD|EREF|E2E|UETR|TXN|ACH)[ :#+-]?[A-Z]{0,4}\d[\dA-Z]{6,}\b/g,
  /[$€£]\s?\d[\d.,]{0,30}|\b\d{1,3}(?:[.,']\d{3}){0,6}[.,]\d\d\b|\b\d[\d,]{0,20}[.,]\d\d\b|\b\d[\d,]{0,20}\.\d?(?=\W{0,20}$)/g,
  /\b\d{1,2}(?:[.,]\d+)?\s?(?:%|PCT\b|PERCENT\b|PROZENT\b)/g,
  /\b\d{1,3}\s?(?:BOX(?:ES)?|BAGS?|PCS|PIECES?|UNITS?|CASES?|PALLETS?|STK|STUECK|CAJAS?|SACOS?|CARTONS?|DAYS?|MONTHS?|INVOICES?|RECHNUNGEN|FACTURAS|FACTURES)\b/g,
  /\b(?:WK|WEEK|KW|SEMANA|SEMAINE|UNIT|APT|STE|SUITE|ROOM|LOT|PAGE|STORE|SITE|ROUTE)\b[.:#]?\s*\d{1,4}\b/g,
  /\b(?:JAN|FEB|MAR|APR|MAY|JUN|JUL|AUG|SEP|SEPT|OCT|NOV|DEC|MRZ|MAI|OKT|DEZ|ENE|ABR|AGO|DIC|JANV|FEVR|AVR|JUIN|JUIL|AOUT|GEN|MAG|GIU|LUG|SET|OTT)[A-Z]*\.?\s+(?:\d{1,2},?\s+)?20\d\d\b/g,
  new RegExp(String.raw`\b(?:${OTHER_LABELS})${LABEL_TAIL}[A-Z]{0,3}-?\d[\dA-Z-]*`, "g")
];
var SUM = /(?<![\d./-])\d[\d,]{0,20}\.\d\d\b(?![./]\d)/g;
var isMasked = (word) => NOT_NUMBERS.some((mask) => word.replace(mask, "") === "");
var capitals = (text) => Array.from(text, (letter) => {
  const upper = letter.toUpperCase();
  return upper.length === letter.length ? upper : letter;
}).join("");
var blank = (text) => " ".repeat(text.length);

// src/core/matching/memo/damage.ts
function editDistance(a, b, bound) {
  if (Math.abs(a.length - b.length) > bound) return bound + 1;
  const start = Array.from({ length: b.length + 1 }, (_, at) => at);
  let rows = { older: [], old: start };
  for (let i = 1; i <= a.length; i += 1) rows = { older: rows.old, old: nextRow(a, b, i, rows) };
  return rows.old[b.length] ?? bound + 1;
}
function nextRow(a, b, i, { older, old }) {
  const now = [i];
  const at = (row, j) => row[j] ?? 0;
  for (let j = 1; j <= b.length; j += 1) {
    const cost = a[i - 1] === b[j - 1] ? 0 : 1;
    const edited = Math.min(at(old, j) + 1, at(now, j - 1) + 1, at(old, j - 1) + cost);
    const swapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1];
    now[j] = swapped ? Math.min(edited, at(older, j - 2) + 1) : edited;
  }
  return now;
}
function isOneEdit(a, b) {
  if (Math.abs(a.length - b.length) > 1) return false;
  const least = Math.min(a.length, b.length);
  let [front, back] = [0, 0];
  while (front < least && a[front] === b[front]) front += 1;
  while (back < least && a[a.length - 1 - back] === b[b.length - 1 - back]) back += 1;
  return front + back >= least - 2 && editDistance(a, b, 1) <= 1;
}
function mayBe(stray, items) {
  const letters = compact(stray.text);
  return items.filter((item) => {
    const [number, core] = [compact(item.number), coreOf(item.number)];
    return isCutBehind(stray, letters, number, core) || isCutInFront(stray, core) || isOneOff(stray, letters, number, core);
  });
}
function isCut(stray, item) {
  const [number, core] = [compact(item.number), coreOf(item.number)];
  return isCutInFront(stray, core) || isCutBehind(stray, compact(stray.text), number, core);
}
function isCutBehind({ last, digits }, letters, number, core) {
  if (!last) return false;
  const missing = number.length - letters.length;
  if (letters.length >= 3 && missing >= 1 && missing <= 3 && number.startsWith(letters))
    return true;
  return digits.length >= 3 && core.length - digits.length === 1 && core.startsWith(digits);
}
var isCutInFront = ({ text }, core) => {
  const written = text.replace(/\D/g, "");
  return written.length >= 3 && core.length > written.length && core.endsWith(written);
};
function isOneOff({ digits }, letters, number, core) {
  const some = digits.length >= 3;
  const long = digits.length >= 4 || letters.length >= 6 || some && letters.length >= 5;
  return long && (some && isOneEdit(digits, core) || isOneEdit(letters, number));
}

// src/core/matching/memo/scope.ts
var RANK = ["none", "whole", "digits", "order", "cut", "damaged"];
var worse = (a, b) => RANK.indexOf(a) > RANK.indexOf(b) ? a : b;
function namedIn(memo, items, payer, amount) {
  const scope = new Scope(items, payer, amount);
  const strangers = memo.mentions.filter((mention) => !scope.takeMention(mention));
  for (const mention of strangers) scope.takeStranger(mention);
  for (const stray of memo.strays) scope.takeStray(stray);
  return scope.found(memo);
}
var MOST3 = 8;
var Scope = class {
  constructor(items, payer, amount) {
    this.items = items;
    this.payer = payer;
    this.amount = amount;
  }
  items;
  payer;
  amount;
  chosen = /* @__PURE__ */ new Map();
  open = [];
  foreign = [];
  unexplained = [];
  spots = /* @__PURE__ */ new Map();
  out = [];
  stated = /* @__PURE__ */ new Map();
  how = "none";
  unread = 0;
  /** A number of the book: whether it names something of this customer, or nothing to speak of. */
  takeMention(mention) {
    const own = this.current(mention.items);
    const ordered = this.current(mention.orders);
    const [only] = own;
    this.mark(own.length > 0 ? own : ordered, mention);
    if (only && mention.stated !== "") this.stated.set(only.id, mention.stated);
    if (mention.leftOut) this.out.push(...own);
    else if (own.length === 1 || own.length > 1 && mention.how === "order")
      this.choose(own, mention.how);
    else if (own.length > 1) this.leaveOpen(own, mention.how);
    else if (ordered.length > 0) this.choose(ordered, "order");
    else return false;
    return true;
  }
  /**
   * Somebody else's number that is one digit off from an own one is taken for damaged, if the payer
   * is known and the sum does not fit the other.
   */
  takeStranger(mention) {
    const token = {
      text: mention.text,
      at: mention.at,
      digits: coreOf(mention.text),
      last: false,
      after: "",
      ownStyle: true,
      leftOut: mention.leftOut,
      stated: mention.stated
    };
    if (mention.otherwise && this.payer !== void 0) return;
    const near = this.payer === void 0 ? [] : this.damaged(token);
    if (near.length === 0 || mention.items.some(({ balance }) => balance === this.amount)) {
      if (mention.how !== "order") this.foreign.push({ at: mention.at, text: mention.text });
      return;
    }
    this.mark(near, mention);
    this.leaveOpen(near, "damaged");
  }
  /** A word that nothing explains may be one of the customer's numbers, damaged on the way. */
  takeStray(stray) {
    const known = this.payer !== void 0 || this.chosen.size > 0;
    const candidates2 = known ? this.damaged(stray) : [];
    if (candidates2.length === 0) {
      this.unread += 1;
      if (stray.ownStyle) this.unexplained.push({ at: stray.at, text: stray.text });
      return;
    }
    this.mark(candidates2, stray);
    if (stray.leftOut && candidates2.length === 1) return void this.out.push(...candidates2);
    if (stray.stated !== "") for (const { id } of candidates2) this.stated.set(id, stray.stated);
    const how = candidates2.every((item) => isCut(stray, item)) ? "cut" : "damaged";
    if (candidates2.length === 1 && isNear(stray)) this.choose(candidates2, how);
    else this.leaveOpen(candidates2, how);
  }
  found(memo) {
    return {
      items: [...this.chosen.values()],
      how: this.how,
      open: this.open,
      foreign: this.foreign,
      unexplained: this.unexplained,
      spots: this.spots,
      out: this.out,
      stated: this.stated,
      sums: memo.sums,
      loose: this.unread > 0,
      unread: this.unread
    };
  }
  current(list) {
    return this.items.filter((item) => list.some(({ id }) => id === item.id));
  }
  damaged(token) {
    return mayBe(token, this.items).filter(({ id }) => !this.chosen.has(id)).slice(0, MOST3);
  }
  mark(items, { at, text }) {
    for (const item of items) this.spots.set(item.id, { at, text });
  }
  choose(items, how) {
    for (const item of items) this.chosen.set(item.id, item);
    this.how = worse(this.how, how);
  }
  leaveOpen(items, how) {
    this.open.push(items);
    this.how = worse(this.how, how);
  }
};
function isNear(stray) {
  return stray.text.replace(/\D/g, "").length >= 3;
}

// src/core/matching/candidates/contradictions.ts
var LOOSE = /* @__PURE__ */ new Set(["over", "short", "part", "fee"]);
var BY_SUM = /* @__PURE__ */ new Set(["single", "several", "discount", "rounded"]);
function against(told, { lines, sum, numbers }, { amount, unread, notes }) {
  const doubtful = LOOSE.has(sum) || WRONG_NUMBER.has(sum);
  const isLater = ({ item }) => told.until !== null && item.issuedOn > told.until;
  const known = LOOSE.has(sum) || BY_SUM.has(sum);
  return [
    ...doubtIf(known && tellsOtherwise(told, { lines, sum }, notes), "told"),
    // What is paid ahead is not for what is open, whatever its sum.
    ...doubtIf(told.ahead && numbers === "none" && lines.length > 0, "ahead"),
    ...doubtIf(told.statement && lines.some(isLater), "later"),
    ...doubtIf(told.more && (sum === "over" || sum === "short"), "more"),
    // One number that leads nowhere is the one that is wrong.
    ...doubtIf(WRONG_NUMBER.has(sum) && unread > 1, "unread"),
    ...doubtIf(sum === "over" && told.sums.length > 1, "sums"),
    ...doubtIf(doubtful && told.sums.some((said) => !explains(lines, amount, said)), "sums")
  ];
}
var WRONG_NUMBER = /* @__PURE__ */ new Set(["gap", "mended"]);
function tellsOtherwise(told, { lines, sum }, notes) {
  const hasNote = lines.some(({ item }) => item.balance < 0);
  return told.oldestFirst || told.statement && sum !== "single" || told.credit && notes && !hasNote || told.restAndNext && lines.length < 2;
}
function explains(lines, amount, said) {
  const full = lines.reduce((sum, { item }) => sum + item.balance, 0);
  const paid = lines.reduce((sum, line) => sum + line.amount, 0);
  const discounts = lines.reduce((sum, line) => sum + line.discount, 0);
  return [amount, full, full - paid, full - paid - discounts, discounts, amount - paid].includes(said) || lines.some(
    (line) => [line.amount, line.item.balance, line.item.total, line.item.balance - line.amount].includes(
      said
    )
  );
}

// src/core/matching/candidates/habits.ts
function habitReasons(habit, receipt, { lines, numbers }) {
  if (numbers !== "none" || lines.length === 0 || habit === void 0 || habit.receipts < HABIT_FROM)
    return [];
  const found = [];
  const share = habit.several / habit.receipts;
  if (lines.length > 1 && share >= 0.75) found.push({ code: "habit", how: "several" });
  if (lines.length === 1 && share <= 0.25) found.push({ code: "habit", how: "single" });
  const { late } = habit;
  if (late !== null && late !== void 0 && lines.every(
    ({ item }) => Math.abs(daysBetween(item.dueOn, receipt.paidOn) - late) <= USUAL_WITHIN_DAYS
  ))
    found.push({ code: "usual_day", late });
  return found;
}
var HABIT_FROM = 4;
var USUAL_WITHIN_DAYS = 3;

// src/core/matching/candidates/score.ts
var NAMED = {
  exact: 40,
  surcharge: 39,
  discount: 39,
  credit: 37,
  told: 37,
  late: 33,
  fee: 36,
  claim: 36,
  next: 35,
  gap: 31,
  mended: 30,
  part: 30,
  over: 26,
  allowed: 22,
  short: 20
};
var SUMS2 = {
  single: 18,
  surcharge: 16,
  discount: 16,
  all: 15,
  credit: 12,
  due: 12,
  late: 9,
  allowed: 1,
  several: 6,
  statement: 19,
  "told-oldest": 14,
  rounded: 8,
  oldest: 2,
  account: 0
};
var READ = {
  whole: 0,
  digits: -2,
  order: -4,
  cut: -6,
  damaged: -7,
  none: 0
};
var WHO = {
  certain: 14,
  likely: 8,
  weak: 2,
  unknown: 0,
  other: -16
};
function scoreOf(grounds) {
  const { sum, numbers, who, lines } = grounds;
  const base = (numbers === "none" ? SUMS2[sum] : NAMED[sum]) ?? 0;
  return base + READ[numbers] + WHO[who] - grounds.foreign * 9 - grounds.unexplained * 5 - grounds.skipped * 9 - grounds.doubts * 4 - (sum === "several" ? lines : 0) - (sum === "late" ? 1 : 0) + Math.min(4, grounds.payerWeight / 8);
}

// src/core/matching/candidates/customerScope.ts
var CustomerScope = class {
  constructor(receipt, customerId, { memo, payers, told }, around) {
    this.receipt = receipt;
    this.customerId = customerId;
    this.around = around;
    this.told = told;
    this.unit = unitOf(receipt.currency);
    const group = around.payers.group(customerId);
    const inGroup = payers.filter((payer) => around.payers.group(payer.customerId) === group);
    this.payer = inGroup.find((payer) => payer.customerId === customerId) ?? inGroup[0];
    this.who = whoIs(this.payer, payers);
    this.isItself = this.payer?.customerId === customerId && inGroup.every(
      (other) => other === this.payer || other.weight < (this.payer?.weight ?? 0) - 3
    );
    const scope = around.scope(customerId);
    this.items = scope.every((item) => item.currency === receipt.currency) ? scope : scope.filter((item) => item.currency === receipt.currency);
    this.named = namedIn(memo, this.items, this.payer, receipt.amount);
  }
  receipt;
  customerId;
  around;
  items;
  named;
  payer;
  who;
  told;
  /** Minor units in a whole one of the receipt's currency. */
  unit;
  found = [];
  /** Credit notes that may be taken off beside some items: each alone, and all together. */
  notesBeside(items) {
    const notes = this.items.filter((item) => item.balance < 0 && !items.includes(item));
    return [
      ...notes.slice(0, MOST_NOTES).map((note) => [note]),
      ...notes.length > 1 ? [notes] : []
    ];
  }
  onTop(sum) {
    return { code: "surcharge", sum, percent: this.around.surchargePercent };
  }
  spotsOf(items) {
    return items.flatMap(({ id }) => this.named.spots.get(id) ?? []);
  }
  /** Keeps a reading, unless it would give out more than came in. */
  add(found) {
    const { lines, sum, numbers, reasons, shape = "", chance = 0 } = found;
    const { receipt, around } = this;
    const left = add(receipt.amount, -sumOf(lines, (line) => line.amount));
    if (left < 0) return;
    const { foreign, unexplained } = this.named;
    const { skipped, doubts } = this.doubtsOf(found);
    const habit = habitReasons(this.around.habit(this.customerId), this.receipt, found);
    this.found.push({
      customerId: this.customerId,
      ...sum === "surcharge" ? { onAccount: minor(0), surcharge: left } : { onAccount: left },
      confidence: 0,
      pattern: "",
      score: scoreOf({
        sum,
        numbers,
        who: this.who,
        lines: lines.length,
        foreign: foreign.length,
        unexplained: unexplained.length,
        skipped,
        doubts: doubts.length,
        payerWeight: this.payer?.weight ?? 0
      }),
      numbers,
      sum,
      who: this.who,
      shape,
      skipped,
      doubts,
      flaws: foreign.length + unexplained.length + skipped + doubts.length,
      lean: habit.length * LEAN,
      bits: (this.payer?.weight ?? 0) + around.rarity(receipt.currency, receipt.amount),
      chance,
      lines: lines.map(({ item, amount, discount }) => ({
        itemId: item.id,
        number: item.number,
        amount,
        discount
      })),
      reasons: [
        ...this.remitted(numbers),
        ...reasons,
        ...this.payer?.reasons ?? [],
        ...habit,
        ...this.forGroup(lines),
        ...this.speakingAgainst()
      ]
    });
  }
  /** Numbers that a reading passes over, and ways in which it may be another. */
  doubtsOf(found) {
    const { items, open, unread } = this.named;
    const notes = this.items.some(({ balance }) => balance < 0);
    const told = against(this.told, found, { amount: this.receipt.amount, unread, notes });
    return {
      skipped: found.numbers === "none" ? items.length + open.length : 0,
      doubts: [...found.doubts ?? [], ...told]
    };
  }
  /** Whether the payer is known to be this very customer, and not just one of its group. */
  isItself;
  remitted(numbers) {
    const { remittance = [] } = this.receipt;
    return numbers !== "none" && remittance.length > 0 ? [{ code: "remittance" }] : [];
  }
  forGroup(lines) {
    const own = lines.every(({ item }) => item.customerId === this.customerId);
    return own ? [] : [{ code: "group" }];
  }
  speakingAgainst() {
    const { foreign, unexplained } = this.named;
    const against2 = [];
    if (foreign.length > 0) against2.push({ code: "against_number", spots: foreign });
    if (unexplained.length > 0) against2.push({ code: "against_unread", spots: unexplained });
    if (this.who === "other") against2.push({ code: "against_payer" });
    return against2;
  }
};
var LEAN = 3;
var MOST_NOTES = 12;

// src/core/matching/candidates/readings.ts
function readingsOf(receipt, around) {
  const memo = around.memo(textOf(receipt));
  const payers = around.payers.find(receipt);
  const drafts = [];
  const told = toldIn(receipt.reference, receipt.paidOn, receipt.currency);
  for (const customerId of candidates(payers, memo, around.payers))
    drafts.push(
      ...readingsFor(new CustomerScope(receipt, customerId, { memo, payers, told }, around))
    );
  return withoutRepeats(drafts);
}
function readingsFor(scope) {
  const { named: named2, payer, who, receipt } = scope;
  if (named2.items.length > 0 || named2.open.length > 0) readByNumbers(scope);
  if (payer && who !== "other") readByWords(scope);
  if (payer && who !== "other") readBySums(scope, /\d/.test(textOf(receipt)));
  return scope.found;
}
function textOf({ reference, remittance, currency }) {
  return remittance === void 0 || remittance.length === 0 ? reference : [
    reference,
    ...remittance.map(({ number, amount }) => `${number} ${toDecimal(amount, currency)}`)
  ].join(" ; ");
}
function groupsFor(receipt, around) {
  return [
    ...new Set(
      candidates(around.payers.find(receipt), around.memo(textOf(receipt)), around.payers).map(
        (id) => around.payers.group(id)
      )
    )
  ];
}
function candidates(payers, memo, index) {
  const ids = /* @__PURE__ */ new Set();
  for (const mention of memo.mentions)
    for (const item of [...mention.items, ...mention.orders].slice(0, 12)) ids.add(item.customerId);
  for (const { customerId } of payers.slice(0, 5)) ids.add(customerId);
  for (const id of [...ids]) ids.add(index.group(id));
  return [...ids];
}

// src/core/matching/decision/safeKinds.ts
var CERTAIN = ["certain"];
var LIKELY = [...CERTAIN, "likely"];
var POSSIBLE = [...LIKELY, "weak"];
var ANYBODY = [...POSSIBLE, "unknown"];
var PIECES = {
  exact: LIKELY,
  discount: LIKELY,
  credit: CERTAIN,
  told: LIKELY,
  claim: LIKELY,
  part: CERTAIN,
  over: CERTAIN,
  next: CERTAIN,
  gap: CERTAIN,
  mended: CERTAIN
};
var SAFE = {
  whole: {
    exact: ANYBODY,
    discount: ANYBODY,
    surcharge: LIKELY,
    credit: POSSIBLE,
    told: POSSIBLE,
    fee: ANYBODY,
    claim: POSSIBLE,
    part: POSSIBLE,
    late: POSSIBLE,
    over: POSSIBLE,
    next: LIKELY,
    gap: CERTAIN
  },
  digits: {
    exact: POSSIBLE,
    discount: POSSIBLE,
    surcharge: CERTAIN,
    credit: LIKELY,
    told: LIKELY,
    fee: LIKELY,
    claim: LIKELY,
    late: LIKELY,
    part: LIKELY,
    over: LIKELY,
    next: LIKELY,
    gap: CERTAIN
  },
  order: {
    exact: LIKELY,
    discount: LIKELY,
    credit: CERTAIN,
    fee: LIKELY,
    part: CERTAIN,
    over: CERTAIN
  },
  cut: { ...PIECES, fee: LIKELY },
  damaged: { ...PIECES, fee: CERTAIN },
  none: {
    single: LIKELY,
    all: CERTAIN,
    due: CERTAIN,
    discount: CERTAIN,
    several: CERTAIN,
    credit: CERTAIN,
    statement: LIKELY,
    "told-oldest": LIKELY
  }
};

// src/core/matching/decision/decide.ts
var NEAR = 8;
var LEAST = 10;
var LOOSE2 = /* @__PURE__ */ new Set(["part", "short", "over"]);
var MOST_BY_CHANCE = 0.02;
var ENOUGH_BITS = 11;
function saysEnough(best) {
  if (best.chance > MOST_BY_CHANCE) return false;
  if (best.sum === "fee" && best.who === "unknown" && best.lines.length < 2) return false;
  if (best.numbers !== "none" || best.who === "certain") return true;
  return best.sum !== "single" || best.bits >= ENOUGH_BITS;
}
var WEIGHING = /* @__PURE__ */ new Set(["against_also", "against_claimed"]);
var WEIGHING_DOUBTS = /* @__PURE__ */ new Set(["nearly", "stated", "sums", "told"]);
function decide(best, others, seen) {
  const against2 = vetoes(rivalsOf(best, others).length, seen);
  const weighing = against2.filter(({ code }) => WEIGHING.has(code)).length + best.doubts.filter((doubt) => WEIGHING_DOUBTS.has(doubt)).length;
  const weight = against2.length + best.flaws;
  const safe = !seen.smallShort && saysEnough(best) && (SAFE[best.numbers]?.[best.sum]?.includes(best.who) ?? false);
  return {
    decision: decisionFor(safe && weight === 0, best),
    against: against2,
    held: safe && weight > 0 && weight === weighing
  };
}
function rivalsOf(best, others) {
  const bySum = best.numbers === "none" && ["all", "due", "discount", "several"].includes(best.sum);
  const reach = (other) => bySum && other.numbers === "none" && OUT_TO_THE_CENT.has(other.sum) ? 2 * NEAR : NEAR;
  const exact = (other) => LOOSE2.has(best.sum) && other.sum === "single" && other.who !== "other";
  const usual = (other) => best.numbers === "none" && best.lean === 0 && other.lean > 0 && OUT_TO_THE_CENT.has(other.sum);
  const loose = (other) => best.numbers === "none" && OUT_TO_THE_CENT.has(best.sum) && other.sum === "oldest";
  return others.filter(
    (other) => other.lines.length > 0 && other.score > best.score - reach(other) && !loose(other) || exact(other) || usual(other)
  );
}
function vetoes(rivals, seen) {
  const { closed, doubleOf, alsoOn } = seen;
  const against2 = [];
  if (rivals > 0) against2.push({ code: "against_other_reading", count: rivals });
  if (closed.length > 0) against2.push({ code: "against_closed", spots: closed });
  if (doubleOf !== null)
    against2.push({ code: "against_double", paidOn: doubleOf.paidOn, receiptId: doubleOf.id });
  if (alsoOn !== null && doubleOf === null) against2.push({ code: "against_also", paidOn: alsoOn });
  if (seen.claimed) against2.push({ code: "against_claimed" });
  if (seen.foreignCurrency) against2.push({ code: "against_currency" });
  return against2;
}
function decisionFor(safe, best) {
  if (safe) return "sure";
  if (best.score >= LEAST) return "check";
  return "none";
}
var OLDEST_FIRST = 38;
var FIRST = 20;
var named = (best) => best.numbers !== "none" && best.flaws === 0 && ["exact", "discount"].includes(best.sum);
function certainty(drafts) {
  const [best, next] = drafts;
  if (!best) return -1e3;
  if (best.sum === "told-oldest") return OLDEST_FIRST;
  return (named(best) ? FIRST : 0) + best.score - (next && next.score > best.score - NEAR ? 10 : 0) - best.flaws * 6;
}

// src/core/matching/memo/mention.ts
var NOTHING = { mentions: [], strays: [], sums: 0 };
var OUT_BEFORE = /\b(?:NOT(?: INCL(?:UDING|\.)?)?|WITHOUT|EXCL(?:UDING|\.)?|EXCEPT|OMIT(?:TING)?|OHNE|SANS|SIN|SAUF|AUSSER|EXCEPTO)(?:\s*(?:INV(?:OICE)?|NO|NR|RG|FACT?(?:URA|URE)?|RECHNUNG)[.:]?)?\s*(?:#\s*)?$/;
var OUT_AFTER = /^\s*(?:[(-]\s*)?(?:IS |STILL )?(?:IN DISPUTE|DISPUTED|IN KLAERUNG|IN KLÄRUNG|STRITTIG|EN LITIGE|CONTESTEE|RECLAMADA|EN DISPUTA|IN CONTESTAZIONE|NOT PAID|LEFT OUT|TO FOLLOW|OFFEN)\b/;
var TOLD_AFTER = /^\s*(?:[:=(@-]\s*)?(?:(?:USD|EUR|GBP|CAD|CHF|AUD|[$€£])\s?)?(\d[\d.,']*[.,]\d\d)(?!\d)(?!\s*(?:TO FOLLOW|FOLGT|SUIT|SIGUE|LATER|IN DISPUTE|EN DISPUTA|EN LITIGE|STRITTIG))/;
function aroundOf(text, at, word) {
  const [before, after] = [text.slice(Math.max(0, at - 40), at), text.slice(at + word.length)];
  return {
    leftOut: OUT_BEFORE.test(before) || OUT_AFTER.test(after),
    stated: TOLD_AFTER.exec(after)?.[1] ?? "",
    otherwise: OTHER_BEFORE.test(before)
  };
}
function mentionIn(text, { word, at, how, items, orders }) {
  return { text: word, at, how, items, orders, ...aroundOf(text, at, word) };
}
function nearestBefore(mentions, at) {
  let best;
  for (const mention of mentions)
    if (mention.at < at && (best === void 0 || mention.at >= best.at)) best = mention;
  return best;
}
var isForeign = ({ mentions }, currency) => mentions.some(
  ({ items, orders, otherwise }) => !otherwise && items.length > 0 && [...items, ...orders].every((item) => item.currency !== currency)
);
function mentionsOf({ mentions, strays }) {
  const named2 = mentions.map(
    ({ items, orders }) => [...items, ...orders].map(({ id }) => id).join()
  );
  return `${named2.join(";")}|${strays.map(({ text, ownStyle }) => `${text}${ownStyle}`).join()}`;
}

// src/core/matching/payers/query.ts
function queryOf({
  payerName,
  payerEmail
}) {
  const email = payerEmail.toLowerCase();
  return {
    email,
    domain: email === "" ? null : ownDomain(email),
    forms: [payerName, ...namesIn(payerName)].map(formOf).filter(({ words }) => words.length > 0),
    keys: payerKeys(payerName, payerEmail)
  };
}
var SHORTEST_FIELD = 14;
function formOf(written) {
  const words = nameWords(written);
  return {
    words,
    name: [...words].sort().join(" "),
    letters: lettersOf(written),
    cut: written.trim().length >= SHORTEST_FIELD
  };
}
var lettersOf = (name) => plainCapitals(asName(name)).replace(/&|\bAND\b/g, " ").replace(/[^A-Z0-9]/g, "");
var BEGINS = "~";
var nameKey = (name) => [...nameWords(name)].sort().join(" ");
function isTouchedBy(keys, name, email) {
  if (payerKeys(name, email).some((key) => keys.has(key))) return true;
  const forms = [name, ...namesIn(name)].map(lettersOf).filter((letters) => letters !== "");
  return [...keys].some(
    (key) => key.startsWith(BEGINS) && forms.some((letters) => key.startsWith(letters, 1))
  );
}
function payerKeys(name, email) {
  const words = nameKey(name);
  const domains = email === "" ? [] : domainsOf(ownDomain(email.toLowerCase()));
  return [
    ...email === "" ? [] : [`@${email.toLowerCase()}`],
    ...domains.map((domain) => `@@${domain}`),
    ...words === "" ? [] : [words]
  ];
}
function domainsOf(domain) {
  const labels = (domain ?? "").split(".");
  return labels.slice(0, -1).map((_, at) => labels.slice(at).join("."));
}

// src/core/matching/memo/postingList.ts
var PostingList = class {
  items = /* @__PURE__ */ new Map();
  get(key) {
    const found = this.items.get(key);
    return found === void 0 || Array.isArray(found) ? found : [found];
  }
  put(key, item) {
    const found = this.items.get(key);
    if (found === void 0) this.items.set(key, item);
    else if (Array.isArray(found)) found.push(item);
    else this.items.set(key, [found, item]);
  }
  drop(key, item) {
    const left = (this.get(key) ?? []).filter(({ id }) => id !== item.id);
    if (left.length === 0) this.items.delete(key);
    else this.items.set(key, [...left]);
  }
};

// src/core/matching/memo/numbering.ts
var Numbering = class {
  whole = new PostingList();
  core = new PostingList();
  padded = new PostingList();
  digits = new PostingList();
  orders = new PostingList();
  runs = new PostingList();
  seen = new PostingList();
  /** How many of the book's numbers have a prefix, and how many digits. */
  prefixes = /* @__PURE__ */ new Map();
  /** How many have a part in front of their last digits: a year, an office. */
  stems = /* @__PURE__ */ new Map();
  /** How many have so many digits and begin with these two: where the book's numbering stands. */
  heads = /* @__PURE__ */ new Map();
  enter(item, by) {
    const move = (shelf, key, matchItem) => by === 1 ? shelf.put(key, matchItem) : shelf.drop(key, matchItem);
    const letters = compact(item.number);
    move(this.whole, letters, item);
    const core = coreOf(item.number);
    if (core.length >= 3) move(this.core, core, item);
    else move(this.padded, lastDigits(item.number), item);
    if (allDigits(item.number) !== core) {
      move(this.digits, allDigits(item.number), item);
      move(this.runs, runsOf(item.number), item);
    }
    if (letters.length >= 5) move(this.seen, lookalike(letters), item);
    if (item.poNumber !== null && compact(item.poNumber).length >= 3)
      move(this.orders, compact(item.poNumber), item);
    const prefix = /^[A-Z]+/.exec(letters)?.[0];
    if (prefix !== void 0) count(this.prefixes, prefix, by);
    const stem = /^(.*[^A-Z0-9])[A-Z]*\d+[A-Z]?$/i.exec(item.number)?.[1];
    if (stem !== void 0) count(this.stems, compact(stem), by);
    count(this.heads, headOf(letters.replace(/\D/g, "")), by);
  }
  prefixFits(word) {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    return prefix === void 0 || this.prefixes.has(prefix) || INVOICE_WORDS.test(prefix);
  }
  /** Whether a word is built like the book's numbers: their prefix, or as many digits where its numbering stands. */
  looksOwn(word) {
    const prefix = /^[A-Z]+/.exec(word)?.[0];
    if (prefix !== void 0 && this.prefixes.has(prefix)) return true;
    const digits = word.replace(/\D/g, "");
    const free = prefix === void 0 || INVOICE_WORDS.test(prefix);
    return free && digits.length >= 4 && (this.heads.has(headOf(digits)) || this.heads.has(headOf(`${digits}0`)));
  }
  /** The part that many numbers have in front says nothing by itself. */
  isStem(word) {
    return (this.stems.get(compact(word)) ?? 0) >= MANY;
  }
};
var MANY = 3;
var headOf = (digits) => `${digits.length} ${digits.slice(0, 2)}`;
function count(map, key, by) {
  const now = (map.get(key) ?? 0) + by;
  if (now <= 0) map.delete(key);
  else map.set(key, now);
}

// src/core/matching/memo/bookNumbers.ts
var BookNumbers = class extends Numbering {
  exact(word) {
    if (!/\d|O/.test(word)) return void 0;
    return this.whole.get(compact(word)) ?? (word.includes("O") ? this.whole.get(compact(word.replace(/O(?=[\dO/-]|$)/g, "0"))) : void 0);
  }
  /** A number behind a word for invoice that is glued to it, or with letters that look like its digits. */
  nearlyExact(word) {
    const letters = compact(word);
    if (letters.replace(/\D/g, "").length < 3) return void 0;
    const glued = /^([A-Z]{2,12})(?=\d)/.exec(letters)?.[1] ?? "";
    const bare = letters.slice(glued.length);
    return (glued !== "" && INVOICE_WORDS.test(glued) && bare.length >= 4 ? this.whole.get(bare) : void 0) ?? (letters.length >= 5 ? this.seen.get(lookalike(letters)) : void 0);
  }
  /** A creditor reference (ISO 11649: RF, two check digits, mod 97 = 1) that carries an invoice number. */
  creditorReference(word) {
    const letters = compact(word);
    const body = letters.slice(4);
    const number = `${body}${letters.slice(0, 4)}`.replace(
      /[A-Z]/g,
      (letter) => String(letter.charCodeAt(0) - 55)
    );
    if (body.length < 3 || BigInt(number) % 97n !== 1n) return void 0;
    return this.whole.get(body) ?? this.core.get(coreOf(body));
  }
  order(word) {
    const letters = compact(word);
    return this.orders.get(letters) ?? this.orders.get(letters.replace(/^(PO|ORDER|BESTELLUNG)/, "")) ?? this.orders.get(`PO${letters}`);
  }
  byDigits(word) {
    const [digits, written] = [allDigits(word), word.replace(/\D/g, "")];
    if (written.length < 3 || this.isStem(word)) return void 0;
    const items = digits.length < 3 ? this.padded.get(written) : this.core.get(digits) ?? this.digits.get(digits) ?? this.byRuns(word);
    return items && this.prefixFits(word) ? { items, used: 1 } : void 0;
  }
  /** A number of several parts, each without its zeros in front. */
  byRuns(word) {
    const runs = runsOf(word);
    const items = runs.includes("-") ? this.runs.get(runs) : void 0;
    return this.prefixFits(word) ? items : void 0;
  }
  /** A number that a line break cut in two. */
  joined(word, next) {
    if (next === void 0 || word.length + next.length > 14) return void 0;
    const items = this.whole.get(compact(word + next)) ?? (allDigits(word + next).length >= 5 ? this.core.get(allDigits(word + next)) : void 0);
    return items ? { items, used: 2 } : void 0;
  }
  /** `20431 and 433`: the second lacks what it shares with the first. */
  tail(before, word) {
    const digits = word.replace(/\D/g, "");
    if (digits.length < 2 || digits.length >= before.length) return void 0;
    return this.core.get(before.slice(0, before.length - digits.length) + digits);
  }
  /** A number that has all but its last digits in common with another. */
  sharing(first, digits) {
    const letters = compact(first);
    const own = lastDigits(letters);
    if (digits.length > own.length || !letters.endsWith(own)) return void 0;
    return this.whole.get(letters.slice(0, letters.length - digits.length) + digits);
  }
  /** `1041-1044` or `HQ/26/1041 to 1044`: all numbers between that one customer has. */
  between(first, last) {
    const letters = compact(first);
    const from = lastDigits(letters);
    const stem = letters.slice(0, letters.length - from.length);
    const to = last.length < from.length ? from.slice(0, from.length - last.length) + last : last;
    const [low, high] = [Number(from), Number(to)];
    if (high <= low || high - low > 40 || to.length !== from.length) return void 0;
    const at = (number) => (stem === "" ? void 0 : this.whole.get(stem + String(number).padStart(from.length, "0"))) ?? this.core.get(String(number)) ?? [];
    const owner = at(low)[0]?.customerId;
    const own = (number) => at(number).filter(({ customerId }) => customerId === owner);
    if (owner === void 0 || own(high).length === 0) return void 0;
    return Array.from({ length: high - low + 1 }, (_, more) => own(low + more)).filter(
      (items) => items.length > 0
    );
  }
  /** A range without spaces. */
  range(word) {
    const parts = /^(\D*\d{3,})-(\d{2,})$/.exec(word);
    return parts ? this.between(parts[1] ?? "", parts[2] ?? "") : void 0;
  }
  /**
   * A sum, or a number of the book, that a line break cut in two is put together again; all places
   * stay but the break's.
   */
  unwrapped(text) {
    const sums = text.replace(
      /\b(\d[\d,]{0,20}\.?\d?)[\r\n]+(\.?\d{1,4}(?:\.\d\d)?)(?![\d.])/g,
      (both2, left, right) => /^\d[\d,]*\.\d\d$/.test(left + right) ? (left + right).padEnd(both2.length) : both2
    );
    return sums.replace(
      /([A-Z0-9][A-Z0-9/-]{0,60})[\r\n]+([A-Z0-9][A-Z0-9/-]{0,60})/g,
      (both2, left, right) => this.whole.get(compact(left)) && this.whole.get(compact(right)) || !(this.exact(left + right) || isMasked(left + right)) ? both2 : (left + right).padEnd(both2.length)
    );
  }
  /** A range, a number by its digits or joined to the next word, or the tail of the number before. */
  meaningOf(word, next, before) {
    const range = this.range(word);
    if (range) return { lists: range, used: 1 };
    const found = this.byDigits(word) ?? this.joined(word, next);
    if (found) return { lists: [found.items], used: found.used };
    const tail = this.tail(before, word);
    return tail && { lists: [tail], used: 1 };
  }
};

// src/core/matching/memo/shapes.ts
var STEM = String.raw`(?:[A-Z0-9]{1,6}[-/.]){0,3}[A-Z]{0,5}`;
var RANGE = new RegExp(
  String.raw`(?<![A-Z\d.,/-])(${STEM}\d{3,12}) ?(?:-|–|TO|THRU|THROUGH|BIS|AL|AU|A) ?(?:${STEM})(\d{2,12})(?![\d/]|[.,]\d)`,
  "g"
);
var PART = new RegExp(String.raw`${STEM}\d{2,12}[A-Z]?`, "g");
var LIST = new RegExp(
  String.raw`(?<![A-Z\d.,/-])(${STEM}\d{4,12}[A-Z]?)((?: ?[,/+&;] ?${STEM}\d{2,12}[A-Z]?){1,30})(?![.,]?\d)`,
  "g"
);
var GROUPS = /(?<![\dA-Z.,-])[A-Z]{0,4}(?:[/-]?\d{1,4})(?: ?[-/._ ] ?\d{1,6}[A-Z]?){1,4}(?![\dA-Z]|[.,]\d)/g;
function digitsSeen(text) {
  const letters = compact(text);
  return letters.slice(0, 1).replace(/[OIZSB]/g, lookalike) + lookalike(letters.slice(1));
}

// src/core/matching/memo/passes.ts
var Passes = class extends BookNumbers {
  /** Notes a number that was found; the word is taken off the text, and its place stays. */
  taken(reading, found) {
    const orders = found.how === "order" ? [] : this.order(found.word) ?? [];
    reading.mentions.push(mentionIn(reading.text, { ...found, orders }));
    return blank(found.word);
  }
  /** Creditor references; the end of one in groups of four is not marked: words behind are let go one by one. */
  references(rest, reading) {
    return rest.replace(
      /\bRF\d\d(?:[A-Z0-9]{3,21}|(?: [A-Z0-9]{1,4}){1,6})\b/g,
      (whole2, at) => {
        for (let length = whole2.length; length > 7; length = whole2.lastIndexOf(" ", length - 1)) {
          const word = whole2.slice(0, length);
          const items = this.creditorReference(word);
          if (items)
            return this.taken(reading, { word, at, how: "whole", items }) + whole2.slice(length);
        }
        return whole2;
      }
    );
  }
  ranges(rest, reading) {
    return rest.replace(RANGE, (word, from, to, at) => {
      const found = this.exact(word) ? void 0 : this.between(from, to);
      for (const items of found ?? [])
        reading.mentions.push(
          mentionIn(reading.text, { word, at, how: "digits", items, orders: [] })
        );
      return found ? blank(word) : word;
    });
  }
  /** `SI-106201,02,03` and `113130/147`: what the later ones lack they share with the first. */
  lists(rest, reading) {
    return rest.replace(LIST, (whole2, first, more, at) => {
      const head = this.exact(first) ?? this.byDigits(first)?.items;
      const found = [...more.matchAll(PART)].map((part) => ({
        word: part[0],
        at: at + first.length + part.index,
        items: this.exact(part[0]) ?? this.sharing(first, part[0]) ?? this.tail(coreOf(first), part[0])
      }));
      if (head === void 0 || found.some(({ items }) => items === void 0)) return whole2;
      this.taken(reading, { word: first, at, how: "whole", items: head });
      for (const { word, at: place, items } of found)
        this.taken(reading, { word, at: place, how: "digits", items: items ?? [] });
      return blank(whole2);
    });
  }
  /** Whole numbers wherever they stand; the words around them are then free to be dates, jobs or amounts. */
  wholeNumbers(rest, reading) {
    const taken = (word, at) => {
      const items = this.exact(word) ?? this.nearlyExact(word);
      if (items) return this.taken(reading, { word, at, how: "whole", items });
      if (!word.includes("/")) return word;
      return word.replace(/[A-Z0-9-]{3,}/g, (part, place) => {
        const named2 = this.exact(part);
        return named2 ? this.taken(reading, { word: part, at: at + place, how: "whole", items: named2 }) : part;
      });
    };
    return rest.replace(
      /(?<![$€£.,\dA-Z])[A-Z0-9][A-Z0-9/-]*[A-Z0-9](?![.,]\d\d?(?![\d-])|[A-Z0-9])/g,
      taken
    ).replace(
      /(?<![$€£.,\dA-Z])[A-Z0-9]{1,8}(?:[._][A-Z0-9]{2,12}){1,3}(?![.,]\d|[A-Z0-9])/g,
      (word, at) => /[.,]\d\d$/.test(word) ? word : taken(word, at)
    );
  }
  /** A prefix that stands apart from its number. */
  split(rest, reading) {
    return rest.replace(
      /\b([A-Z]{1,4})[ #]+(\d[\d/-]*)/g,
      (word, prefix, number, at) => {
        const items = this.whole.get(compact(prefix + number));
        return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
      }
    );
  }
  /** A number in groups, as people write what they read aloud: `10 90 55`, `2026 - 7933`. */
  spacedOut(rest, reading) {
    return rest.replace(GROUPS, (word, at) => {
      if (word.replace(/\D/g, "").length < 5) return word;
      const runs = word.trim().replace(/[^A-Z0-9]+/g, "-");
      const items = this.exact(word) ?? this.byRuns(runs);
      return items ? this.taken(reading, { word, at, how: "whole", items }) : word;
    });
  }
  orderWords(rest, reading) {
    const said = /\b(?:PO|P\.O\.|ORDER|BESTELLUNG)[ #:.]*[A-Z]{0,3}-?\d[\d-]*\b/g;
    return this.ordered(this.ordered(rest, reading, said), reading, /\b[A-Z]{1,5} ?-?\d[\d-]*\b/g);
  }
  ordered(rest, reading, words) {
    return rest.replace(words, (word, at) => {
      const items = this.order(word);
      return items ? this.taken(reading, { word, at, how: "order", items }) : word;
    });
  }
};

// src/core/matching/memo/memo.ts
var NumberIndex = class extends Passes {
  known = /* @__PURE__ */ new Map();
  constructor(items) {
    super();
    for (const item of items) this.enter(item, 1);
  }
  /** Numbers that are no longer open, and such as are now (again); memos are read anew after it. */
  change(gone, come) {
    for (const item of gone) this.enter(item, -1);
    for (const item of come) this.enter(item, 1);
    this.known.clear();
  }
  /** Reads a memo; kept by its text. */
  read(text) {
    if (!/\d|O{2}/i.test(text)) return NOTHING;
    const known = this.known.get(text);
    if (known) return known;
    const made = this.readAnew(text);
    this.known.set(text, made);
    return made;
  }
  readAnew(memo) {
    const reading = { text: this.unwrapped(capitals(memo)), mentions: [] };
    let rest = reading.text;
    for (const pass of [
      this.references,
      this.ranges,
      this.lists,
      this.wholeNumbers,
      this.split,
      this.spacedOut,
      this.orderWords
    ])
      rest = pass.call(this, rest, reading);
    const sums = rest.match(SUM)?.length ?? 0;
    for (const mask of NOT_NUMBERS) rest = rest.replace(mask, (word) => ";".padEnd(word.length));
    rest = this.ordered(rest, reading, /\b[A-Z]{0,3}-?\d[\d-]*\b/g);
    rest = rest.replace(
      /(?<![\d] )\b\d(?: \d)+\b(?! \d)/g,
      (spaced) => spaced.replaceAll(" ", "").padEnd(spaced.length)
    );
    const strays = this.words(rest, reading);
    const mentions = reading.mentions.sort((a, b) => a.at - b.at);
    return mentions.length === 0 && strays.length === 0 ? NOTHING : { mentions, strays, sums };
  }
  /**
   * The words that are left: by their digits, as tails of the number before, as ranges, joined to
   * the next; else strays.
   */
  words(rest, { text: whole2, mentions }) {
    const named2 = (word, at, items) => mentionIn(whole2, { word, at, how: "digits", items, orders: [] });
    const strays = [];
    const words = this.wordsOf(rest);
    for (let at = 0; at < words.length; at += 1) {
      const word = words[at];
      if (!word) continue;
      const next = words[at + 1];
      const before = coreOf(
        nearestBefore(mentions, word.at)?.items[0]?.number ?? strays[strays.length - 1]?.text ?? ""
      );
      const last = word.end >= rest.trimEnd().length;
      const found = this.meaningOf(word.text, next?.text, before);
      if (!found) strays.push(...this.stray(word, { before, last, whole: whole2 }));
      else {
        const text = found.used === 2 && next ? rest.slice(word.at, next.end) : word.text;
        mentions.push(...found.lists.map((items) => named2(text, word.at, items)));
        at += found.used - 1;
      }
    }
    return strays;
  }
  /** Words with digits; numbers with strokes between them that mean nothing together stand each for itself. */
  wordsOf(rest) {
    const text = rest.replace(
      /(?<![A-Z\d])[\dO-]{0,40}\dO[\dO]{0,40}(?![A-Z\d])/g,
      (word) => word.replaceAll("O", "0")
    );
    return [...text.matchAll(/[A-Z]{0,6}[-#/]?\d[\dA-Z]*(?:[-/][\dA-Z]+)*/g)].flatMap((found) => {
      const word = { text: found[0], at: found.index, end: found.index + found[0].length };
      const isOne = this.meaningOf(word.text, void 0, "") !== void 0 || this.looksOwn(word.text);
      if (isOne || !/\d\/\d/.test(word.text)) return [word];
      return [...word.text.matchAll(/[^/]+/g)].filter((part) => /\d/.test(part[0])).map((part) => ({
        text: part[0],
        at: word.at + part.index,
        end: word.at + part.index + part[0].length
      }));
    });
  }
  /** A word of at least two digits that nothing explains. */
  stray({ text, at }, { before, last, whole: whole2 }) {
    const written = text.replace(/\D/g, "");
    if (written.length < 2 || this.isStem(text)) return [];
    const tail = before !== "" && written.length <= before.length && !/^[A-Z]/.test(text);
    const { leftOut: leftOut2, stated } = aroundOf(whole2, at, text);
    return [
      {
        text,
        at,
        digits: allDigits(text),
        last,
        after: before,
        ownStyle: tail || this.looksOwn(text) || this.looksOwn(digitsSeen(text)),
        leftOut: leftOut2,
        stated
      }
    ];
  }
};

// src/core/matching/payers/weights.ts
var agreement = (m, u) => Math.log2(m / u);
var disagreement = (m, u) => Math.log2((1 - m) / (1 - u));

// src/core/matching/payers/evidence.ts
var log2 = Math.log2;
var AGREE = {
  email: agreement(0.95, 5e-4),
  learned: agreement(0.95, 2e-3),
  domain: agreement(0.6, 5e-3)
};
var OTHER_EMAIL = disagreement(0.6, 5e-4);
var isInitials = (word, name) => name.length >= 3 && word === name.map((part) => part[0]).join("");

// src/core/matching/payers/beginnings.ts
var Beginnings = class {
  entries;
  constructor(entries) {
    this.entries = [...entries].sort(([a], [b]) => a < b ? -1 : Number(a > b));
  }
  /** Whose names begin so, whether or not they go on; at most `most` names. */
  of(letters, most) {
    const found = [];
    for (let at = this.first(letters); at < this.entries.length && found.length < most; at += 1) {
      const [name, id] = this.entries[at] ?? ["", 0];
      if (!name.startsWith(letters)) break;
      found.push(id);
    }
    return found;
  }
  first(letters) {
    let [low, high] = [0, this.entries.length];
    while (low < high) {
      const middle = low + high >> 1;
      if ((this.entries[middle]?.[0] ?? "") < letters) low = middle + 1;
      else high = middle;
    }
    return low;
  }
};

// src/core/matching/payers/wordFit.ts
function wordFit(written, word) {
  if (written === word) return 1;
  if (written.length === 1 || word.length === 1) return written[0] === word[0] ? INITIAL : 0;
  return Math.max(
    fitOf(written, word),
    ...shortFormsOf(written).map((short) => word.startsWith(short) ? 0.9 : 0)
  );
}
var INITIAL = 0.65;
function fitOf(written, word) {
  if (written.length >= 3 && word.startsWith(written)) return 0.9;
  if (written.length >= 3 && isAbbreviation(written, word)) return 0.85;
  if (word.length < 4 || jaroWinkler(written, word) < 0.88) return 0;
  const slips = editDistance(written, word, 3);
  if (slips <= 1) return 0.92;
  if (slips === 2 && word.length >= 8) return 0.8;
  return 0;
}
var isAbbreviation = (short, long) => short.length < long.length && short[0] === long[0] && isSubsequence(short, long);
function isSubsequence(short, long) {
  let at = 0;
  for (const letter of long) if (letter === short[at]) at += 1;
  return at === short.length;
}

// src/core/matching/payers/nearly.ts
function nearest(form, names, rarity) {
  let best = null;
  for (const own of names) {
    const entry = nearly(form, own, rarity);
    if (entry !== null && (best === null || entry.weight > best.weight)) best = entry;
  }
  return best;
}
function nearly(form, own, rarity) {
  const free = [...form.words];
  const shown = form.cut ? shownOf(form.words, own) : own.length;
  let [found, all] = [0, 0];
  for (const word of own.slice(0, shown)) {
    all += rarity(word);
    const [fit, at] = bestOf(free, word);
    if (at >= 0) free.splice(at, 1);
    found += fit * rarity(word);
  }
  const strange = free.reduce((sum, word) => sum + Math.min(4, rarity(word)), 0);
  const share = found / (all + strange * 0.7);
  if (share < LEAST_SHARE) return null;
  return {
    weight: Math.max(0.5, (share - 0.55) * 20),
    alone: share >= 0.8 && found >= 9 || share >= 0.9 && found >= 6,
    reason: { code: "name", exact: false }
  };
}
var LEAST_SHARE = 0.62;
function bestOf(written, word) {
  let [best, at] = [0, -1];
  written.forEach((other, index) => {
    const fit = wordFit(other, word);
    if (fit > best) [best, at] = [fit, index];
  });
  return [best, at];
}
function shownOf(words, own) {
  const last = words[words.length - 1] ?? "";
  const at = words.length - 1;
  const next = own[at];
  if (own.length <= words.length) return own.length;
  if (next !== void 0 && next.startsWith(last)) return at + 1;
  return own.length;
}
function fitsInitials(words, own) {
  return words.length === own.length && words.every(
    (word, at) => word.length === 1 ? own[at]?.startsWith(word) : wordFit(word, own[at] ?? "") >= 0.85
  );
}

// src/core/matching/payers/learnedNames.ts
var LearnedNames = class {
  times = /* @__PURE__ */ new Map();
  names = [];
  beginnings = null;
  count(letters, key, by) {
    if (letters === "") return;
    const known = this.times.get(letters)?.times ?? 0;
    if (known + by > 0) this.times.set(letters, { key, times: known + by });
    else this.times.delete(letters);
    if (known === 0 || known + by <= 0) this.beginnings = null;
  }
  /** Keys of the names that begin so. */
  of(letters) {
    if (this.beginnings === null) {
      this.names = [...this.times.keys()];
      this.beginnings = new Beginnings(this.names.map((name, at) => [name, at]));
    }
    return this.beginnings.of(letters, MOST4).flatMap((at) => this.times.get(this.names[at] ?? "")?.key ?? []);
  }
};
var MOST4 = 8;

// src/core/matching/payers/spellings.ts
var LEAST2 = 5;
var Spellings = class {
  byRest = /* @__PURE__ */ new Map();
  constructor(words) {
    for (const word of words)
      if (word.length >= LEAST2) for (const rest of restsOf(word)) pushOnce(this.byRest, rest, word);
  }
  /** Known words that a written one may be by one slip: a letter too many, missing, wrong or swapped. */
  near(written) {
    if (written.length < LEAST2) return [];
    const found = /* @__PURE__ */ new Set();
    for (const rest of restsOf(written))
      for (const word of this.byRest.get(rest) ?? []) found.add(word);
    return [...found].slice(0, MOST5);
  }
};
var MOST5 = 40;
var restsOf = (word) => [
  word,
  ...Array.from(word, (_, at) => word.slice(0, at) + word.slice(at + 1))
];

// src/core/matching/payers/knownNames.ts
var MOST_CANDIDATES = 14;
var MOST_ALIKE = 60;
var SHORTEST_BEGINNING = 8;
var KnownNames = class {
  byId;
  heads = /* @__PURE__ */ new Map();
  /** The words of every name that a customer goes by, its own first. */
  words = /* @__PURE__ */ new Map();
  byEmail = /* @__PURE__ */ new Map();
  byDomain = /* @__PURE__ */ new Map();
  byName = /* @__PURE__ */ new Map();
  byWord = /* @__PURE__ */ new Map();
  byInitials = /* @__PURE__ */ new Map();
  byStart = /* @__PURE__ */ new Map();
  learned = /* @__PURE__ */ new Map();
  learnedLetters = new LearnedNames();
  letters = [];
  beginnings = null;
  spellings = null;
  constructor(customers) {
    this.byId = new Map(customers.map((customer) => [customer.id, customer]));
    for (const customer of customers) this.heads.set(customer.id, groupHead(customer, this.byId));
  }
  /** Enters a name that a customer goes by, and the names that stand in it. */
  call(id, name) {
    for (const part of [name, ...namesIn(name)]) {
      const words = nameWords(part);
      pushOnce(this.words, id, words);
      pushOnce(this.byName, [...words].sort().join(" "), id);
      this.letters.push([lettersOf(part), id]);
      if (words.length >= 3) pushOnce(this.byInitials, words.map((word) => word[0]).join(""), id);
      for (const word of new Set(words)) pushOnce(this.byWord, word, id);
      for (const start of new Set(words.map((word) => word.slice(0, 4))))
        pushOnce(this.byStart, start, id);
    }
  }
  enter({ payerName, payerEmail, customerId }, times) {
    const keys = payerKeys(payerName, payerEmail);
    const domain = `@@${ownDomain(payerEmail)}`;
    for (const key of keys.filter((known) => !known.startsWith("@@") || known === domain)) {
      const customers = this.learned.get(key) ?? /* @__PURE__ */ new Map();
      const now = (customers.get(customerId) ?? 0) + times;
      if (now > 0) customers.set(customerId, now);
      else customers.delete(customerId);
      if (customers.size > 0) this.learned.set(key, customers);
      else this.learned.delete(key);
    }
    this.learnedLetters.count(lettersOf(payerName), nameKey(payerName), times);
    return [...keys, `${BEGINS}${lettersOf(payerName)}`];
  }
  /** Keys by which a payer is known whose name may be one that was cut off. */
  keysOf({ keys, forms }) {
    const cut = forms.filter((form) => form.cut && form.letters.length >= SHORTEST_BEGINNING);
    return [
      .../* @__PURE__ */ new Set([...keys, ...cut.flatMap(({ letters }) => this.learnedLetters.of(letters))])
    ];
  }
  group(id) {
    return this.heads.get(id) ?? id;
  }
  candidates(query) {
    const { email, domain, forms } = query;
    const ids = /* @__PURE__ */ new Set();
    const take = (list) => {
      if (list && list.length <= MOST_ALIKE) for (const id of list) ids.add(id);
    };
    if (email !== "") take(this.byEmail.get(email));
    for (const own of domainsOf(domain)) take(this.byDomain.get(own));
    for (const key of this.keysOf(query))
      take([...this.learned.get(key)?.keys() ?? []].slice(0, 12));
    for (const form of forms) for (const id of this.called(form)) ids.add(id);
    return ids;
  }
  /** Customers that a written name may mean; one that is there to the letter needs no looking for names like it. */
  called(form) {
    const same = this.byName.get(form.name) ?? [];
    const begun = this.begun(form);
    const known = [...same, ...begun].slice(0, MOST_ALIKE);
    if (same.length > 0 && same.length <= MOST_ALIKE) return known;
    const initials = form.words.length === 1 ? this.byInitials.get(form.words[0] ?? "") ?? [] : [];
    return [...known, ...initials.slice(0, MOST_ALIKE), ...this.elected(form.words)];
  }
  /** Whose names begin as the letters do, to the letter or longer. */
  begun({ letters }) {
    if (letters.length < SHORTEST_BEGINNING) return [];
    this.beginnings ??= new Beginnings(this.letters);
    return this.beginnings.of(letters, MOST_ALIKE);
  }
  /** Those whose names share the most, and the rarest, words with what is written. */
  elected(words) {
    const votes = /* @__PURE__ */ new Map();
    const vote = (list, weight, most = 300) => {
      if (!list || list.length > most) return;
      for (const id of list)
        votes.set(id, (votes.get(id) ?? 0) + weight * log2(1 + this.byId.size / list.length));
    };
    const short = words.some((word) => word.length === 1);
    for (const word of new Set(words)) {
      const bearers = this.byWord.get(word);
      vote(bearers, 1);
      vote(this.byStart.get(word.slice(0, 4)), 0.5);
      if (bearers === void 0)
        for (const near of this.near(word)) vote(this.byWord.get(near), 0.8);
      if (short && word.length > 1)
        vote(this.whoseInitials(bearers ?? [], words), 1, MOST_WITH_INITIALS);
    }
    return [...votes].sort((a, b) => b[1] - a[1] || a[0] - b[0]).slice(0, MOST_CANDIDATES).map(([id]) => id);
  }
  near(word) {
    this.spellings ??= new Spellings(this.byWord.keys());
    return this.spellings.near(word);
  }
  /** Of many who share a word, those whose other words begin as written. */
  whoseInitials(bearers, words) {
    return bearers.filter(
      (id) => (this.words.get(id) ?? []).some((own) => fitsInitials(words, own))
    );
  }
  /** How many a name by which a payer is known could mean; an address means one. */
  namesakes(key, { forms }) {
    if (key.startsWith("@")) return 1;
    const form = forms.find(({ name }) => name === key) ?? forms[0];
    return Math.max(1, this.groupsOf([...this.byName.get(key) ?? [], ...this.cutAlike(form)]));
  }
  /** Whose names, as a field that was cut off carries them, may be what is written. */
  cutAlike(form) {
    return form?.cut ? this.begun(form) : [];
  }
  groupsOf(ids) {
    return new Set(ids.map((id) => this.group(id))).size;
  }
  /** How many bits it says that a name has this word. */
  rarity = (word) => log2(1 + this.byId.size / (this.byWord.get(word)?.length ?? 1));
};
var MOST_WITH_INITIALS = 60;

// src/core/matching/payers/payers.ts
var MOST_PAYERS = 8;
var PayerIndex = class extends KnownNames {
  constructor(input) {
    super(input.customers);
    this.input = input;
  }
  input;
  known = /* @__PURE__ */ new Map();
  isIndexed = false;
  /** Takes over payers that were found elsewhere (payersFor). */
  know(payers) {
    for (const [key, found] of payers) this.known.set(key, found);
  }
  /** The indexes are made when a payer is first looked for: where all were found before, never. */
  index() {
    if (this.isIndexed) return;
    this.isIndexed = true;
    for (const customer of this.input.customers) {
      if (customer.email) pushOnce(this.byEmail, customer.email.toLowerCase(), customer.id);
      const domain = customer.email ? ownDomain(customer.email) : null;
      if (domain) pushOnce(this.byDomain, domain, customer.id);
      for (const name of [customer.name, ...customer.aliases ?? []]) this.call(customer.id, name);
    }
    for (const paid of this.input.history) this.enter(paid, paid.times);
  }
  /**
   * Adds to what is known of a payer, or takes from it; receipts of the keys that are given back
   * read otherwise from then on.
   */
  learn(paid, times) {
    this.index();
    this.known.clear();
    return this.enter(paid, times);
  }
  /** Likely payers, best first; kept by what the receipt says of its payer. */
  find(receipt) {
    const key = `${receipt.payerName}
${receipt.payerEmail}`;
    const known = this.known.get(key);
    if (known) return known;
    this.index();
    const query = queryOf(receipt);
    const ranked = [...this.candidates(query)].map((id) => this.judge(id, query)).filter((payer) => payer.weight > 0).sort((a, b) => b.weight - a.weight || a.customerId - b.customerId);
    const least = ranked[MOST_PAYERS - 1]?.weight ?? 0;
    const payers = ranked.filter((payer) => payer.weight >= least);
    const made = this.withoutDoubt(payers);
    this.known.set(key, made);
    return made;
  }
  /** Only the first can be beyond doubt, and only where no other group comes near it. */
  withoutDoubt(payers) {
    const [best] = payers;
    const other = payers.find(
      (payer) => best && this.group(payer.customerId) !== this.group(best.customerId)
    );
    return payers.map((payer) => ({
      ...payer,
      beyondDoubt: payer.beyondDoubt && best !== void 0 && this.group(payer.customerId) === this.group(best.customerId) && (other === void 0 || other.weight < payer.weight - 3)
    }));
  }
  judge(id, query) {
    const evidence = [
      this.addressEvidence(id, query),
      this.paidBefore(id, query),
      this.nameEvidence(id, query)
    ].filter((part) => part !== null);
    return {
      customerId: id,
      weight: evidence.reduce((sum, { weight }) => sum + weight, 0),
      beyondDoubt: evidence.some(({ alone }) => alone),
      reasons: evidence.flatMap(({ reason }) => reason ?? [])
    };
  }
  addressEvidence(id, { email, domain }) {
    const own = this.byId.get(id)?.email;
    if (email === "" || !own) return null;
    if (own.toLowerCase() === email) {
      const shared = this.groupsOf(this.byEmail.get(email) ?? []);
      return {
        weight: AGREE.email - 2 * log2(shared),
        alone: shared === 1,
        reason: { code: "email" }
      };
    }
    const known = ownDomain(own);
    if (known === null || !domainsOf(domain).includes(known))
      return { weight: OTHER_EMAIL, alone: false, reason: null };
    const groups = this.groupsOf(this.byDomain.get(known) ?? []);
    return {
      weight: AGREE.domain - 2 * log2(groups),
      alone: groups === 1,
      reason: { code: "domain", domain: known }
    };
  }
  /**
   * A payer who paid before: for this customer alone, or (a payments service) for many. An address
   * says more than a name.
   */
  paidBefore(id, query) {
    let best = null;
    for (const key of this.keysOf(query)) {
      const customers = this.learned.get(key);
      const times = customers?.get(id) ?? 0;
      if (!customers || times === 0) continue;
      const groups = this.groupsOf([...customers.keys()]);
      const namesakes = this.namesakes(key, query);
      const weight = AGREE.learned * Math.min(1, 0.75 + times * 0.1) - 2.5 * log2(groups) - 2 * log2(namesakes);
      if (best === null || weight > best.weight)
        best = {
          weight,
          alone: groups === 1 && namesakes === 1,
          reason: { code: "paid_before", times }
        };
    }
    return best;
  }
  /**
   * The name that speaks most for a customer, of those that stand in what is written: to the letter,
   * as a field that was cut off shows it, by initials, or nearly.
   */
  nameEvidence(id, { forms }) {
    return forms.map((form) => this.evidenceOf(id, form)).reduce(
      (best, found) => found && (!best || found.weight > best.weight) ? found : best,
      null
    );
  }
  evidenceOf(id, form) {
    const same = this.byName.get(form.name);
    const begun = this.cutAlike(form);
    if (same?.includes(id)) return this.nameOf([...same, ...begun], 10, true);
    if (begun.includes(id)) return this.nameOf([...same ?? [], ...begun], 9, false);
    const names = this.words.get(id) ?? [];
    return this.initials(id, form.words, names) ?? nearest(form, names, this.rarity);
  }
  initials(id, [only = "", ...more], names) {
    if (more.length > 0 || !names.some((own) => isInitials(only, own))) return null;
    return { ...this.nameOf(this.byInitials.get(only) ?? [id], 2.5, false), alone: false };
  }
  nameOf(bearers, weight, exact) {
    const groups = this.groupsOf(bearers);
    return {
      weight: weight - 2 * log2(groups),
      alone: groups === 1,
      reason: { code: "name", exact }
    };
  }
};
function payersFor(input, receipts) {
  const index = new PayerIndex(input);
  return new Map(
    receipts.map((receipt) => [`${receipt.payerName}
${receipt.payerEmail}`, index.find(receipt)])
  );
}

// src/core/matching/engine/balances.ts
var Balances = class {
  /** `customers`: how many there are. */
  constructor(customers) {
    this.customers = customers;
  }
  customers;
  times = /* @__PURE__ */ new Map();
  count({ currency, balance }, by) {
    const key = `${currency} ${balance}`;
    this.times.set(key, (this.times.get(key) ?? 0) + by);
  }
  /**
   * Bits that it says that somebody has an item of just this balance: how few of
   * all customers could. It hangs on that balance alone, so that a change of
   * other items changes nothing.
   */
  rarity(currency, balance) {
    const alike2 = Math.max(1, this.times.get(`${currency} ${balance}`) ?? 0);
    return Math.max(0, Math.log2(this.customers / alike2));
  }
};

// src/core/matching/engine/standing.ts
function surchargeBy(percent) {
  const ratio = percent === null ? null : ratioOf(percent);
  return (method, sum) => method === "card" && ratio?.ok ? percentOf(sum, ratio.value, "half-even") : minor(0);
}
function habitsOf(input) {
  return new Map((input.habits ?? []).map((habit) => [habit.customerId, habit]));
}
var oldestFirst = (a, b) => earlierFirst(a.dueOn, b.dueOn) || a.id - b.id;
function creditsOf({ credits = [] }, payers) {
  const sums = /* @__PURE__ */ new Map();
  for (const { customerId, sum } of credits) {
    const group = payers.group(customerId);
    sums.set(group, (sums.get(group) ?? 0) + sum);
  }
  return sums;
}
function withBalance(list, whole2, balance) {
  const others = list.filter(({ id }) => id !== whole2.id);
  if (balance === 0) return others;
  const item = balance === whole2.balance ? whole2 : { ...whole2, balance, touched: true };
  return [...others, item].sort(oldestFirst);
}

// src/core/matching/engine/claims.ts
var Claims = class {
  constructor(input) {
    this.input = input;
    this.payers = new PayerIndex(input);
    this.numbers = new NumberIndex(input.items);
    this.habits = habitsOf(input);
    this.credits = creditsOf(input, this.payers);
    this.balances = new Balances(input.customers.length);
    for (const item of input.items) this.balances.count(item, 1);
    this.fill(input.items);
  }
  input;
  byCustomer = /* @__PURE__ */ new Map();
  byGroup = /* @__PURE__ */ new Map();
  touchedItems = /* @__PURE__ */ new Set();
  touchedGroups = /* @__PURE__ */ new Set();
  named = /* @__PURE__ */ new Set();
  balances;
  payers;
  numbers;
  habits;
  credits;
  fill(items) {
    const [byCustomer, byGroup] = [/* @__PURE__ */ new Map(), /* @__PURE__ */ new Map()];
    for (const item of [...items].sort(oldestFirst)) {
      listOf(byCustomer, item.customerId).push(item);
      listOf(byGroup, this.payers.group(item.customerId)).push(item);
    }
    for (const [id, list] of byCustomer) this.byCustomer.set(id, list);
    for (const [id, list] of byGroup)
      this.byGroup.set(
        id,
        byCustomer.get(id)?.length === list.length ? this.byCustomer.get(id) ?? list : list
      );
  }
  /** Takes over what is different in a book; gives the keys of payers of whom more (or less) is known now. */
  change(next, { gone, come, paid }) {
    this.input = next;
    this.ids = null;
    this.habits = habitsOf(next);
    this.credits = creditsOf(next, this.payers);
    if (gone.length > 0 || come.length > 0) this.numbers.change(gone, come);
    for (const item of gone) this.balances.count(item, -1);
    for (const item of come) this.balances.count(item, 1);
    return new Set(paid.flatMap(([payer, times]) => this.payers.learn(payer, times)));
  }
  /** Every item of these groups is as it was before any receipt claimed it. */
  release(groups) {
    const items = this.input.items.filter(
      ({ customerId }) => groups.has(this.payers.group(customerId))
    );
    for (const [id] of [...this.byCustomer])
      if (groups.has(this.payers.group(id))) this.byCustomer.delete(id);
    for (const group of groups) {
      this.byGroup.delete(group);
      this.touchedGroups.delete(group);
    }
    for (const { id } of items) {
      this.touchedItems.delete(id);
      this.named.delete(id);
    }
    this.fill(items);
  }
  /** What readings are made from: items as receipts have left them. */
  around(graceDays) {
    const percent = this.input.settings.surchargePercent ?? null;
    return {
      payers: this.payers,
      graceDays,
      surcharge: surchargeBy(percent),
      surchargePercent: percent ?? "",
      habit: (id) => this.habits.get(id),
      credit: (id) => this.credits.get(this.payers.group(id)) ?? 0,
      rarity: (currency, balance) => this.balances.rarity(currency, balance),
      memo: (text) => this.numbers.read(text),
      scope: (id) => (this.payers.group(id) === id ? this.byGroup : this.byCustomer).get(id) ?? []
    };
  }
  /** The same with every item as it was before any receipt claimed it. */
  unclaimed(graceDays) {
    const of = (is) => this.input.items.filter(is).sort(oldestFirst);
    return {
      ...this.around(graceDays),
      scope: (id) => of(
        (item) => this.payers.group(id) === id ? this.payers.group(item.customerId) === id : item.customerId === id
      )
    };
  }
  /** Takes over who paid, found elsewhere meanwhile (payersFor). */
  knowPayers(payers) {
    this.payers.know(payers);
  }
  groupOf(customerId) {
    return this.payers.group(customerId);
  }
  /** Whether the memo names an item in another currency than the receipt's. */
  namesForeign(receipt) {
    return isForeign(this.numbers.read(textOf(receipt)), receipt.currency);
  }
  /** Whether an item that these readings rest on has been claimed since they were made. */
  touches(drafts) {
    return this.touchedItems.size > 0 && drafts.some(
      (draft) => draft.customerId !== null && this.touchedGroups.has(this.payers.group(draft.customerId)) || draft.lines.some((line) => this.touchedItems.has(line.itemId))
    );
  }
  take(reading, named2) {
    for (const line of reading.lines) {
      this.move(line, -1);
      if (named2) this.named.add(line.itemId);
    }
  }
  /** Whether a receipt that is sure of it claimed an item by its number. */
  isNamed = (itemId) => this.named.has(itemId);
  /** What a reading had claimed is free again. */
  giveBack(reading) {
    for (const line of reading.lines) {
      this.move(line, 1);
      this.named.delete(line.itemId);
    }
  }
  move(line, by) {
    const whole2 = this.itemById(line.itemId);
    if (!whole2) return;
    const group = this.payers.group(whole2.customerId);
    this.touchedItems.add(whole2.id);
    this.touchedGroups.add(group);
    const standing = this.byCustomer.get(whole2.customerId)?.find(({ id }) => id === whole2.id);
    const balance = add(standing?.balance ?? 0, by * line.amount, by * line.discount);
    const shared = this.byCustomer.get(whole2.customerId) === this.byGroup.get(group);
    this.byCustomer.set(
      whole2.customerId,
      withBalance(this.byCustomer.get(whole2.customerId) ?? [], whole2, balance)
    );
    const own = this.byCustomer.get(whole2.customerId) ?? [];
    const all = this.byGroup.get(group) ?? [];
    this.byGroup.set(group, shared ? own : withBalance(all, whole2, balance));
  }
  ids = null;
  itemById(id) {
    this.ids ??= new Map(this.input.items.map((item) => [item.id, item]));
    return this.ids.get(id);
  }
};

// src/core/matching/engine/difference.ts
var MOST6 = 2e3;
function differenceOf(before, next) {
  if (before.settings.discountGraceDays !== next.settings.discountGraceDays || before.settings.smallDifferenceLimit !== next.settings.smallDifferenceLimit || before.settings.surchargePercent !== next.settings.surchargePercent || before.settings.riskLimit !== next.settings.riskLimit)
    return null;
  if (before.customers.length !== next.customers.length || next.customers.some((customer, at) => !sameCustomer(customer, before.customers[at])))
    return null;
  const items = both(
    before.items,
    next.items,
    ({ id }) => id,
    alike("balance", "number", "total", "dueOn", "issuedOn", "customerId", "poNumber", "terms")
  );
  const receipts = both(before.receipts, next.receipts, ({ id }) => id, sameReceipt);
  const paid = payersOf(before.history, next.history);
  if (items.gone.length + items.come.length + receipts.come.length + paid.length > MOST6)
    return null;
  return {
    gone: items.gone,
    come: items.come,
    newReceipts: receipts.come,
    goneReceipts: receipts.gone,
    paid,
    customers: customersTouched(before, next)
  };
}
function customersTouched(before, next) {
  const habits = both(
    before.habits ?? [],
    next.habits ?? [],
    ({ customerId }) => customerId,
    alike("receipts", "quoted", "several", "late")
  );
  const placed = both(
    before.placed,
    next.placed,
    ({ id }) => id,
    alike("customerId", "paidOn", "amount")
  );
  const credits = both(
    before.credits ?? [],
    next.credits ?? [],
    ({ customerId }) => customerId,
    alike("sum")
  );
  const touched = [habits, placed, credits].flatMap(
    ({ gone, come }) => [...gone, ...come].map(({ customerId }) => customerId)
  );
  return [...new Set(touched)];
}
var adviceOf = ({ remittance = [] }) => remittance.map(({ number, amount }) => `${number} ${amount}`).join(";");
var sameFields = alike(
  "amount",
  "paidOn",
  "payerName",
  "payerEmail",
  "reference",
  "currency"
);
var sameReceipt = (a, b) => sameFields(a, b) && adviceOf(a) === adviceOf(b);
function sameCustomer(a, b) {
  return b !== void 0 && a.id === b.id && a.name === b.name && a.email === b.email && a.parentId === b.parentId && (a.aliases ?? []).join("\n") === (b.aliases ?? []).join("\n");
}
function alike(...fields) {
  return (a, b) => fields.every((field) => a[field] === b[field]);
}
function both(before, next, key, same) {
  const old = new Map(before.map((entry) => [key(entry), entry]));
  const [gone, come] = [[], []];
  for (const entry of next) {
    const was = old.get(key(entry));
    old.delete(key(entry));
    if (was !== void 0 && same(was, entry)) continue;
    if (was !== void 0) gone.push(was);
    come.push(entry);
  }
  return { gone: [...gone, ...old.values()], come };
}
function payersOf(before, next) {
  const key = (paid) => `${paid.customerId}
${paid.payerEmail}
${paid.payerName}`;
  const more = /* @__PURE__ */ new Map();
  const add2 = (paid, times) => {
    const known = more.get(key(paid)) ?? [paid, 0];
    more.set(key(paid), [paid, known[1] + times]);
  };
  for (const paid of before) add2(paid, -paid.times);
  for (const paid of next) add2(paid, paid.times);
  return [...more.values()].filter(([, times]) => times !== 0);
}

// src/core/matching/decision/weights.generated.ts
var WEIGHTS = {
  account: -1.87,
  alike2: -0.58,
  alike3: -0.88,
  all: 1.04,
  also: -1.38,
  bits1: -1.01,
  bits2: -0.75,
  bits4: 0.8,
  certain: 0.96,
  chance0: 1.06,
  chance1: -0.35,
  chance2: -1.7,
  chance4: 1.46,
  check: -1.76,
  claim: 1.82,
  claimed: -1.02,
  credit: 1.99,
  cut: 0.93,
  "cut/credit": 0.14,
  "cut/credit check": 0.09,
  "cut/credit likely": 0.08,
  "cut/exact": 0.32,
  "cut/exact alike3": 0.13,
  "cut/exact also": -0.62,
  "cut/exact certain": 0.31,
  "cut/exact check": 0.35,
  "cut/exact doubt-ways": 0.13,
  "cut/exact group": -0.22,
  "cut/exact held": -0.62,
  "cut/exact likely": -0.29,
  "cut/exact other_reading": 0.13,
  "cut/exact sure": 0.56,
  "cut/exact weak": 0.19,
  "cut/fee": 0.2,
  "cut/fee certain": 0.11,
  "cut/fee doubt-odd": -0.05,
  "cut/fee doubts": -0.05,
  "cut/fee held": 0.09,
  "cut/fee likely": 0.06,
  "cut/fee sure": 0.14,
  "cut/gap alike2": -0.05,
  "cut/gap certain": 0.5,
  "cut/gap chance3": 0.23,
  "cut/gap chance4": -0.24,
  "cut/gap doubt-ways": -0.05,
  "cut/gap group": 0.8,
  "cut/gap likely": -0.5,
  "cut/gap other_reading": -0.29,
  "cut/gap unread": 0.22,
  "cut/over": -0.06,
  "cut/over certain": -0.18,
  "cut/over check": 0.11,
  "cut/over claimed": -0.59,
  "cut/over doubt-much": -0.14,
  "cut/over doubt-stated": 0.15,
  "cut/over group": 0.06,
  "cut/over held": -0.31,
  "cut/over likely": 0.2,
  "cut/over sure": 0.14,
  "cut/over weak": -0.08,
  "cut/short": -0.62,
  "cut/short certain": -0.62,
  "cut/short check": -0.62,
  "cut/short doubt-stated": 0.37,
  "cut/short doubt-sums": -0.08,
  "cut/short doubts": -0.08,
  "cut/short unread": -0.15,
  "cut/told": 0.16,
  "cut/told certain": 0.14,
  "cut/told sure": 0.16,
  damaged: 1.06,
  "damaged/claim": 0.11,
  "damaged/claim certain": 0.09,
  "damaged/claim group": 0.06,
  "damaged/claim sure": 0.09,
  "damaged/credit": 0.05,
  "damaged/discount": 0.13,
  "damaged/discount check": 0.12,
  "damaged/discount other": 0.12,
  "damaged/exact": 0.23,
  "damaged/exact alike2": -0.23,
  "damaged/exact also": -0.77,
  "damaged/exact certain": -0.11,
  "damaged/exact check": 0.29,
  "damaged/exact claimed": 0.54,
  "damaged/exact doubt-ways": -0.23,
  "damaged/exact group": -0.1,
  "damaged/exact held": -0.25,
  "damaged/exact other": 0.16,
  "damaged/exact other_reading": -0.32,
  "damaged/exact sure": 0.21,
  "damaged/exact weak": 0.13,
  "damaged/fee certain": 0.14,
  "damaged/fee check": -0.15,
  "damaged/fee likely": -0.23,
  "damaged/fee sure": 0.14,
  "damaged/fee weak": 0.07,
  "damaged/gap": 0.07,
  "damaged/gap alike2": -0.36,
  "damaged/gap certain": -0.18,
  "damaged/gap chance2": -0.14,
  "damaged/gap chance3": 0.14,
  "damaged/gap chance4": 0.08,
  "damaged/gap check": -0.13,
  "damaged/gap doubt-ways": -0.36,
  "damaged/gap foreign": -0.14,
  "damaged/gap group": -0.37,
  "damaged/gap likely": 0.22,
  "damaged/gap other_reading": -0.36,
  "damaged/gap sure": 0.2,
  "damaged/gap unread": 0.12,
  "damaged/mended": 0.08,
  "damaged/mended certain": 0.08,
  "damaged/mended chance4": 0.08,
  "damaged/mended check": 0.08,
  "damaged/mended doubt-open": 0.08,
  "damaged/over": -0.07,
  "damaged/over certain": -0.11,
  "damaged/over check": -0.14,
  "damaged/over doubt-nearly": -0.34,
  "damaged/over doubt-open": -0.12,
  "damaged/over doubts": -0.12,
  "damaged/over other_reading": -0.22,
  "damaged/over sure": 0.07,
  "damaged/part": 0.11,
  "damaged/part certain": -0.29,
  "damaged/part doubt-open": -0.16,
  "damaged/part doubts": -0.18,
  "damaged/part group": 0.3,
  "damaged/part held": 0.11,
  "damaged/part likely": 0.25,
  "damaged/part other_reading": -0.29,
  "damaged/part weak": 0.16,
  "damaged/short": 0.2,
  "damaged/short certain": 0.2,
  "damaged/short check": 0.2,
  "damaged/short doubt-nearly": 0.2,
  "damaged/short doubt-sums": 0.2,
  "damaged/short doubts": 0.2,
  "damaged/told": -0.1,
  "damaged/told certain": -0.13,
  "damaged/told check": 0.11,
  "damaged/told claimed": -0.28,
  "damaged/told foreign": 0.09,
  "damaged/told held": -0.28,
  "damaged/told sure": 0.06,
  digits: 1.12,
  "digits/claim": 0.09,
  "digits/claim check": 0.05,
  "digits/credit": 0.22,
  "digits/credit certain": 0.12,
  "digits/credit check": 0.09,
  "digits/credit sure": 0.12,
  "digits/credit unknown": 0.07,
  "digits/discount": 0.07,
  "digits/discount certain": 0.06,
  "digits/discount sure": 0.06,
  "digits/exact": 0.78,
  "digits/exact also": -1.05,
  "digits/exact certain": 0.34,
  "digits/exact check": 0.55,
  "digits/exact doubt-out": -0.35,
  "digits/exact group": -0.16,
  "digits/exact held": -1.05,
  "digits/exact likely": 0.6,
  "digits/exact other": 0.29,
  "digits/exact sure": 0.9,
  "digits/exact unknown": 0.55,
  "digits/exact unread": -0.31,
  "digits/fee": 0.51,
  "digits/fee also": 0.06,
  "digits/fee certain": 0.17,
  "digits/fee doubt-odd": -0.23,
  "digits/fee doubt-sums": 0.2,
  "digits/fee held": 0.22,
  "digits/fee sure": 0.21,
  "digits/fee unknown": 0.17,
  "digits/fee weak": 0.1,
  "digits/gap alike2": -0.11,
  "digits/gap chance3": -0.57,
  "digits/gap chance4": 0.54,
  "digits/gap check": -0.18,
  "digits/gap claimed": 0.23,
  "digits/gap doubt-ways": -0.11,
  "digits/gap group": 0.25,
  "digits/gap likely": 0.17,
  "digits/gap other_reading": 0.07,
  "digits/gap sure": 0.16,
  "digits/gap unknown": -0.42,
  "digits/gap unread": 0.25,
  "digits/gap weak": 0.22,
  "digits/mended": -0.17,
  "digits/mended certain": -0.17,
  "digits/mended chance4": -0.17,
  "digits/mended check": -0.17,
  "digits/mended group": 0.06,
  "digits/next": 0.16,
  "digits/next chance2": 0.12,
  "digits/next check": 0.13,
  "digits/next unknown": 0.13,
  "digits/over certain": -0.06,
  "digits/over check": -0.5,
  "digits/over claimed": -0.28,
  "digits/over doubt-much": -0.21,
  "digits/over doubt-sums": -0.27,
  "digits/over doubts": -0.28,
  "digits/over foreign": -0.35,
  "digits/over group": -0.23,
  "digits/over held": 0.1,
  "digits/over other_reading": -0.35,
  "digits/over sure": 0.36,
  "digits/over unknown": 0.2,
  "digits/over weak": -0.22,
  "digits/part": -0.1,
  "digits/part check": -0.14,
  "digits/part group": 0.08,
  "digits/part other": -0.33,
  "digits/part other_reading": -0.17,
  "digits/part unknown": 0.12,
  "digits/part weak": 0.06,
  "digits/short": -0.14,
  "digits/short certain": -0.42,
  "digits/short check": -0.14,
  "digits/short doubt-stated": -0.12,
  "digits/short doubt-sums": -0.12,
  "digits/short doubts": -0.12,
  "digits/short likely": 0.09,
  "digits/short unknown": 0.16,
  "digits/told": 0.15,
  "digits/told certain": 0.08,
  "digits/told check": 0.06,
  "digits/told sure": 0.09,
  discount: 1.75,
  double: -1.27,
  "doubt-ahead": 1.23,
  "doubt-equal": 0.11,
  "doubt-later": -2.43,
  "doubt-much": -2.69,
  "doubt-nearly": -0.91,
  "doubt-odd": -2.4,
  "doubt-open": -1.25,
  "doubt-out": -2.08,
  "doubt-site": -0.95,
  "doubt-stated": -1.03,
  "doubt-sums": -1.27,
  "doubt-told": -0.13,
  "doubt-ways": -0.35,
  doubts: -1.75,
  due: 1.08,
  equal: -0.94,
  exact: 0.99,
  fee: 1.51,
  foreign: -0.32,
  gap: 0.41,
  held: -0.93,
  late: 1.18,
  likely: 1.05,
  mended: -0.08,
  next: 1.11,
  none: 0.61,
  "none/account": -1.17,
  "none/account certain": -1.16,
  "none/account check": -1.17,
  "none/account claimed": -0.07,
  "none/account double": -0.46,
  "none/account other_reading": -0.41,
  "none/all": 0.38,
  "none/all also": 0.13,
  "none/all bits3": 0.16,
  "none/all certain": 0.25,
  "none/all doubt-later": -0.26,
  "none/all likely": 0.06,
  "none/all sure": 0.32,
  "none/all weak": 0.07,
  "none/credit": 0.06,
  "none/discount": 0.21,
  "none/discount certain": 0.2,
  "none/discount check": 0.09,
  "none/discount doubt-told": 0.1,
  "none/discount other_reading": 0.08,
  "none/discount sure": 0.1,
  "none/due": 0.23,
  "none/due bits3": 0.06,
  "none/due certain": 0.14,
  "none/due check": -0.05,
  "none/due doubt-later": -0.15,
  "none/due held": 0.14,
  "none/due likely": 0.09,
  "none/due sure": 0.15,
  "none/oldest": -0.33,
  "none/oldest alike2": 0.34,
  "none/oldest alike3": -0.06,
  "none/oldest also": 0.3,
  "none/oldest bits1": -0.15,
  "none/oldest bits2": -0.83,
  "none/oldest bits3": -0.26,
  "none/oldest bits4": 0.54,
  "none/oldest certain": 0.37,
  "none/oldest check": -0.33,
  "none/oldest claimed": -0.69,
  "none/oldest foreign": 0.71,
  "none/oldest likely": -0.71,
  "none/oldest other_reading": 0.35,
  "none/oldest shape-all-but-a-rest": -0.14,
  "none/oldest shape-all-but-a-rest-digits": -0.12,
  "none/oldest shape-only": 0.22,
  "none/oldest shape-only-digits": 0.27,
  "none/oldest shape-over": 0.11,
  "none/oldest shape-over-digits": 0.17,
  "none/oldest shape-part-of-many": -0.25,
  "none/oldest shape-part-of-many-digits": -0.15,
  "none/oldest shape-several-digits": -0.4,
  "none/oldest skipped": 0.48,
  "none/oldest unread": -2.31,
  "none/rounded": 0.39,
  "none/rounded also": 0.08,
  "none/rounded bits2": 0.06,
  "none/rounded certain": 0.29,
  "none/rounded check": 0.39,
  "none/rounded group": 0.14,
  "none/rounded likely": 0.1,
  "none/rounded other_reading": 0.28,
  "none/rounded skipped": 0.2,
  "none/several alike2": 0.13,
  "none/several alike3": 0.14,
  "none/several bits2": -0.19,
  "none/several certain": 0.18,
  "none/several chance0": 0.2,
  "none/several chance1": -0.06,
  "none/several chance2": -0.29,
  "none/several chance3": 0.1,
  "none/several chance4": 0.05,
  "none/several check": -0.3,
  "none/several claimed": 0.17,
  "none/several doubt-told": 0.24,
  "none/several group": 0.13,
  "none/several held": 0.24,
  "none/several likely": -0.17,
  "none/several other_reading": 0.2,
  "none/several sure": 0.07,
  "none/several unread": -0.28,
  "none/single": 0.49,
  "none/single alike2": -0.23,
  "none/single also": 1.39,
  "none/single bits1": 0.36,
  "none/single bits2": 0.59,
  "none/single bits4": -0.49,
  "none/single certain": 0.41,
  "none/single check": -1.01,
  "none/single claimed": 0.81,
  "none/single doubt-ahead": 0.21,
  "none/single equal": -0.21,
  "none/single foreign": -0.33,
  "none/single group": 0.12,
  "none/single held": 0.24,
  "none/single likely": 0.49,
  "none/single other_reading": 1.22,
  "none/single skipped": -0.67,
  "none/single sure": 0.98,
  "none/single unread": 0.72,
  "none/statement": 0.57,
  "none/statement also": 0.11,
  "none/statement bits2": 0.2,
  "none/statement certain": 0.33,
  "none/statement check": 0.2,
  "none/statement claimed": -0.09,
  "none/statement likely": 0.09,
  "none/statement sure": 0.37,
  "none/statement weak": 0.16,
  "none/told-oldest alike2": -0.09,
  "none/told-oldest alike3": -0.35,
  "none/told-oldest also": -0.07,
  "none/told-oldest bits1": -0.41,
  "none/told-oldest certain": 0.56,
  "none/told-oldest check": 0.07,
  "none/told-oldest claimed": 0.44,
  "none/told-oldest doubt-site": -0.16,
  "none/told-oldest group": -1.6,
  "none/told-oldest held": 0.7,
  "none/told-oldest likely": -0.66,
  "none/told-oldest other_reading": -0.07,
  "none/told-oldest sure": -0.7,
  "none/told-oldest weak": 0.15,
  oldest: -0.74,
  order: 1.89,
  "order/exact": 0.37,
  "order/exact certain": 0.24,
  "order/exact check": 0.1,
  "order/exact sure": 0.26,
  "order/exact unknown": 0.08,
  "order/over": 0.1,
  "order/over check": 0.06,
  "order/over likely": 0.06,
  other: -1.54,
  other_reading: -1.73,
  over: 0.83,
  part: 0.7,
  rounded: 2.32,
  several: 0.22,
  "shape-all-but-a-rest": -0.85,
  "shape-all-but-a-rest-digits": -0.71,
  "shape-only": 1.3,
  "shape-only-digits": 1.59,
  "shape-over": 0.62,
  "shape-over-digits": 0.95,
  "shape-part-of-few": -0.11,
  "shape-part-of-few-digits": 0.08,
  "shape-part-of-many": -1.5,
  "shape-part-of-many-digits": -0.91,
  "shape-several": -0.13,
  "shape-several-digits": -2.43,
  short: 0.75,
  single: 0.58,
  skipped: 0.11,
  statement: 1.54,
  sure: 1.1,
  told: 0.93,
  "told-oldest": 0.29,
  unknown: 1.21,
  unread: -0.99,
  weak: 1.96,
  whole: 1.03,
  "whole/claim": 0.12,
  "whole/claim certain": 0.09,
  "whole/claim check": 0.09,
  "whole/claim foreign": 0.09,
  "whole/credit": 0.29,
  "whole/credit certain": 0.23,
  "whole/credit check": 0.11,
  "whole/credit sure": 0.15,
  "whole/discount": 0.32,
  "whole/discount certain": 0.3,
  "whole/discount sure": 0.32,
  "whole/exact": 0.96,
  "whole/exact alike2": -0.08,
  "whole/exact also": 0.18,
  "whole/exact certain": 0.93,
  "whole/exact check": 0.32,
  "whole/exact group": 0.42,
  "whole/exact held": 0.18,
  "whole/exact likely": 0.48,
  "whole/exact other": 0.17,
  "whole/exact other_reading": -0.22,
  "whole/exact sure": 0.92,
  "whole/exact unknown": 0.17,
  "whole/exact unread": 0.11,
  "whole/exact weak": 0.22,
  "whole/fee": 0.76,
  "whole/fee alike2": 0.6,
  "whole/fee certain": 0.53,
  "whole/fee check": 0.14,
  "whole/fee doubt-odd": -0.12,
  "whole/fee doubt-ways": 0.6,
  "whole/fee doubts": 0.6,
  "whole/fee held": 0.08,
  "whole/fee likely": 0.05,
  "whole/fee other": 0.13,
  "whole/fee other_reading": 0.6,
  "whole/fee sure": 0.6,
  "whole/fee unknown": 0.13,
  "whole/gap": -0.15,
  "whole/gap certain": -0.28,
  "whole/gap chance3": -0.17,
  "whole/gap check": 0.89,
  "whole/gap foreign": 0.55,
  "whole/gap group": 0.06,
  "whole/gap likely": 0.07,
  "whole/gap sure": -1.04,
  "whole/gap unknown": 0.06,
  "whole/gap unread": 0.26,
  "whole/late": 0.23,
  "whole/late certain": 0.22,
  "whole/late sure": 0.23,
  "whole/mended": 0.08,
  "whole/mended certain": 0.08,
  "whole/mended chance3": 0.2,
  "whole/mended chance4": -0.12,
  "whole/mended check": 0.08,
  "whole/mended doubt-sums": -0.16,
  "whole/mended other_reading": -0.16,
  "whole/over": 0.47,
  "whole/over certain": 0.65,
  "whole/over check": -0.68,
  "whole/over claimed": -0.39,
  "whole/over doubt-much": -0.09,
  "whole/over doubt-stated": -0.19,
  "whole/over doubts": -0.06,
  "whole/over foreign": -0.96,
  "whole/over group": -0.44,
  "whole/over likely": 0.09,
  "whole/over other": 0.17,
  "whole/over other_reading": -0.26,
  "whole/over sure": 0.79,
  "whole/over unknown": -0.93,
  "whole/over unread": 1.03,
  "whole/over weak": 0.24,
  "whole/part": 0.46,
  "whole/part certain": 0.9,
  "whole/part check": -1.04,
  "whole/part doubt-stated": -0.24,
  "whole/part doubt-sums": 0.05,
  "whole/part doubt-told": -0.39,
  "whole/part group": -0.1,
  "whole/part held": 0.08,
  "whole/part likely": 0.13,
  "whole/part other": -0.97,
  "whole/part other_reading": -0.52,
  "whole/part sure": 0.8,
  "whole/part unknown": -0.47,
  "whole/part unread": 0.18,
  "whole/part weak": 0.05,
  "whole/short": 0.62,
  "whole/short certain": 0.54,
  "whole/short check": 0.62,
  "whole/short doubt-stated": -0.2,
  "whole/short doubt-sums": -0.1,
  "whole/short doubts": -0.2,
  "whole/short group": 0.08,
  "whole/short unknown": 0.06,
  "whole/told certain": 0.6,
  "whole/told check": 0.27,
  "whole/told foreign": 0.07,
  "whole/told group": -0.22,
  "whole/told likely": -0.14,
  "whole/told other_reading": 0.19,
  "whole/told sure": -0.24,
  "whole/told weak": -0.6
};

// src/core/matching/decision/calibration.ts
function patternOf(draft, decision, against2, alike2) {
  const has = (code) => draft.reasons.some((reason) => reason.code === code);
  return [
    decision,
    draft.numbers,
    draft.sum,
    draft.who,
    draft.shape === "" ? "" : `shape-${draft.shape.replaceAll(" ", "-")}`,
    has("against_number") ? "foreign" : "",
    has("against_unread") ? "unread" : "",
    draft.skipped > 0 ? "skipped" : "",
    ...[...new Set(draft.doubts)].sort().map((doubt) => `doubt-${doubt}`),
    draft.doubts.length > 1 ? "doubts" : "",
    ...against2.map(({ code }) => code.replace("against_", "")).sort(),
    alike2 > 1 ? `alike${Math.min(alike2, 3)}` : "",
    has("equal_items") ? "equal" : "",
    has("group") ? "group" : "",
    draft.chance > 0 ? `chance${Math.max(0, Math.min(4, Math.round(-Math.log10(draft.chance))))}` : "",
    draft.numbers === "none" && draft.who !== "certain" ? `bits${Math.min(4, Math.floor(draft.bits / 5))}` : ""
  ].filter((part) => part !== "").join(" ");
}
function featuresOf(pattern) {
  const [decision = "", numbers = "", sum = "", ...more] = pattern.split(" ");
  const kind = `${numbers}/${sum}`;
  return [
    "all",
    decision,
    numbers,
    sum,
    kind,
    `${kind} ${decision}`,
    ...more.flatMap((word) => [word, `${kind} ${word}`])
  ];
}
function confidenceOf(pattern) {
  const logit = featuresOf(pattern).reduce((sum, feature) => sum + (WEIGHTS[feature] ?? 0), 0);
  const rate = 1 / (1 + Math.exp(-logit));
  return Math.min(0.9999, Math.max(5e-4, Number(rate.toFixed(4))));
}

// src/core/matching/engine/assign.ts
var MOST_TOGETHER2 = 40;
var MOST_TRIES = 5e4;
function exactOnes(drafts) {
  return drafts.filter(
    (draft) => draft.numbers === "none" && draft.lines.length > 0 && draft.onAccount === 0 && OUT_TO_THE_CENT.has(draft.sum)
  );
}
var balancesOf = (draft) => draft.lines.map((line) => line.amount + line.discount).sort((a, b) => a - b);
function takes(draft) {
  return balancesOf(draft).join(" ");
}
function assign(contenders, balances) {
  const free = new Free(balances);
  const claimants = contenders.map(({ id, drafts }) => {
    const choices2 = drafts.map((draft) => ({ draft, takes: balancesOf(draft) }));
    return { id, choices: choices2, top: Math.max(0, ...drafts.map(({ score }) => score)) };
  }).filter(({ choices: choices2 }) => choices2.length > 0);
  return new Map(
    sharing(claimants).flatMap(
      (together) => [...settle(together, free).of].map(
        ([id, choice]) => [id, choice.takes.join(" ")]
      )
    )
  );
}
var Free = class {
  left = /* @__PURE__ */ new Map();
  constructor(balances) {
    for (const balance of balances) this.move(balance, 1);
  }
  move(balance, by) {
    this.left.set(balance, (this.left.get(balance) ?? 0) + by);
  }
  /** Takes what a reading takes, if all of it is there. */
  take({ takes: takes2 }) {
    for (const balance of takes2) this.move(balance, -1);
    if (takes2.every((balance) => (this.left.get(balance) ?? 0) >= 0)) return true;
    this.giveBack({ takes: takes2 });
    return false;
  }
  giveBack({ takes: takes2 }) {
    for (const balance of takes2) this.move(balance, 1);
  }
};
function sharing(claimants) {
  const wanting = /* @__PURE__ */ new Map();
  for (const claimant of claimants)
    for (const balance of new Set(claimant.choices.flatMap(({ takes: takes2 }) => takes2)))
      listOf(wanting, balance).push(claimant);
  const seen = /* @__PURE__ */ new Set();
  return claimants.flatMap((first) => {
    if (seen.has(first)) return [];
    seen.add(first);
    const together = [first];
    for (const { choices: choices2 } of together)
      for (const other of choices2.flatMap(
        ({ takes: takes2 }) => takes2.flatMap((balance) => wanting.get(balance) ?? [])
      ))
        if (!seen.has(other)) {
          seen.add(other);
          together.push(other);
        }
    return [together];
  });
}
var totalOf = (scores) => scores.reduce((all, score) => all + score, 0);
var isBetter = (one, other) => one.count > other.count || one.count === other.count && one.score > other.score;
var ORDERS = [
  (a, b) => a.choices.length - b.choices.length || a.id - b.id,
  (a, b) => b.top - a.top || a.id - b.id,
  (a, b) => a.id - b.id
];
function settle(together, free) {
  const best = ORDERS.map((order2) => inTurn([...together].sort(order2), free)).reduce(
    (all, next) => isBetter(next, all) ? next : all
  );
  return together.length > MOST_TOGETHER2 ? best : exactly([...together].sort(ORDERS[0]), free, best);
}
function inTurn(ordered, free) {
  const of = /* @__PURE__ */ new Map();
  for (const { id, choices: choices2 } of ordered) {
    const choice = choices2.find((some) => free.take(some));
    if (choice) of.set(id, choice);
  }
  for (const choice of of.values()) free.giveBack(choice);
  return { of, count: of.size, score: totalOf([...of.values()].map(({ draft }) => draft.score)) };
}
function exactly(ordered, free, atLeast) {
  const ahead = ordered.map((_, at) => totalOf(ordered.slice(at).map(({ top }) => top)));
  let best = atLeast;
  let tries = 0;
  const search = (at, so) => {
    if (isBetter(so, best)) best = so;
    const claimant = ordered[at];
    if (!claimant || (tries += 1) > MOST_TRIES) return;
    const most = {
      ...so,
      count: so.count + ordered.length - at,
      score: so.score + (ahead[at] ?? 0)
    };
    if (!isBetter(most, best)) return;
    for (const choice of claimant.choices) {
      if (!free.take(choice)) continue;
      search(at + 1, {
        of: new Map([...so.of, [claimant.id, choice]]),
        count: so.count + 1,
        score: so.score + choice.draft.score
      });
      free.giveBack(choice);
    }
    search(at + 1, so);
  };
  search(0, { of: /* @__PURE__ */ new Map(), count: 0, score: 0 });
  return best;
}

// src/core/matching/memo/numberWords.ts
function numberWords(memo) {
  return numberSpots(memo).map(({ text }) => text);
}
function numberSpots(memo) {
  return [...memo.matchAll(/[A-Za-z0-9][A-Za-z0-9/-]*/g)].map((found) => ({ at: found.index, text: found[0] })).filter(({ text }) => /\d/.test(text));
}

// src/core/matching/engine/judged.ts
var MOST_READINGS = 6;
function isSmallShort({ sum, reasons }, limit) {
  if (!RESTS.has(sum)) return false;
  return reasons.some(
    (reason) => (reason.code === "against_short" || reason.code === "fee" || reason.code === "claim") && reason.by <= limit || reason.code === "discount" && !reason.inTime && reason.sum <= limit
  );
}
var RESTS = /* @__PURE__ */ new Set(["part", "fee", "claim", "late"]);
function closedNumbers(receipt, closed, drafts) {
  if (closed.size === 0) return [];
  const used = new Set(drafts[0]?.lines.map((line) => line.number.toUpperCase()));
  return numberSpots(textOf(receipt)).map(({ at, text }) => ({ at, text: text.toUpperCase() })).filter(({ text }) => closed.has(text) && !used.has(text));
}
var RISK_LIMIT = 0.05;
function judged(receipt, now, before, { isNamed, riskLimit, ...seen }) {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const changed = before[0] !== void 0 && isTakenAway(before[0], best, isNamed);
  const shown = seen.doubleOf !== null && best.lines.length > 0 ? onAccountFirst(receipt, best, now) : [...now];
  const found = decide(best, now.slice(1), { ...seen, claimed: changed });
  const kept = found.decision === "none" && best.lines.length === 0 ? [] : shown.slice(0, MOST_READINGS);
  const alike2 = now.filter(
    (other) => other.score >= best.score - 1 && other.lines.length > 0
  ).length;
  const word = found.held ? "held" : found.decision;
  const pattern = patternOf(shown[0] ?? best, word, found.against, alike2);
  const certain = confidenceOf(pattern);
  const { decision, against: against2 } = withinLimit(found, certain, riskLimit ?? RISK_LIMIT);
  return {
    receiptId: receipt.id,
    decision,
    readings: kept.map(
      (draft, index) => index === 0 ? finish(draft, against2, certain, pattern) : finish(draft, [], Number(((1 - certain) * 0.6 / 2 ** (index - 1)).toFixed(4)), pattern)
    )
  };
}
function withinLimit({ decision, against: against2, held }, certain, limit) {
  const isWithin = 1 - certain <= limit;
  if (held && isWithin) return { decision: "sure", against: against2 };
  if (decision !== "sure" || isWithin) return { decision, against: against2 };
  return { decision: "check", against: [...against2, { code: "against_risk", certain }] };
}
function onAccountFirst(receipt, best, drafts) {
  const kept = drafts.find(
    (draft) => draft.lines.length === 0 && draft.customerId === best.customerId
  ) ?? {
    ...best,
    lines: [],
    onAccount: receipt.amount,
    sum: "account",
    numbers: "none",
    reasons: best.reasons.filter((reason) => !reason.code.startsWith("sum"))
  };
  return [kept, ...drafts.filter((draft) => draft !== kept)];
}
function isClosed(reason, against2) {
  const closed = against2.find(({ code }) => code === "against_closed");
  return reason.code === "against_unread" && closed?.code === "against_closed" && reason.spots.every(({ text }) => closed.spots.some((spot) => spot.text === text));
}
function finish(draft, against2, certain, pattern) {
  return {
    customerId: draft.customerId,
    lines: draft.lines,
    onAccount: draft.onAccount,
    confidence: certain,
    pattern,
    ...draft.surcharge === void 0 ? {} : { surcharge: draft.surcharge },
    reasons: [...draft.reasons.filter((reason) => !isClosed(reason, against2)), ...against2]
  };
}
var closedOf = (input) => new Map(input.closed.map((entry) => [entry.number.toUpperCase(), entry.customerId]));
var hasItsOwn = ({ sum, chance }) => sum === "single" || sum === "all" || sum === "due" || sum === "several" && chance < 0.1;
var isLoose = ({ sum }) => LOOSE3.has(sum);
var LOOSE3 = /* @__PURE__ */ new Set(["part", "short", "over", "fee", "late"]);
function isTakenAway(before, now, isNamed) {
  if (moneyOf(before) === moneyOf(now)) return false;
  if (before.numbers !== "none") return true;
  if (before.customerId === now.customerId && takes(before) === takes(now)) return false;
  const kept = new Set(now.lines.map(({ itemId }) => itemId));
  const gone = before.lines.filter(({ itemId }) => !kept.has(itemId));
  return !gone.every(({ itemId }) => isNamed(itemId));
}
var isPlaced = (proposal) => proposal?.decision === "sure" && proposal.readings[0]?.pattern.split(" ")[1] !== "none";

// src/core/matching/engine/plan.ts
var lookedAt = (receipt, around) => ({
  receipt,
  before: readingsOf(receipt, around),
  groups: groupsFor(receipt, around)
});
var Plan = class {
  constructor(all, claims, around) {
    this.claims = claims;
    this.around = around;
    for (const looked of all) {
      const best = looked.before[0];
      if (best && best.customerId !== null && best.numbers === "none" && best.lines.length > 0)
        listOf(this.waiting, claims.groupOf(best.customerId)).push(looked);
    }
  }
  claims;
  around;
  waiting = /* @__PURE__ */ new Map();
  chosen = /* @__PURE__ */ new Map();
  yielding = /* @__PURE__ */ new Set();
  choose(group, together) {
    const contenders = together.map(({ receipt, before }) => ({
      id: receipt.id,
      drafts: exactOnes(this.claims.touches(before) ? readingsOf(receipt, this.around) : before)
    }));
    const chosen = assign(
      contenders,
      this.around.scope(group).map(({ balance }) => balance)
    );
    for (const { id, drafts } of contenders) {
      const taking = chosen.get(id);
      if (taking !== void 0) this.chosen.set(id, taking);
      else if (drafts[0]?.sum === "several") this.yielding.add(id);
    }
  }
  /** Whether a receipt comes out only at the cost of others that could: they go first. */
  yields(receiptId) {
    return this.yielding.has(receiptId);
  }
  /** The readings of a receipt, the planned one first if it is still there. */
  first(receipt, now) {
    const best = now[0];
    if (!best || best.customerId === null || best.numbers !== "none") return now;
    const group = this.claims.groupOf(best.customerId);
    const together = this.waiting.get(group);
    if (together && together.length > 1) this.choose(group, together);
    this.waiting.delete(group);
    const taking = this.chosen.get(receipt.id);
    const planned = taking === void 0 || taking === takes(best) ? void 0 : now.find((draft) => takes(draft) === taking);
    return planned ? [planned, ...now.filter((draft) => draft !== planned)] : now;
  }
};

// src/core/matching/engine/rivals.ts
var Rivals = class {
  constructor(looks, isPlaced2) {
    this.isPlaced = isPlaced2;
    for (const look of looks) listOf(this.sameSum, look.receipt.amount).push(look);
    this.claimants = byMoney(looks);
  }
  isPlaced;
  sameSum = /* @__PURE__ */ new Map();
  claimants;
  /** What speaks against a reading of a receipt; `paid` knows what was paid so far. */
  of(receipt, best, paid) {
    if (!best) return { doubleOf: null, alsoOn: null };
    const alike2 = this.sameSum.get(receipt.amount) ?? [];
    const alsoOn = best.numbers === "none" ? earlierFor(receipt, best, this.claimants, this.isPlaced) : resentOn(receipt, best, alike2);
    if (best.numbers !== "none" && best.flaws === 0)
      return { alsoOn, doubleOf: isLoose(best) ? sameAgain(receipt, alike2) : null };
    return { alsoOn, doubleOf: hasItsOwn(best) ? null : paid.doubleOf(best.customerId, receipt) };
  }
};

// src/core/matching/engine/propose.ts
var Matcher = class {
  constructor(input) {
    this.input = input;
    this.claims = new Claims(input);
    this.around = this.claims.around(input.settings.discountGraceDays);
    this.closed = closedOf(input);
    this.countPaid();
  }
  input;
  claims;
  around;
  looks = /* @__PURE__ */ new Map();
  proposals = /* @__PURE__ */ new Map();
  closed;
  paid = new PaidSums([]);
  rivals = new Rivals([], () => false);
  /** Reads all memos, which needs no payers: those may be looked for in another thread meanwhile. */
  readMemos() {
    for (const receipt of this.input.receipts) this.around.memo(textOf(receipt));
  }
  /** Takes over who paid (payersFor), for every receipt; `history` is not needed then. */
  knowPayers(payers) {
    this.claims.knowPayers(payers);
  }
  /** Proposals for every receipt, in the order of the input. */
  all() {
    for (const receipt of this.input.receipts) this.look(receipt);
    this.settleAll(this.input.receipts);
    return this.stated();
  }
  /**
   * Proposals for the book as it is now, the same as made anew, but judged anew
   * only where the difference can reach; null where that is everything.
   */
  update(next) {
    const difference = differenceOf(this.input, next);
    if (difference === null) return null;
    const mentioned = new Map(
      this.input.receipts.map((receipt) => [receipt.id, this.mentionsOf(receipt)])
    );
    const keys = this.claims.change(next, difference);
    this.input = next;
    this.closed = closedOf(next);
    const items = [...difference.gone, ...difference.come];
    const touched = [...items.map(({ customerId }) => customerId), ...difference.customers];
    const groups = new Set(touched.map((id) => this.claims.groupOf(id)));
    const others = next.receipts.filter(
      (receipt) => isTouchedBy(keys, receipt.payerName, receipt.payerEmail) || mentioned.get(receipt.id) !== this.mentionsOf(receipt)
    );
    for (const { id } of [...difference.goneReceipts, ...others, ...difference.newReceipts])
      for (const group of this.looks.get(id)?.groups ?? []) groups.add(group);
    for (const { id } of difference.goneReceipts) {
      this.looks.delete(id);
      this.proposals.delete(id);
    }
    for (const receipt of /* @__PURE__ */ new Set([...others, ...difference.newReceipts])) {
      this.look(receipt);
      for (const group of groupsFor(receipt, this.around)) groups.add(group);
    }
    const changed = [...difference.newReceipts, ...difference.goneReceipts, ...others];
    const sums = [...changed.map(({ amount }) => amount), ...items.map(({ balance }) => balance)];
    const reached = affectedReceipts(next.receipts, this.looks, groups, new Set(sums));
    this.claims.release(reached.groups);
    for (const receipt of reached.receipts) {
      this.look(receipt);
      this.proposals.delete(receipt.id);
    }
    this.countPaid();
    this.settleAll(reached.receipts);
    return this.stated();
  }
  /**
   * One receipt again, as it reads now (its memo mended, its payer known), with
   * the claims of all others standing. Call `all` once before.
   */
  again(receipt) {
    const [standing] = this.proposals.get(receipt.id)?.readings ?? [];
    if (standing && this.proposals.get(receipt.id)?.decision !== "none")
      this.claims.giveBack(standing);
    const before = readingsOf(
      receipt,
      this.claims.unclaimed(this.input.settings.discountGraceDays)
    );
    return this.settle({ receipt, before, groups: [] }, readingsOf(receipt, this.around));
  }
  stated() {
    return this.input.receipts.flatMap(({ id }) => this.proposals.get(id) ?? []);
  }
  look(receipt) {
    this.looks.set(receipt.id, lookedAt(receipt, this.around));
  }
  mentionsOf = (receipt) => mentionsOf(this.around.memo(textOf(receipt)));
  /** What was paid before, and by the receipts whose proposals stand. */
  countPaid() {
    this.paid = new PaidSums(this.input.placed);
    for (const receipt of this.input.receipts) {
      const standing = this.proposals.get(receipt.id);
      if (standing && standing.decision !== "none")
        this.paid.add(standing.readings[0]?.customerId ?? null, receipt);
    }
  }
  settleAll(receipts) {
    const looks = this.input.receipts.flatMap(({ id }) => this.looks.get(id) ?? []);
    this.rivals = new Rivals(looks, (id) => isPlaced(this.proposals.get(id)));
    const first = receipts.flatMap(({ id }) => {
      const look = this.looks.get(id);
      return look ? [{ ...look, rank: certainty(look.before) }] : [];
    });
    twinsTogether(first);
    first.sort((a, b) => b.rank - a.rank || order(a.receipt, b.receipt));
    const plan = new Plan(first, this.claims, this.around);
    const late = [];
    for (const judged2 of first) {
      const now = plan.first(judged2.receipt, this.now(judged2));
      if (now[0]?.sum === "oldest" || plan.yields(judged2.receipt.id)) late.push(judged2);
      else this.settle(judged2, now);
    }
    for (const judged2 of late) this.settle(judged2, this.now(judged2));
  }
  /** Whether a receipt is sure of a home by a number that it names. */
  isPlaced(receiptId) {
    const proposal = this.proposals.get(receiptId);
    return proposal?.decision === "sure" && proposal.readings[0]?.pattern.split(" ")[1] !== "none";
  }
  now({ receipt, before }) {
    return this.claims.touches(before) ? readingsOf(receipt, this.around) : before;
  }
  /** Judges a receipt by its readings as they are now, and claims what the best one takes. */
  settle({ receipt, before }, now) {
    const [best] = now;
    const proposal = judged(receipt, now, before, {
      ...this.rivals.of(receipt, best, this.paid),
      closed: closedNumbers(receipt, this.closed, now),
      smallShort: !!best && isSmallShort(best, this.input.settings.smallDifferenceLimit),
      foreignCurrency: this.claims.namesForeign(receipt),
      riskLimit: this.input.settings.riskLimit,
      isNamed: this.claims.isNamed
    });
    this.proposals.set(receipt.id, proposal);
    const [chosen] = proposal.readings;
    if (chosen && proposal.decision !== "none") {
      this.claims.take(chosen, proposal.decision === "sure" && best?.numbers !== "none");
      this.paid.add(chosen.customerId, receipt);
    }
    return proposal;
  }
};

export {
  nameWords,
  payersFor,
  numberWords,
  Matcher,
  reasonInWords
};
