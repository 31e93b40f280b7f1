/** Letters without their accents, in lower case: `Überweisung` is `uberweisung`. */
export const withoutAccents = (text: string): string =>
  text.normalize("NFD").replace(/\p{M}/gu, "").replace(/ß/g, "ss").toLowerCase();

/**
 * A head or a word as it is compared: no accents, no case, no marks, one blank between words.
 * @example plainWords("Net_Amount (USD)") // "net amount usd"
 */
export function plainWords(text: string): string {
  const before = plain.get(text);
  if (before !== undefined) return before;
  const words = withoutAccents(text.replace(/([a-z])([A-Z])/g, "$1 $2"))
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();
  if (plain.size >= MOST_KNOWN) plain.clear();
  if (text.length <= LONGEST_KNOWN) plain.set(text, words);
  return words;
}

/** Words that were compared before: a column of states says few different ones, many times. */
const plain = new Map<string, string>();
const LONGEST_KNOWN = 40;

const IN_BRACKETS = /[([][^)\]]{0,20}[)\]]/g;
/** What a head says in brackets of which sum it is. */
const KEPT = /^.(?:net|gross|netto|brutto).$/i;

/**
 * A head without what stands in its brackets and without its unit: a zone, a currency or cents say
 * nothing about the field.
 */
export function headWords(head: string): string {
  const before = known.get(head);
  if (before !== undefined) return before;
  const bare = head.replace(/#/g, " number ");
  const whole =
    plainWords(bare.replace(IN_BRACKETS, (said) => (KEPT.test(said) ? said : " "))) ||
    plainWords(bare);
  const long = whole
    .split(" ")
    .map((word) => IN_FULL[word] ?? word)
    .join(" ");
  const words = long.replace(UNIT, "") || long;
  if (known.size < MOST_KNOWN) known.set(head, words);
  return words;
}

/** Words of heads that are written short (common practice, no source). */
const IN_FULL: Readonly<Record<string, string>> = {
  amt: "amount",
  inv: "invoice",
  cust: "customer",
  bal: "balance",
  trans: "transaction",
  tran: "transaction",
  trx: "transaction",
  txn: "transaction",
  desc: "description",
  acct: "account",
  pmt: "payment",
  pymt: "payment",
  dt: "date",
  no: "number",
  nr: "number",
  nbr: "number",
  num: "number",
  ref: "reference",
};

const UNIT =
  / (?:in )?(?:cents?|minor|minor units?|pence|centimes|euros?|dollars?|usd|eur|gbp|cad|aud|chf|utc|gmt|local|local time)$/;

/** Heads that were compared before: the names of columns are the same for every file. */
const known = new Map<string, string>();
const MOST_KNOWN = 5000;
