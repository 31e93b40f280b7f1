import { ROW_KINDS, type RowKind } from "@/core/activity";
import { type Day, formatDay } from "@/core/calendar";
import { FIELDS, type FileKind, type Table } from "@/core/formats";
import { type Currency, currencyOf, formatMoney, minor, parseAmount } from "@/core/money";

/** How many lines are shown as they are understood: the first, and of the others the odd. */
const SHOWN = 6;
const ODD = 4;

type Shown = { day: string; sum: string; what: string; who: string };
/** Which fields of a kind say its day, its sum, what it is, and whom it is of; the first that is filled. */
const SHOWN_FIELDS: Readonly<Record<FileKind, Readonly<Record<keyof Shown, readonly string[]>>>> = {
  bank: { day: ["postedOn"], sum: ["amount"], what: [], who: ["description"] },
  processor: {
    day: ["occurredOn"],
    sum: ["gross"],
    what: ["kind"],
    who: ["payerName", "reference", "payoutId"],
  },
  invoices: {
    day: ["issuedOn", "dueOn"],
    sum: ["balance", "total"],
    what: ["number"],
    who: ["customerId"],
  },
  customers: { day: [], sum: [], what: ["externalId"], who: ["name"] },
  remittance: { day: ["paidOn"], sum: ["amount"], what: ["number"], who: ["payerName"] },
  returns: { day: ["on"], sum: ["amount"], what: ["code"], who: ["name"] },
};

/** A kind of row as people say it; anything else as it is. */
const kindInWords = (text: string): string =>
  text in ROW_KINDS ? ROW_KINDS[text as RowKind].label : text;

const isDay = (text: string): text is Day => /^\d{4}-\d\d-\d\d$/.test(text);

/** Fields that say another day or sum of the same line, shown where they differ, each behind its word. */
const BESIDE: Readonly<
  Partial<Record<FileKind, readonly (readonly [field: string, word: string])[]>>
> = {
  invoices: [
    ["dueOn", "due"],
    ["total", "of"],
  ],
  processor: [["settledOn", "settled"]],
};

/** What a line costs beside its sum, or gives back of its fee. */
function costInWords(cost: number, shown: (value: number) => string): string[] {
  if (cost === 0) return [];
  return [cost > 0 ? `fee ${shown(cost)}` : `${shown(-cost)} of a fee back`];
}

/** The first lines of a file in the agreed layout and the odd ones, in a clerk's words. */
export function understoodLines(
  kind: FileKind,
  table: Table,
  { today, currency }: { today: Day; currency: Currency },
): ({ line: number } & Shown)[] {
  const at = new Map(
    FIELDS[kind].map(({ field, names }) => [field, table.headers.indexOf(names[0] ?? field)]),
  );
  const first = (cells: readonly string[], fields: readonly string[]): string =>
    fields.map((field) => cells[at.get(field) ?? -1] ?? "").find((cell) => cell !== "") ?? "";
  const { day, sum, what, who } = SHOWN_FIELDS[kind];
  const costOf = (cells: readonly string[], own: Currency): number => {
    const fee = parseAmount(first(cells, kind === "processor" ? ["fee"] : []), ".", own);
    return fee.ok ? fee.value : 0;
  };
  const odd = oddOf(table.rows, ({ cells }) => ({
    sort: kind === "processor" ? first(cells, what) : "",
    sum: Number(first(cells, sum)),
    on: first(cells, day),
  }));
  // A line without its day is refused: nothing is understood of it.
  const hasDay = ({ cells }: Row): boolean => day.length === 0 || first(cells, day) !== "";
  return [...table.rows.slice(0, SHOWN), ...odd].filter(hasDay).map(({ line, cells }) => {
    const on = first(cells, day);
    const own = currencyOf(first(cells, ["currency"])) ?? currency;
    const cost = costOf(cells, own);
    const amount = parseAmount(first(cells, sum), ".", own);
    // A line of a fee alone has no other sum.
    const isFee = amount.ok && amount.value === 0 && cost !== 0;
    const shown = (value: number): string => formatMoney(minor(value), own, currency);
    const dayOf = (text: string): string => (isDay(text) ? formatDay(text, today) : text);
    const beside = (BESIDE[kind] ?? []).flatMap(([field, word]) => {
      const cell = first(cells, [field]);
      const other = parseAmount(cell, ".", own);
      if (isDay(cell)) return cell === on ? [] : [`${word} ${dayOf(cell)}`];
      const isOther = other.ok && amount.ok && other.value !== amount.value;
      return isOther ? [`${word} ${shown(other.value)}`] : [];
    });
    const costs = isFee ? [] : costInWords(cost, shown);
    return {
      line,
      day: dayOf(on),
      sum: amount.ok ? shown(isFee ? -cost : amount.value) : first(cells, sum),
      what: [kindInWords(first(cells, what)), ...costs, ...beside].join(", "),
      who: first(cells, who).slice(0, 60),
    };
  });
}

type Row = Table["rows"][number];

type Told = { sort: string; sum: number; on: string };
/**
 * Of the lines behind the first: the first of another kind or another sign, the largest, and the
 * earliest and the latest, where those are not among the first: a day that is read wrong shows there.
 */
function oddOf(rows: readonly Row[], of: (row: Row) => Told): Row[] {
  const keyOf = ({ sort, sum }: Told): string => `${sort} ${Math.sign(sum)}`;
  const shown = rows.slice(0, SHOWN).map(of);
  const seen = new Set(shown.map(keyOf));
  const days = shown.map(({ on }) => on).sort();
  let [earliest = "", latest = ""] = [days[0], days.at(-1)];
  const found = new Set<Row>();
  const ends: { largest?: Row; first?: Row; last?: Row } = {};
  let most = 0;
  for (const row of rows.slice(SHOWN)) {
    const told = of(row);
    if (Math.abs(told.sum) > most) [ends.largest, most] = [row, Math.abs(told.sum)];
    if (told.on < earliest) [ends.first, earliest] = [row, told.on];
    if (told.on > latest) [ends.last, latest] = [row, told.on];
    if (found.size >= ODD - 1 || seen.has(keyOf(told))) continue;
    seen.add(keyOf(told));
    found.add(row);
  }
  for (const row of Object.values(ends)) found.add(row);
  return [...found].sort((a, b) => a.line - b.line);
}
