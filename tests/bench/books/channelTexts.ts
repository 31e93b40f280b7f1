import type { Dice } from "./dice";

/** How a payment came, which says what its words look like. */
export const CHANNELS = ["ccd", "ctx", "wire", "sepa", "lockbox", "portal", "centre"] as const;
export type Channel = (typeof CHANNELS)[number];

/** A payment as its payer meant it: what it says of each item, and the sum beside it. */
export type Meant = {
  readonly numbers: readonly string[];
  readonly sums: readonly number[];
  readonly words: string;
};

const decimal = (cents: number): string => (cents / 100).toFixed(2);

/** A scanner's slips (letters that look like digits), as lockboxes hand them on. */
function scanned(text: string, dice: Dice, share: number): string {
  const seen: Record<string, string> = { "0": "O", "1": "I", "5": "S", "8": "B", "2": "Z" };
  return text.replace(/[01582]/g, (digit) => (dice.chance(share) ? (seen[digit] ?? digit) : digit));
}

/** What a channel makes of what was meant, by the field rules that are published for it. */
const CARRIED: Record<Channel, (meant: Meant, dice: Dice) => string> = {
  // Nacha CCD+: one addenda record of 80 characters with an X12 RMR or TRN segment.
  ccd: ({ numbers, sums, words }, dice) => {
    const [number] = numbers;
    if (number === undefined) return words.toUpperCase().slice(0, 80);
    if (numbers.length > 1)
      return `${words} ${numbers.join(" ")}`.trim().toUpperCase().slice(0, 80);
    return dice.chance(0.5)
      ? `RMR*IV*${number}**${decimal(sums[0] ?? 0)}\\`
      : `TRN*1*${dice.whole(100_000_000, 999_999_999)}*1${dice.whole(100_000_000, 999_999_999)}\\RMR*IV*${number}\\`;
  },
  // Nacha CTX: an X12 820 in the addenda, one RMR for each item.
  ctx: ({ numbers, sums, words }) =>
    numbers.length === 0
      ? words
      : numbers.map((number, at) => `RMR*IV*${number}**${decimal(sums[at] ?? 0)}`).join("~"),
  // SWIFT field 70: four lines of 35 characters, with code words.
  wire: ({ numbers, words }, dice) => {
    const said = `${words} ${numbers.join(dice.pick([" ", ",", "/", " + "]))}`.trim();
    const tagged = `${dice.pick(["/RFB/", "/INV/", "/ROC/", ""])}${said}`.slice(0, 140);
    return dice.chance(0.3) ? tagged.replace(/(.{35})(?=.)/g, "$1\n") : tagged;
  },
  // SEPA: end-to-end reference and unstructured remittance as German banks show them; 140 characters.
  sepa: ({ numbers, words }, dice) =>
    `EREF+${dice.chance(0.5) ? "NOTPROVIDED" : `E2E${dice.whole(10_000_000, 99_999_999)}`} SVWZ+${words || "Rechnung"} ${numbers.join(", ")}${dice.chance(0.4) ? ` vom ${dice.whole(1, 28)}.09.2026` : ""}`.slice(
      0,
      160,
    ),
  lockbox: ({ numbers, words }, dice) =>
    `${words} CHK ${String(dice.whole(1000, 99_999)).padStart(6, "0")} ${numbers.map((number) => `INV ${scanned(number, dice, 0.12)}`).join(" ")}`.trim(),
  portal: ({ numbers, words }, dice) =>
    `Portal payment #${dice.whole(100_000, 999_999)} ${words} ${numbers.map((number) => `inv ${number.toLowerCase()}`).join(", ")}`.trim(),
  centre: ({ numbers, sums, words }, dice) =>
    numbers.length === 0
      ? words
      : `${words} ${numbers.map((number, at) => (dice.chance(0.5) ? `${number} ${decimal(sums[at] ?? 0)}` : number)).join("; ")}`.trim(),
};

export const carried = (channel: Channel, meant: Meant, dice: Dice): string =>
  CARRIED[channel](meant, dice).trim();

/** The payer's name as the channel's field shows it. */
export function nameShown(channel: Channel, name: string, dice: Dice): string {
  if (channel === "ccd" || channel === "ctx")
    return name
      .toUpperCase()
      .replace(/[^A-Z0-9 &]/g, "")
      .slice(0, dice.pick([16, 22]));
  if (channel === "wire" || channel === "sepa") return name.toUpperCase().slice(0, 35);
  if (channel === "lockbox") return scanned(name, dice, 0.1);
  return name;
}

/** What people say of a payment, by what it is for. */
export const SAID = {
  one: ["", "invoice", "payment", "Rechnung", "facture", "pago factura", "thanks"],
  statement: [
    "statement September 2026",
    "Kontoauszug September",
    "relevé septembre 2026",
    "estado de cuenta septiembre",
  ],
  oldest: ["oldest first", "die ältesten zuerst", "las más antiguas primero"],
  ahead: ["deposit for the next order", "prepayment job 4711", "Anzahlung", "acompte commande"],
  nothing: ["", "", "supplier payment", "vendor pmt", "mit Dank", "ACH PMT", "as agreed"],
  fee: ["", "less bank charges", "abzgl. Bankspesen"],
  credit: ["less credit note", "abzgl. Gutschrift", "moins avoir"],
  part: ["part payment", "1st instalment", "Teilzahlung", "acompte sur"],
} as const;
