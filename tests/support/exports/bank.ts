import type { Dice } from "./dice";
import type { Export } from "./export";
import { DAY_STYLES, dayText, sumStyle, sumText } from "./written";

type Line = { day: string; sum: number; words: string; pending: boolean };

const HEADS = [
  {
    day: "Date",
    words: "Description",
    sum: "Amount",
    in: "Credit",
    out: "Debit",
    way: "Type",
    balance: "Balance",
    state: "Status",
  },
  {
    day: "Posting Date",
    words: "Details",
    sum: "Amount",
    in: "Deposits",
    out: "Withdrawals",
    way: "CR/DR",
    balance: "Running Balance",
    state: "Status",
  },
  {
    day: "Buchungstag",
    words: "Verwendungszweck",
    sum: "Betrag",
    in: "Haben",
    out: "Soll",
    way: "Soll/Haben",
    balance: "Saldo",
    state: "Status",
  },
  {
    day: "Date opération",
    words: "Libellé",
    sum: "Montant",
    in: "Crédit",
    out: "Débit",
    way: "Sens",
    balance: "Solde",
    state: "Statut",
  },
  {
    day: "Fecha",
    words: "Concepto",
    sum: "Importe",
    in: "Abonos",
    out: "Cargos",
    way: "D/C",
    balance: "Saldo",
    state: "Estado",
  },
  {
    day: "Booked on",
    words: "Narrative",
    sum: "Value",
    in: "Money in",
    out: "Money out",
    way: "Direction",
    balance: "Balance after",
    state: "State",
  },
] as const;

const WAYS = [
  ["Credit", "Debit"],
  ["CR", "DR"],
  ["C", "D"],
  ["H", "S"],
  ["in", "out"],
] as const;
/** What lines say that came in, that went out, and that may be either. */
const CAME_IN = ["WIRE IN MORROW", "ACH PAYOUT", "DEPOSIT", "ACH CREDIT LEE CO"];
const WENT_OUT = ["RENT", "PAYROLL", "SUPPLIES, CLAY", "SERVICE CHARGE"];
const EITHER = ["CHECK 1042", "TRANSFER 7731", "LEE & CO", "PAYROLL REVERSAL"];

/** A statement as some bank would export it, and what it says. */
export function bankExport(dice: Dice, from: number): Export {
  const withState = dice.chance(0.2);
  const lines = history(dice, from, withState);
  const heads = dice.one(HEADS);
  const style = { day: dice.one(DAY_STYLES), sum: sumStyle(dice) };
  const form = dice.one(["signed", "signed", "columns", "columns", "way", "sides"] as const);
  const ways = dice.chance(0.05) ? (["ZAAA", "ZBBB"] as const) : dice.one(WAYS);
  const withBalance = dice.chance(0.65);
  const down = dice.chance(0.4);
  const write = (sum: number): string => sumText(sum, style.sum);
  const opening = dice.upTo(3_000_000);
  let balance = opening;
  const rows = lines.map((line) => {
    if (!line.pending) balance += line.sum;
    const cells = [
      dayText(line.day, style.day),
      line.words,
      ...sumCells(form, line.sum, write, ways),
      ...(withBalance ? [line.pending ? "" : write(balance)] : []),
      ...(withState ? [line.pending ? "pending" : "booked"] : []),
    ];
    return { cells, row: line.pending ? null : `${line.day} ${line.sum} ${line.words}` };
  });
  const head = [
    heads.day,
    heads.words,
    ...(form === "columns" ? [heads.out, heads.in] : [heads.sum]),
    ...(form === "way" ? [heads.way] : []),
    ...(withBalance ? [heads.balance] : []),
    ...(withState ? [heads.state] : []),
  ];
  const edge = (words: string, sum: number): { cells: string[]; row: null } => ({
    cells: head.map((_, at) => {
      if (at === 1) return words;
      return withBalance && at === head.length - (withState ? 2 : 1) ? write(sum) : "";
    }),
    row: null,
  });
  const list = down ? [...rows].reverse() : rows;
  const withEdges = withBalance && dice.chance(0.2) && !down;
  const above = dice.chance(0.2)
    ? [["Kestrel Row operating account"], ["Statement of transactions", ""], [""]]
    : [];
  return {
    kind: "bank",
    above,
    head,
    lines: [
      ...(withEdges ? [edge("Opening balance", opening)] : []),
      ...list,
      ...(withEdges ? [edge("Closing balance", balance)] : []),
      ...(dice.chance(0.15)
        ? [{ cells: ["", "Total", ...head.slice(2).map(() => "")], row: null }]
        : []),
    ],
    delimiter: dice.one([",", ";", "\t"]),
  };
}

function sumCells(
  form: "signed" | "columns" | "way" | "sides",
  sum: number,
  write: (sum: number) => string,
  [credit, debit]: readonly [string, string],
): string[] {
  const size = write(Math.abs(sum));
  if (form === "signed") return [write(sum)];
  if (form === "columns") return sum < 0 ? [size, ""] : ["", size];
  if (form === "sides") return [`${size} ${sum < 0 ? "DR" : "CR"}`];
  return [size, sum < 0 ? debit : credit];
}

function history(dice: Dice, from: number, withPending: boolean): Line[] {
  const count = 3 + dice.upTo(45);
  let day = from;
  return Array.from({ length: count }, () => {
    day += dice.upTo(3);
    const whole = dice.chance(0.2);
    const size = 100 + dice.upTo(900_000);
    const sum = (dice.chance(0.6) ? 1 : -1) * (whole ? Math.ceil(size / 100) * 100 : size);
    const telling = sum > 0 ? CAME_IN : WENT_OUT;
    return {
      day: new Date(day * 86_400_000).toISOString().slice(0, 10),
      sum,
      words: dice.one(dice.chance(0.5) ? EITHER : telling),
      pending: withPending && dice.chance(0.15),
    };
  });
}
