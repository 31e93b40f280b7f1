import type { Dice } from "./dice";

/** Words of one language for what a payer means; the first of a list is as good as the last. */
type Language = {
  readonly invoice: readonly string[];
  readonly invoices: readonly string[];
  readonly and: string;
  readonly to: string;
  readonly part: readonly string[];
  readonly less: string;
  readonly discount: string;
  readonly damage: string;
  readonly credit: string;
  readonly oldest: string;
  readonly statement: string;
  readonly month: string;
  readonly restAndNext: (number: string) => string;
  readonly thanks: readonly string[];
  readonly comma: boolean;
};

/** How people in eight languages say what they pay (common practice, no source). */
export const LANGUAGES: readonly Language[] = [
  {
    invoice: ["invoice", "inv", "bill no."],
    invoices: ["invoices", "inv's", "your bills"],
    and: "and",
    to: "to",
    part: ["part payment of", "first instalment on"],
    less: "less",
    discount: "discount",
    damage: "damaged goods",
    credit: "credit note",
    oldest: "please apply to the oldest invoices",
    statement: "as per your statement",
    month: "September",
    restAndNext: (number) => `remainder of ${number} and the next invoice`,
    thanks: ["thank you", "with thanks", ""],
    comma: false,
  },
  {
    invoice: ["Rechnung", "RG-Nr.", "Re."],
    invoices: ["Rechnungen", "RG-Nrn."],
    and: "und",
    to: "bis",
    part: ["Teilzahlung", "Anzahlung auf"],
    less: "abzüglich",
    discount: "Skonto",
    damage: "Bruch",
    credit: "Gutschrift",
    oldest: "für die ältesten Rechnungen",
    statement: "laut Kontoauszug",
    month: "September",
    restAndNext: (number) => `Rest von ${number} und die nächste Rechnung`,
    thanks: ["mit Dank", "vielen Dank", ""],
    comma: true,
  },
  {
    invoice: ["facture", "fact."],
    invoices: ["factures", "vos factures"],
    and: "et",
    to: "au",
    part: ["acompte sur", "versement partiel"],
    less: "moins",
    discount: "escompte",
    damage: "casse",
    credit: "avoir",
    oldest: "les plus anciennes d'abord",
    statement: "selon votre relevé",
    month: "septembre",
    restAndNext: (number) => `solde de ${number} et la suivante`,
    thanks: ["merci", "cordialement", ""],
    comma: true,
  },
  {
    invoice: ["factura", "fra."],
    invoices: ["facturas", "fras."],
    and: "y",
    to: "al",
    part: ["pago parcial", "primera cuota"],
    less: "menos",
    discount: "descuento",
    damage: "rotura",
    credit: "abono",
    oldest: "las más antiguas primero",
    statement: "según estado de cuenta",
    month: "septiembre",
    restAndNext: (number) => `resto de ${number} y la siguiente`,
    thanks: ["gracias", "saludos", ""],
    comma: true,
  },
  {
    invoice: ["fattura", "fatt."],
    invoices: ["fatture", "vs. fatture"],
    and: "e",
    to: "a",
    part: ["acconto", "prima rata"],
    less: "meno",
    discount: "sconto",
    damage: "merce danneggiata",
    credit: "nota di credito",
    oldest: "le più vecchie",
    statement: "come da estratto conto",
    month: "settembre",
    restAndNext: (number) => `saldo di ${number} e la successiva`,
    thanks: ["grazie", ""],
    comma: true,
  },
  {
    invoice: ["factuur", "fact.nr."],
    invoices: ["facturen", "fact.nrs."],
    and: "en",
    to: "t/m",
    part: ["deelbetaling", "eerste termijn"],
    less: "minus",
    discount: "korting",
    damage: "schade",
    credit: "creditnota",
    oldest: "oudste facturen eerst",
    statement: "volgens rekeningoverzicht",
    month: "september",
    restAndNext: (number) => `restant van ${number} en de volgende`,
    thanks: ["bedankt", ""],
    comma: true,
  },
  {
    invoice: ["fatura", "fat."],
    invoices: ["faturas"],
    and: "e",
    to: "a",
    part: ["pagamento parcial", "primeira parcela"],
    less: "menos",
    discount: "desconto",
    damage: "avaria",
    credit: "nota de crédito",
    oldest: "as mais antigas primeiro",
    statement: "conforme extrato",
    month: "setembro",
    restAndNext: (number) => `restante de ${number} e a seguinte`,
    thanks: ["obrigado", ""],
    comma: true,
  },
  {
    invoice: ["faktura", "FV"],
    invoices: ["faktury", "za faktury"],
    and: "i",
    to: "do",
    part: ["częściowa zapłata", "pierwsza rata"],
    less: "minus",
    discount: "rabat",
    damage: "uszkodzony towar",
    credit: "nota korygująca",
    oldest: "najstarsze faktury",
    statement: "zgodnie z zestawieniem",
    month: "wrzesień",
    restAndNext: (number) => `reszta ${number} i następna`,
    thanks: ["dziękujemy", ""],
    comma: true,
  },
];

export type { Language };

/** Numbers in a row, as people write them: with signs, the last behind a word, or only their ends. */
export function listed(numbers: readonly string[], { and }: Language, dice: Dice): string {
  const [first = "", ...more] = numbers;
  const cut = dice.chance(0.3) && more.every((number) => number.length === first.length);
  const shared = cut ? Math.max(0, first.length - dice.pick([3, 4])) : 0;
  const short = more.map((number) =>
    number.startsWith(first.slice(0, shared)) ? number.slice(shared) : number,
  );
  const sign = dice.pick([", ", " / ", " + ", "; ", "/"]);
  const last = short.pop();
  if (last === undefined) return first;
  const rest = [first, ...short].join(sign);
  return dice.chance(0.5) ? `${rest} ${and} ${last}` : `${rest}${sign}${last}`;
}

export const money = (cents: number, { comma }: Language): string =>
  (cents / 100).toFixed(2).replace(".", comma ? "," : ".");

/** What a scanner makes of a slip: look-alikes, a blank lost or too many, a line's end. */
export function scanned(text: string, dice: Dice): string {
  const seen: Record<string, string> = { "0": "O", "1": "l", "5": "S", "8": "B", "2": "Z" };
  return Array.from(text, (letter) => {
    if (letter in seen && dice.chance(0.02)) return seen[letter] ?? letter;
    if (letter === " " && dice.chance(0.03)) return dice.pick(["", "  ", "\n"]);
    return letter;
  }).join("");
}
