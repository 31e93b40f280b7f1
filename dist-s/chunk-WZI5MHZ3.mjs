import {
  LARGEST_SUM,
  add,
  addDays,
  addMonths,
  convertBack,
  daysBetween,
  dueDay,
  endOfMonth,
  formatAmount,
  inCurrency,
  minor,
  minorDigits,
  mulDiv,
  negate,
  occurrence,
  occurrenceBefore,
  parseDay,
  parseTerms,
  ratioOf,
  split,
  sumOf,
  textProblem
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/core/invoices/states.ts
var NEXT = {
  ask: { draft: "waiting", waiting: null, approved: null, dropped: null },
  approve: { draft: "approved", waiting: "approved", approved: null, dropped: null },
  return: { draft: null, waiting: "draft", approved: null, dropped: null },
  drop: { draft: "dropped", waiting: "dropped", approved: null, dropped: null },
  take_up: { draft: null, waiting: null, approved: null, dropped: "draft" }
};
function nextStage(stage, event) {
  const next = NEXT[event][stage];
  return next === null ? fail("document.stage", { stage: STAGE_WORDS[stage], event }) : ok(next);
}
var STAGE_WORDS = {
  draft: "a draft",
  waiting: "waiting for approval",
  approved: "approved",
  dropped: "dropped"
};

// src/core/invoices/decimal.ts
var MOST_PLACES = 6;
var MOST_WHOLE = 12;
function decimalOf(text) {
  const match = /^([-+]?)(\d{0,40})(?:\.(\d{0,40}))?$/.exec(text.trim());
  const [, sign = "", whole = "", behind = ""] = match ?? [];
  if (!match || whole === "" && behind === "")
    return fail("decimal.unreadable", { text: text.slice(0, 40) });
  const digits = behind.replace(/0{1,40}$/, "");
  if (digits.length > MOST_PLACES || whole.replace(/^0{1,40}/, "").length > MOST_WHOLE)
    return fail("decimal.places", { text: text.slice(0, 40), places: MOST_PLACES });
  const units = BigInt(`${whole}${digits}` || "0");
  return ok({ units: sign === "-" ? -units : units, places: digits.length });
}
function decimalText({ units, places }) {
  const size2 = (units < 0n ? -units : units).toString().padStart(places + 1, "0");
  const whole = size2.slice(0, size2.length - places);
  const behind = size2.slice(size2.length - places).replace(/0{1,40}$/, "");
  const sign = units < 0n ? "-" : "";
  return `${sign}${whole}${behind === "" ? "" : `.${behind}`}`;
}
function times(a, b) {
  return { units: a.units * b.units, places: a.places + b.places };
}
function toMinor(value, currency, rounding) {
  return mulDiv(
    1,
    value.units * 10n ** BigInt(minorDigits(currency)),
    10n ** BigInt(value.places),
    rounding
  );
}

// src/core/invoices/earning.ts
var earnedOn = (firstOn, monthNo) => endOfMonth(addMonths(`${firstOn.slice(0, 8)}01`, monthNo - 1));
function monthsDue({ firstOn, months, released }, today) {
  const due = [];
  for (let monthNo = released + 1; monthNo <= months; monthNo += 1) {
    const on = earnedOn(firstOn, monthNo);
    if (on > today) break;
    due.push({ monthNo, on });
  }
  return due;
}
function nextPart(left, monthsLeft) {
  const [part] = split(
    left,
    Array.from({ length: monthsLeft }, () => 1)
  );
  if (part === void 0) throw new RangeError("there is no month left");
  return part;
}

// src/core/invoices/covering.ts
var COVERS = {
  en: {
    subject: "{% if is_credit %}Credit note{% else %}Invoice{% endif %} {{ number }} from {{ business }}",
    body: `{{ customer }},

{% if is_credit %}here is credit note {{ number }} of {{ total }}.{% else %}here is invoice {{ number }} of {{ total }}, due on {{ due }}.{% endif %} It is attached as a PDF, with its data inside.
{% if link != "" %}
The paper: {{ link }}{% endif %}{% if account != "" %}
All that is open, and the way to pay: {{ account }}
{% endif %}
{{ business }}
`
  },
  es: {
    subject: "{% if is_credit %}Nota de cr\xE9dito{% else %}Factura{% endif %} {{ number }} de {{ business }}",
    body: `{{ customer }}:

{% if is_credit %}Adjuntamos la nota de cr\xE9dito {{ number }} de {{ total }}.{% else %}Adjuntamos la factura {{ number }} de {{ total }}, con vencimiento el {{ due }}.{% endif %} El PDF contiene tambi\xE9n sus datos.
{% if link != "" %}
El documento: {{ link }}{% endif %}{% if account != "" %}
Todo lo pendiente y c\xF3mo pagar: {{ account }}
{% endif %}
{{ business }}
`
  },
  fr: {
    subject: "{% if is_credit %}Avoir{% else %}Facture{% endif %} {{ number }} de {{ business }}",
    body: `{{ customer }},

{% if is_credit %}Veuillez trouver ci-joint l\u2019avoir {{ number }} de {{ total }}.{% else %}Veuillez trouver ci-joint la facture {{ number }} de {{ total }}, \xE0 r\xE9gler pour le {{ due }}.{% endif %} Le PDF en contient aussi les donn\xE9es.
{% if link != "" %}
Le document : {{ link }}{% endif %}{% if account != "" %}
Tout ce qui est ouvert, et comment payer : {{ account }}
{% endif %}
{{ business }}
`
  },
  de: {
    subject: "{% if is_credit %}Gutschrift{% else %}Rechnung{% endif %} {{ number }} von {{ business }}",
    body: `{{ customer }},

{% if is_credit %}anbei die Gutschrift {{ number }} \xFCber {{ total }}.{% else %}anbei die Rechnung {{ number }} \xFCber {{ total }}, f\xE4llig am {{ due }}.{% endif %} Das PDF enth\xE4lt auch ihre Daten.
{% if link != "" %}
Das Papier: {{ link }}{% endif %}{% if account != "" %}
Alles, was offen ist, und wie man zahlt: {{ account }}
{% endif %}
{{ business }}
`
  }
};
var coverTemplate = (language) => COVERS[language] ?? COVERS.en;

// src/core/invoices/line.ts
function lineAmount({ quantity, rate, discountPercent }, currency) {
  const parts = [];
  for (const [field, text] of Object.entries({
    quantity,
    rate,
    discount_percent: discountPercent ?? "0"
  })) {
    const read = decimalOf(text);
    if (!read.ok)
      return fail(read.error.code === "decimal.places" ? "document.places" : "document.number", {
        field,
        text
      });
    parts.push(read.value);
  }
  const [amount, each, off] = parts;
  if (!isPercent(off))
    return fail("document.discount", { field: "discount_percent", text: discountPercent });
  const left = {
    units: 100n * 10n ** BigInt(off.places) - off.units,
    places: off.places + 2
  };
  const product = times(times(amount, each), left);
  if (size(product.units) / 10n ** BigInt(product.places) > LARGEST_WHOLE)
    return fail("document.large", { field: "rate" });
  return ok(toMinor(product, currency, "half-up"));
}
var LARGEST_WHOLE = BigInt(LARGEST_SUM) / 100n;
var size = (units) => units < 0n ? -units : units;
var isPercent = ({ units, places }) => units >= 0n && units <= 100n * 10n ** BigInt(places);

// src/core/invoices/instalments.ts
function readPlan(text) {
  const pieces = text.split(/[;+]/).map((piece) => piece.replace(/\s{1,40}/g, " ").trim());
  if (pieces.length === 1) return wholePlan(text);
  if (pieces.length > MOST_PARTS) return fail("plan.parts", { most: MOST_PARTS });
  const parts = [];
  let left = ALL;
  for (const [at, piece] of pieces.entries()) {
    const isLast = at === pieces.length - 1;
    const part = partOf(piece, isLast ? left : null);
    if (!part.ok) return part;
    left -= part.value.weight;
    if (part.value.weight <= 0 || left < 0) return fail("plan.percent", { text: piece });
    parts.push(part.value);
  }
  return left === 0 ? ok(parts) : fail("plan.percent", { text: text.trim() });
}
var MOST_PARTS = 24;
var ALL = 1e8;
var PART = /^(?:(\d{1,3}(?:\.\d{1,12})?) ?%|rest) (?=\S)/i;
function wholePlan(text) {
  const terms = parseTerms(text);
  return terms.ok ? ok([{ weight: ALL, said: text, terms: terms.value }]) : terms;
}
function partOf(piece, rest) {
  const [begun = "", percent] = PART.exec(piece) ?? [];
  const said = piece.slice(begun.length);
  const terms = parseTerms(said);
  if (!terms.ok) return fail("terms.unreadable", { text: piece });
  if (begun === "") return fail("plan.percent", { text: piece });
  if (percent === void 0)
    return rest === null ? fail("plan.percent", { text: piece }) : ok({ weight: rest, said, terms: terms.value });
  const weight = decimalOf(percent);
  if (!weight.ok) return fail("plan.percent", { text: piece });
  return ok({ weight: inMillionths(weight.value), said, terms: terms.value });
}
var inMillionths = ({ units, places }) => Number(units) * 10 ** (MOST_PLACES - places);
function instalmentsOf(plan, issuedOn, total) {
  const sums = split(
    total,
    plan.map(({ weight }) => weight)
  );
  return plan.map(({ said, terms }, at) => ({
    dueOn: dueDay(issuedOn, terms),
    sum: sums[at] ?? minor(0),
    terms: said
  })).filter(({ sum }) => sum !== 0 || plan.length === 1).sort((a, b) => a.dueOn.localeCompare(b.dueOn));
}

// src/core/invoices/look.ts
function inWords(look, kept) {
  const details = kept.find(({ name }) => name === look.bank);
  return details ? { ...look, bank: details.words } : look;
}
var USUAL_LOOK = {
  name: "Usual",
  accent: "#1f1c17",
  letters: "plain",
  size: "usual",
  above: "",
  below: "",
  quantities: true,
  rates: true,
  lines: "all",
  oneLine: "",
  bank: "",
  code: false,
  slip: false,
  logo: null
};
function shownLines(lines, look) {
  const sum = (of) => of.reduce((so, { amount }) => so + amount, 0);
  if (look.lines === "one")
    return [
      {
        item: null,
        description: look.oneLine || (lines[0]?.description ?? ""),
        amount: sum(lines),
        line: null
      }
    ];
  if (look.lines === "all")
    return lines.map((line) => ({
      item: line.item,
      description: line.description,
      amount: line.amount,
      line
    }));
  const groups = /* @__PURE__ */ new Map();
  for (const line of lines) {
    const name = line.item ?? line.description;
    groups.set(name, [...groups.get(name) ?? [], line]);
  }
  return [...groups.values()].map((group) => ({
    item: group[0]?.item ?? null,
    description: group[0]?.description ?? "",
    amount: sum(group),
    line: group.length === 1 ? group[0] ?? null : null
  }));
}

// src/core/invoices/numbering.ts
function numberOf(prefix, issuedOn, running) {
  return `${prefix}${issuedOn.slice(0, 4)}-${String(running).padStart(4, "0")}`;
}
var partNumber = (number, at) => `${number}${String.fromCharCode(FIRST_LETTER + at)}`;
var FIRST_LETTER = 65;

// src/core/invoices/paperSums.ts
function paperSums({ currency, discount, charges, taxes, taxIncluded }, said) {
  return [
    ...discount === 0 ? [] : [{ words: said.discount, sum: -discount }],
    ...charges.map(({ words, sum }) => ({ words, sum })),
    ...taxes.filter(({ code }) => code !== "").map(({ code, percent, net, sum }) => ({
      words: `${code} ${percent} % ${taxIncluded ? said.within : `${said.on} ${formatAmount(net, currency)}`}`,
      sum
    }))
  ];
}
var paperParts = ({ number, parts = [] }, dayWords) => parts.map(({ dueOn, sum }, at) => ({
  words: `${number === null ? "" : `${partNumber(number, at)}, `}${dayWords(dueOn)}`,
  sum
}));

// src/core/invoices/paperWords.ts
var ENGLISH = {
  invoice: "Invoice",
  credit_note: "Credit note",
  draft: "(draft)",
  date: "Date",
  due: "Due",
  po: "PO number",
  corrects: "Corrects invoice",
  description: "Description",
  quantity: "Quantity",
  rate: "Rate",
  amount: "Amount",
  less: "less",
  discount: "Discount",
  on: "on",
  within: "in it",
  total: "Total",
  withheld: "Withheld",
  payable: "To be paid",
  questions: "Questions",
  tax_number: "Tax number",
  pay_here: "Your account, and the way to pay",
  bank: "By bank",
  slip: "Please return this slip with your payment",
  paid: "Amount paid",
  deposit: "Deposit of",
  less_deposit: "Less deposit",
  in_parts: "Due in parts"
};
var WORDS = {
  en: ENGLISH,
  es: {
    invoice: "Factura",
    credit_note: "Nota de cr\xE9dito",
    draft: "(borrador)",
    date: "Fecha",
    due: "Vencimiento",
    po: "Pedido",
    corrects: "Corrige la factura",
    description: "Descripci\xF3n",
    quantity: "Cantidad",
    rate: "Precio",
    amount: "Importe",
    less: "menos",
    discount: "Descuento",
    on: "sobre",
    within: "incluido",
    total: "Total",
    withheld: "Retenido",
    payable: "A pagar",
    questions: "Preguntas",
    tax_number: "N\xFAmero fiscal",
    pay_here: "Su cuenta y c\xF3mo pagar",
    bank: "Por banco",
    slip: "Devuelva este tal\xF3n con su pago",
    paid: "Importe pagado",
    deposit: "Anticipo del",
    less_deposit: "Menos anticipo",
    in_parts: "Vence en plazos"
  },
  fr: {
    invoice: "Facture",
    credit_note: "Avoir",
    draft: "(brouillon)",
    date: "Date",
    due: "\xC9ch\xE9ance",
    po: "Commande",
    corrects: "Corrige la facture",
    description: "D\xE9signation",
    quantity: "Quantit\xE9",
    rate: "Prix",
    amount: "Montant",
    less: "moins",
    discount: "Remise",
    on: "sur",
    within: "inclus",
    total: "Total",
    withheld: "Retenu",
    payable: "\xC0 payer",
    questions: "Questions",
    tax_number: "Num\xE9ro fiscal",
    pay_here: "Votre compte, et comment payer",
    bank: "Par banque",
    slip: "Merci de joindre ce talon \xE0 votre paiement",
    paid: "Montant pay\xE9",
    deposit: "Acompte de",
    less_deposit: "Moins acompte",
    in_parts: "Payable en plusieurs fois"
  },
  de: {
    invoice: "Rechnung",
    credit_note: "Gutschrift",
    draft: "(Entwurf)",
    date: "Datum",
    due: "F\xE4llig",
    po: "Bestellung",
    corrects: "Berichtigt Rechnung",
    description: "Bezeichnung",
    quantity: "Menge",
    rate: "Preis",
    amount: "Betrag",
    less: "abz\xFCglich",
    discount: "Rabatt",
    on: "auf",
    within: "darin",
    total: "Gesamt",
    withheld: "Einbehalten",
    payable: "Zu zahlen",
    questions: "Fragen",
    tax_number: "Steuernummer",
    pay_here: "Ihr Konto, und wie man zahlt",
    bank: "\xDCberweisung",
    slip: "Bitte legen Sie diesen Abschnitt Ihrer Zahlung bei",
    paid: "Gezahlter Betrag",
    deposit: "Anzahlung von",
    less_deposit: "Abz\xFCglich Anzahlung",
    in_parts: "F\xE4llig in Raten"
  }
};
var paperWords = (language) => WORDS[language ?? "en"] ?? ENGLISH;

// src/core/invoices/statement/de.ts
var GERMAN = {
  statement: "Kontoauszug",
  receipt: "Quittung",
  letter: "Schreiben",
  credit_note: "Gutschrift",
  fee: "Geb\xFChr",
  invoice: "Rechnung",
  until: "bis",
  sites: "und seine Standorte",
  nothing: "Nichts wurde bewegt, und nichts ist offen.",
  currency: "In",
  day: "Datum",
  what: "Wof\xFCr",
  amount: "Betrag",
  balance: "Saldo",
  opening: "Anfangssaldo",
  closing: "Endsaldo",
  open: "Offen",
  number: "Nummer",
  due: "F\xE4llig",
  issued: "Ausgestellt",
  terms: "Bedingungen",
  order: "Bestellung",
  total: "Gesamt",
  tax: "Steuer",
  on_account: "Guthaben",
  together: "Zusammen",
  account: "Ihr Konto",
  questions: "Fragen",
  bank: "\xDCberweisung",
  from: "Erhalten von",
  by: "Durch",
  applied: "F\xFCr",
  events: {
    opening: "\xFCbernommen",
    invoice: "Rechnung",
    credit_note: "Gutschrift",
    identify: "erhalten, als Guthaben",
    apply: "erhalten",
    discount: "Skonto",
    write_off: "ausgeglichen",
    ach_return: "Zahlung zur\xFCckgegeben",
    refund: "zur\xFCckgezahlt",
    dispute: "Zahlung angefochten",
    deposit: "Scheck zur\xFCckgegeben",
    late_fee: "Geb\xFChr",
    reversal: "zur\xFCckgenommen",
    surcharge: "Aufschlag"
  },
  ages: ["nicht f\xE4llig", "1 bis 30 Tage", "31 bis 60", "61 bis 90", "\xFCber 90"],
  ways: {
    card: "Karte",
    ach_debit: "Lastschrift",
    ach_credit: "\xDCberweisung",
    wire: "\xDCberweisung",
    check: "Scheck",
    cash: "Bargeld",
    money_order: "Zahlungsanweisung",
    other: "Zahlung"
  }
};

// src/core/invoices/statement/en.ts
var ENGLISH2 = {
  statement: "Statement of account",
  receipt: "Receipt",
  letter: "Letter",
  credit_note: "Credit note",
  fee: "Fee",
  invoice: "Invoice",
  until: "to",
  sites: "and its sites",
  nothing: "Nothing moved, and nothing is open.",
  currency: "In",
  day: "Day",
  what: "What",
  amount: "Amount",
  balance: "Balance",
  opening: "Opening balance",
  closing: "Closing balance",
  open: "Open",
  number: "Number",
  due: "Due",
  issued: "Issued",
  terms: "Terms",
  order: "PO number",
  total: "Total",
  tax: "Tax",
  on_account: "On account",
  together: "Together",
  account: "Your account",
  questions: "Questions",
  bank: "By bank",
  from: "Received from",
  by: "By",
  applied: "For",
  events: {
    opening: "brought over",
    invoice: "invoice",
    credit_note: "credit note",
    identify: "received, on account",
    apply: "received",
    discount: "discount taken",
    write_off: "adjusted",
    ach_return: "payment returned",
    refund: "sent back",
    dispute: "payment disputed",
    deposit: "check returned",
    late_fee: "fee",
    reversal: "taken back",
    surcharge: "surcharge"
  },
  ages: ["not due", "1 to 30 days", "31 to 60", "61 to 90", "over 90"],
  ways: {
    card: "card",
    ach_debit: "bank debit",
    ach_credit: "bank transfer",
    wire: "wire",
    check: "check",
    cash: "cash",
    money_order: "money order",
    other: "payment"
  }
};

// src/core/invoices/statement/es.ts
var SPANISH = {
  statement: "Estado de cuenta",
  receipt: "Recibo",
  letter: "Carta",
  credit_note: "Nota de cr\xE9dito",
  fee: "Cargo",
  invoice: "Factura",
  until: "al",
  sites: "y sus sedes",
  nothing: "No hubo movimientos y no hay nada pendiente.",
  currency: "En",
  day: "Fecha",
  what: "Concepto",
  amount: "Importe",
  balance: "Saldo",
  opening: "Saldo inicial",
  closing: "Saldo final",
  open: "Pendiente",
  number: "N\xFAmero",
  due: "Vence",
  issued: "Fecha",
  terms: "Condiciones",
  order: "Pedido",
  total: "Total",
  tax: "Impuesto",
  on_account: "A su favor",
  together: "En total",
  account: "Su cuenta",
  questions: "Preguntas",
  bank: "Por banco",
  from: "Recibido de",
  by: "Por",
  applied: "Para",
  events: {
    opening: "saldo traspasado",
    invoice: "factura",
    credit_note: "nota de cr\xE9dito",
    identify: "recibido, a su favor",
    apply: "recibido",
    discount: "descuento aplicado",
    write_off: "ajustado",
    ach_return: "pago devuelto",
    refund: "reembolsado",
    dispute: "pago reclamado",
    deposit: "cheque devuelto",
    late_fee: "cargo",
    reversal: "anulado",
    surcharge: "recargo"
  },
  ages: ["no vencido", "1 a 30 d\xEDas", "31 a 60", "61 a 90", "m\xE1s de 90"],
  ways: {
    card: "tarjeta",
    ach_debit: "d\xE9bito bancario",
    ach_credit: "transferencia",
    wire: "transferencia",
    check: "cheque",
    cash: "efectivo",
    money_order: "giro postal",
    other: "pago"
  }
};

// src/core/invoices/statement/fr.ts
var FRENCH = {
  statement: "Relev\xE9 de compte",
  receipt: "Re\xE7u",
  letter: "Lettre",
  credit_note: "Avoir",
  fee: "Frais",
  invoice: "Facture",
  until: "au",
  sites: "et ses sites",
  nothing: "Aucun mouvement, et rien n\u2019est ouvert.",
  currency: "En",
  day: "Date",
  what: "Objet",
  amount: "Montant",
  balance: "Solde",
  opening: "Solde initial",
  closing: "Solde final",
  open: "Ouvert",
  number: "Num\xE9ro",
  due: "\xC9ch\xE9ance",
  issued: "Date",
  terms: "Conditions",
  order: "Commande",
  total: "Total",
  tax: "Taxe",
  on_account: "\xC0 votre cr\xE9dit",
  together: "Ensemble",
  account: "Votre compte",
  questions: "Questions",
  bank: "Par banque",
  from: "Re\xE7u de",
  by: "Par",
  applied: "Pour",
  events: {
    opening: "repris",
    invoice: "facture",
    credit_note: "avoir",
    identify: "re\xE7u, \xE0 votre cr\xE9dit",
    apply: "re\xE7u",
    discount: "escompte",
    write_off: "ajust\xE9",
    ach_return: "paiement rejet\xE9",
    refund: "rembours\xE9",
    dispute: "paiement contest\xE9",
    deposit: "ch\xE8que rejet\xE9",
    late_fee: "frais",
    reversal: "annul\xE9",
    surcharge: "suppl\xE9ment"
  },
  ages: ["non \xE9chu", "1 \xE0 30 jours", "31 \xE0 60", "61 \xE0 90", "plus de 90"],
  ways: {
    card: "carte",
    ach_debit: "pr\xE9l\xE8vement",
    ach_credit: "virement",
    wire: "virement",
    check: "ch\xE8que",
    cash: "esp\xE8ces",
    money_order: "mandat",
    other: "paiement"
  }
};

// src/core/invoices/statement/statementWords.ts
var WORDS2 = {
  en: ENGLISH2,
  es: SPANISH,
  fr: FRENCH,
  de: GERMAN
};
var statementWords = (language) => WORDS2[language ?? "en"] ?? ENGLISH2;

// src/core/invoices/taxes.ts
var TAX_CATEGORIES = {
  standard: { code: "S", words: "taxed", note: null },
  zero: { code: "Z", words: "zero rated", note: null },
  exempt: { code: "E", words: "exempt", note: "Exempt from tax" },
  reverse: {
    code: "AE",
    words: "reverse charge",
    note: "Reverse charge: the tax is owed by the customer"
  },
  none: { code: "O", words: "not subject to tax", note: "Not subject to tax" }
};
var UNTAXED = { code: "", percent: "0", category: "none", note: null };

// src/core/invoices/taxParts.ts
var partOf2 = (amount, tax = UNTAXED) => ({ amount, tax });
function groupsOf(parts) {
  const groups = /* @__PURE__ */ new Map();
  for (const [at, { amount, tax }] of parts.entries()) {
    const group = groups.get(tax.code) ?? { tax, at: [], amounts: [] };
    group.at.push(at);
    group.amounts.push(amount);
    groups.set(tax.code, group);
  }
  return [...groups.values()];
}
function taxOf({ tax, at, amounts }, rules) {
  const taxIn = (amount) => taxOfSum(amount, tax.percent, rules.included);
  const own = amounts.map(taxIn);
  const all = sumOf(amounts, (amount) => amount);
  const sum = rules.rounded === "by_line" ? sumOf(own, (line) => line) : taxIn(all);
  if (!rules.included) return { tax, at, nets: amounts, sum };
  const shares = rules.rounded === "by_line" ? own : spread(sum, own, amounts);
  return { tax, at, nets: amounts.map((amount, index) => add(amount, -(shares[index] ?? 0))), sum };
}
function spread(sum, own, amounts) {
  const shares = [...own];
  let left = sum - sumOf(own, (share) => share);
  const order = amounts.map((_, at) => at).sort((a, b) => (amounts[b] ?? 0) - (amounts[a] ?? 0) || a - b);
  for (let at = 0; left !== 0; at = (at + 1) % order.length) {
    const place = order[at] ?? 0;
    shares[place] = add(shares[place] ?? 0, Math.sign(left));
    left -= Math.sign(left);
  }
  return shares;
}
function taxOfSum(amount, percent, included) {
  const read = decimalOf(percent);
  if (!read.ok) throw new RangeError("a tax code has a percent");
  const { units, places } = read.value;
  const hundred = 100n * 10n ** BigInt(places);
  return mulDiv(amount, units, included ? hundred + units : hundred, "half-up");
}

// src/core/invoices/totals.ts
function totalsOf(document) {
  const { currency, lines, charges } = document;
  if (lines.length === 0) return fail("document.empty", { field: "lines" });
  const amounts = [];
  for (const [at, line] of lines.entries()) {
    const amount = lineAmount(line, currency);
    if (!amount.ok) return { ok: false, error: { ...amount.error, line: at + 1 } };
    amounts.push(amount.value);
  }
  const codes = codesOf(document);
  if (!codes.ok) return codes;
  const lineSum = sumOf(amounts, (amount) => amount);
  const billed = sumOf(
    amounts.filter((_, at) => (lines[at]?.settles ?? null) === null),
    (amount) => amount
  );
  const discount = discountOf(document, billed);
  if (!discount.ok) return discount;
  const discounts = sharesOf(discount.value, amounts);
  const parts = [
    ...amounts.map(
      (amount, at) => partOf2(add(amount, -(discounts[at] ?? 0)), codes.value[at])
    ),
    ...charges.map(({ sum }, at) => partOf2(sum, codes.value[lines.length + at]))
  ];
  const chargeSum = sumOf(charges, ({ sum }) => sum);
  return finished(document, parts, {
    lines: amounts,
    lineSum,
    discount: discount.value,
    discounts,
    charges: chargeSum
  });
}
function codesOf({ lines, charges, taxes }) {
  const known = new Map(taxes.map((tax) => [tax.code, tax]));
  const codes = [];
  for (const [at, { taxCode }] of [...lines, ...charges].entries()) {
    const code = taxCode === null || taxCode === "" ? UNTAXED : known.get(taxCode);
    if (!code)
      return fail("document.tax_unknown", {
        field: "tax_code",
        text: taxCode,
        ...at < lines.length ? { line: at + 1 } : {}
      });
    codes.push(code);
  }
  return ok(codes);
}
function discountOf({ discount, currency }, billed) {
  if (discount === null) return ok(minor(0));
  if ("sum" in discount)
    return discount.sum >= 0 && discount.sum <= billed ? ok(discount.sum) : fail("document.discount", { field: "discount" });
  const percent = decimalOf(discount.percent);
  if (!percent.ok) return fail("document.number", { field: "discount", text: discount.percent });
  if (!isPercent(percent.value))
    return fail("document.discount", { field: "discount", text: discount.percent, currency });
  const { units, places } = percent.value;
  return ok(mulDiv(Math.max(billed, 0), units, 100n * 10n ** BigInt(places), "half-up"));
}
var sharesOf = (discount, amounts) => split(
  discount,
  amounts.map((amount) => Math.max(amount, 0))
);
function finished({ rules, withholdingPercent, lines }, parts, before) {
  const groups = groupsOf(parts);
  const taxed = groups.map((group) => taxOf(group, rules));
  const nets = parts.map(({ amount }) => amount);
  for (const { at, nets: own } of taxed)
    at.forEach((place, index) => nets[place] = own[index] ?? minor(0));
  const taxes = taxed.map(({ tax: tax2, nets: own, sum }) => ({
    tax: tax2,
    net: sumOf(own, (net2) => net2),
    sum
  }));
  const net = sumOf(nets, (amount) => amount);
  const tax = sumOf(taxes, ({ sum }) => sum);
  const total = add(net, tax);
  if (total < 0) return fail("document.negative", { field: "total" });
  if (total > LARGEST_SUM) return fail("document.large", { field: "total" });
  const withheld = withheldOf(withholdingPercent, net);
  if (!withheld.ok) return withheld;
  return ok({
    ...before,
    nets: nets.slice(0, lines.length),
    chargeNets: nets.slice(lines.length),
    net,
    taxes,
    tax,
    total,
    withheld: withheld.value,
    payable: add(total, negate(withheld.value))
  });
}
function withheldOf(percent, net) {
  if (percent === null) return ok(minor(0));
  const read = decimalOf(percent);
  if (!read.ok || !isPercent(read.value))
    return fail("document.withholding", { field: "withholding", text: percent });
  return ok(mulDiv(net, read.value.units, 100n * 10n ** BigInt(read.value.places), "half-up"));
}

// src/core/invoices/orderCells.ts
var ORDER_COLUMNS = [
  "document",
  "customer_id",
  "issued_on",
  "terms",
  "due_on",
  "currency",
  "po_number",
  "item",
  "description",
  "quantity",
  "rate",
  "discount_percent",
  "tax_code",
  "tax_percent"
];
var cell = ({ cells }, column) => (cells[column] ?? "").trim();
var orNull = (text) => text === "" ? null : text;
var refusal = (document, row, field, error) => ({
  document,
  row,
  field,
  error
});
var MOST_LINES = 1e3;
var LONGEST = {
  description: 500,
  document: 120,
  customer_id: 120
};
var LONGEST_ELSE = 60;
function cellProblem(document, row) {
  for (const column of ORDER_COLUMNS) {
    const code = textProblem(cell(row, column), LONGEST[column] ?? LONGEST_ELSE);
    if (code)
      return [
        refusal(column === "document" ? "" : document, row.row, column, { code, where: column })
      ];
  }
  return [];
}
function rowsProblem(document, rows) {
  const over = rows[MOST_LINES];
  if (over)
    return refusal(document, over.row, "document", { code: "order.lines", most: MOST_LINES });
  return rows.flatMap((row) => cellProblem(document, row)).at(0);
}

// src/core/invoices/orders.ts
var OF_THE_DOCUMENT = [
  "customer_id",
  "issued_on",
  "terms",
  "due_on",
  "currency",
  "po_number"
];
function ordersOf(rows) {
  const groups = /* @__PURE__ */ new Map();
  const refused = [];
  for (const row of rows) {
    const name = cell(row, "document");
    if (name === "")
      refused.push(refusal("", row.row, "document", { code: "field.empty", field: "document" }));
    else {
      const group = groups.get(name) ?? [];
      group.push(row);
      groups.set(name, group);
    }
  }
  const orders = [];
  for (const [name, group] of groups) {
    const read = orderOf(name, group);
    if ("error" in read) refused.push(read);
    else orders.push(read);
  }
  return { orders, refused };
}
function orderOf(document, rows) {
  const barred = rowsProblem(document, rows);
  if (barred) return barred;
  const head = headOf(document, rows);
  if ("error" in head) return head;
  const wrong = rows.flatMap((row) => lineProblem(document, row)).at(0);
  if (wrong) return wrong;
  const first = rows[0]?.row ?? 0;
  const { text, at } = head;
  const issuedOn = dayOf(document, "issued_on", head);
  if (typeof issuedOn !== "string") return issuedOn;
  const dueOn = text.due_on === "" ? null : dayOf(document, "due_on", head);
  if (dueOn !== null && typeof dueOn !== "string") return dueOn;
  if (text.customer_id === "")
    return refusal(document, at.customer_id, "customer_id", {
      code: "field.empty",
      field: "customer_id"
    });
  return {
    document,
    row: first,
    customerId: text.customer_id,
    issuedOn,
    terms: orNull(text.terms),
    dueOn,
    currency: orNull(text.currency),
    poNumber: orNull(text.po_number),
    lines: rows.map(lineOf)
  };
}
function headOf(document, rows) {
  const head = { text: {}, at: {} };
  for (const column of OF_THE_DOCUMENT) {
    const said = rows.filter((row) => cell(row, column) !== "");
    const [first] = said;
    const other = said.find((row) => first && cell(row, column) !== cell(first, column));
    if (other && first)
      return refusal(document, other.row, column, {
        code: "order.differs",
        text: cell(other, column),
        other: cell(first, column),
        row: first.row
      });
    head.text[column] = first ? cell(first, column) : "";
    head.at[column] = (first ?? rows[0])?.row ?? 0;
  }
  return head;
}
function dayOf(document, column, { text, at }) {
  const read = parseDay(text[column], "ymd");
  return read.ok ? read.value : refusal(document, at[column], column, read.error);
}
function lineProblem(document, row) {
  const empty = ["description", "quantity", "rate"].find(
    (column) => cell(row, column) === "" && !(column === "description" && cell(row, "item") !== "")
  );
  return empty ? [refusal(document, row.row, empty, { code: "field.empty", field: empty })] : [];
}
var lineOf = (row) => ({
  row: row.row,
  item: orNull(cell(row, "item")),
  description: cell(row, "description") || cell(row, "item"),
  quantity: cell(row, "quantity"),
  rate: cell(row, "rate"),
  discountPercent: orNull(cell(row, "discount_percent")),
  taxCode: orNull(cell(row, "tax_code")),
  taxPercent: orNull(cell(row, "tax_percent"))
});

// src/core/invoices/reach.ts
var WAYS = ["mail", "paper", "none"];

// src/core/invoices/periodLines.ts
function lineOfPeriod(line, period, { currency, prorated, language }) {
  const said = { ...line, description: inPeriod(line.description, period, language) };
  if (!prorated || period.days === period.of) return said;
  const [quantity, rate] = [decimalOf(line.quantity), decimalOf(line.rate)];
  if (!quantity.ok || !rate.ok) return said;
  const whole = times(quantity.value, rate.value);
  const part = mulDiv(
    period.days,
    whole.units * 10n ** BigInt(minorDigits(currency)),
    BigInt(period.of) * 10n ** BigInt(whole.places),
    "half-up"
  );
  return {
    ...said,
    quantity: "1",
    rate: decimalText({ units: BigInt(part), places: minorDigits(currency) }),
    description: `${said.description} (${period.days} of ${period.of} days)`
  };
}
var PLACES = /\{(?:month|year|from|to)\}/gu;
function inPeriod(words, { from, to }, language) {
  const said = {
    "{month}": () => written(from, language, { month: "long", year: "numeric" }),
    "{year}": () => from.slice(0, 4),
    "{from}": () => written(from, language, { dateStyle: "medium" }),
    "{to}": () => written(to, language, { dateStyle: "medium" })
  };
  return words.replaceAll(PLACES, (place) => said[place]?.() ?? place);
}
var written = (on, language, parts) => new Intl.DateTimeFormat(language, { ...parts, timeZone: "UTC" }).format(new Date(on));

// src/core/invoices/schedule.ts
var MOST_PERIODS = 600;
function periodOf(plan, no) {
  if (plan.times !== null && no >= plan.times) return null;
  const at = occurrenceBefore(plan.countedFrom, plan.every, plan.startsOn) + no;
  const begins = occurrence(plan.countedFrom, plan.every, at);
  const ends = addDays(occurrence(plan.countedFrom, plan.every, at + 1), -1);
  const from = begins < plan.startsOn ? plan.startsOn : begins;
  const to = plan.until !== null && plan.until < ends ? plan.until : ends;
  if (to < from) return null;
  const days = daysBetween(from, to) + 1;
  const of = daysBetween(begins, ends) + 1;
  return { no, from, to, days, of, writtenOn: addDays(from, -plan.ahead) };
}
function periodsDue(plan, no, today) {
  const due = [];
  for (let next = no; due.length < MOST_PERIODS; next += 1) {
    const period = periodOf(plan, next);
    if (period === null || period.writtenOn > today) break;
    due.push(period);
  }
  return due;
}

// src/db/settings.ts
var DEFAULTS = {
  country: "US",
  people: ["clerk"],
  lockedTo: null,
  wrongPerThousand: 50,
  surchargePercent: null,
  taxOnDiscounts: false,
  taxOnBadDebts: false,
  returnFee: null,
  achFixedPerMonth: 2500,
  linkBase: null,
  mailbox: null,
  letterInterval: 12,
  feedDays: 5,
  backupsKept: 14,
  watchedFolder: null,
  agingDays: [30, 60, 90],
  doubtfulPercent: null,
  letterRun: null,
  mailServer: null,
  invoicePrefix: "INV-",
  creditNotePrefix: "CN-",
  usualTerms: "n/30",
  taxIncluded: false,
  taxRounded: "by_code",
  approvalOver: null,
  address: [],
  taxNumber: null,
  coverSubject: null,
  coverBody: null,
  paysBy: null,
  ownSumsFrom: null,
  bankSavingPercent: null,
  planParts: null,
  mailReceipts: false,
  provenAccounts: false,
  noticeDays: 0,
  bankDetails: [],
  looks: [USUAL_LOOK]
};
function readSettings(db) {
  const rows = db.all("SELECT key, value FROM setting");
  return {
    ...DEFAULTS,
    ...Object.fromEntries(rows.map(({ key, value }) => [key, JSON.parse(value)]))
  };
}
function writeSettings(db, changed) {
  for (const [key, value] of Object.entries(changed)) {
    db.run(
      "INSERT INTO setting (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value",
      key,
      JSON.stringify(value)
    );
  }
}
function takeSmtpUrl(db) {
  const found = db.get("SELECT value FROM setting WHERE key = 'smtpUrl'");
  if (found) db.exec("PRAGMA secure_delete = ON");
  db.run("DELETE FROM setting WHERE key = 'smtpUrl'");
  return found ? JSON.parse(found.value) : null;
}

// src/db/rates.ts
function rateOn(db, currency, on) {
  const columns = "SELECT currency, on_day AS onDay, rate FROM exchange_rate WHERE currency = ?";
  return db.get(`${columns} AND on_day <= ? ORDER BY on_day DESC LIMIT 1`, currency, on) ?? db.get(`${columns} ORDER BY on_day LIMIT 1`, currency);
}
function currenciesWithRates(db) {
  return db.all("SELECT DISTINCT currency FROM exchange_rate ORDER BY currency").map(({ currency }) => currency);
}
function setRate(db, rate, actId) {
  db.run(
    "INSERT INTO exchange_rate (currency, on_day, rate, act_id) VALUES (?, ?, ?, ?) ON CONFLICT (currency, on_day) DO UPDATE SET rate = excluded.rate, act_id = excluded.act_id",
    rate.currency,
    rate.onDay,
    rate.rate,
    actId
  );
}
var SUM = "SELECT coalesce(sum(amount), 0) AS amount, coalesce(sum(book), 0) AS book FROM carried WHERE account_id = ?1 AND currency = ?2";
var NOTHING = { amount: 0, book: 0 };
function carriedBy(db, { accountId, currency, kind, id }) {
  return db.get(`${SUM} AND item_kind = ?3 AND item_id = ?4`, accountId, currency, kind, id) ?? NOTHING;
}
function carriedOn(db, accountId, currency) {
  return db.get(SUM, accountId, currency) ?? NOTHING;
}
function carriedByPayout(db, accountId, currency, payoutId) {
  return db.get(
    `${SUM} AND ((item_kind = 'payout' AND item_id = ?3) OR (item_kind = 'processor_item' AND item_id IN (SELECT id FROM processor_item WHERE payout_id = ?3)))`,
    accountId,
    currency,
    payoutId
  ) ?? NOTHING;
}
function carriedByDocument(db, roles, kind) {
  const rows = db.all(
    `SELECT c.item_id AS id, sum(c.book) AS book FROM carried c JOIN account a ON a.id = c.account_id WHERE c.item_kind = ? AND a.role IN (${roles.map((role) => `'${role}'`).join(", ")}) GROUP BY c.item_id`,
    kind
  );
  return new Map(rows.map(({ id, book }) => [id, book]));
}
function worthOn(db, { amount, currency, book, on }) {
  return currency === book ? amount : inCurrency(amount, currency, book, rateOn(db, currency, on)?.rate ?? "0") ?? amount;
}
function inOther(db, { amount, currency, book, on }) {
  if (currency === book) return amount;
  const rate = ratioOf(rateOn(db, currency, on)?.rate ?? "");
  return rate.ok && rate.value.numerator > 0n ? convertBack(amount, book, currency, rate.value) : null;
}
var BOOK_CURRENCY = "(SELECT json_extract(value, '$') FROM setting WHERE key = 'currency')";
function bookValue({ table, column, role, kind, sign = 1 }) {
  return `(CASE WHEN ${table}.currency = ${BOOK_CURRENCY} THEN ${table}.${column} ELSE coalesce((SELECT ${sign} * sum(cv.book) FROM carried cv JOIN account ca ON ca.id = cv.account_id WHERE cv.item_kind = '${kind}' AND cv.item_id = ${table}.id AND ca.role = '${role}'), 0) END)`;
}
var REVALUATION = "SELECT id, as_of AS asOf, currency, rate, sum, state, act_id AS actId FROM revaluation";
function revaluations(db) {
  return db.all(`${REVALUATION} WHERE state = 'made' ORDER BY as_of DESC, currency`);
}
function insertRevaluation(db, omit) {
  return db.run(
    "INSERT INTO revaluation (as_of, currency, rate, sum, act_id) VALUES (?, ?, ?, ?, ?)",
    omit.asOf,
    omit.currency,
    omit.rate,
    omit.sum,
    omit.actId
  ).id;
}
function undoRevaluations(db, actId) {
  db.run("UPDATE revaluation SET state = 'undone' WHERE act_id = ?", actId);
}
function foreignAsOf(db, asOf) {
  return db.all(
    `SELECT l.currency, a.role, a.of, l.item_kind AS kind, l.item_id AS id, sum(l.amount) AS amount, sum(l.book_amount) AS book
     FROM carried c JOIN account a ON a.id = c.account_id JOIN entry_line l ON l.item_kind = c.item_kind AND l.item_id = c.item_id AND l.account_id = c.account_id JOIN entry e ON e.id = l.entry_id
     WHERE a.role IN ('receivables', 'clearing', 'unidentified', 'credits', 'disputed', 'reserve') AND e.posted_on <= ?1 AND NOT (a.role = 'clearing' AND (c.item_kind = 'payout' OR EXISTS (
       SELECT 1 FROM processor_item i JOIN entry_line t ON t.item_kind = 'payout' AND t.item_id = i.payout_id AND t.account_id = c.account_id JOIN entry te ON te.id = t.entry_id WHERE i.id = c.item_id AND te.posted_on <= ?1 GROUP BY i.id HAVING sum(t.amount) <> 0)))
     GROUP BY 1, a.id, 4, 5 HAVING sum(l.amount) <> 0 ORDER BY l.currency, a.code, l.item_id`,
    asOf
  );
}

export {
  rateOn,
  currenciesWithRates,
  setRate,
  carriedBy,
  carriedOn,
  carriedByPayout,
  carriedByDocument,
  worthOn,
  inOther,
  BOOK_CURRENCY,
  bookValue,
  revaluations,
  insertRevaluation,
  undoRevaluations,
  foreignAsOf,
  decimalOf,
  decimalText,
  monthsDue,
  nextPart,
  coverTemplate,
  lineAmount,
  readPlan,
  instalmentsOf,
  inWords,
  USUAL_LOOK,
  shownLines,
  numberOf,
  partNumber,
  paperSums,
  paperParts,
  paperWords,
  statementWords,
  nextStage,
  STAGE_WORDS,
  TAX_CATEGORIES,
  totalsOf,
  ORDER_COLUMNS,
  ordersOf,
  WAYS,
  lineOfPeriod,
  periodOf,
  periodsDue,
  readSettings,
  writeSettings,
  takeSmtpUrl
};
