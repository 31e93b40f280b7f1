import type { Dice } from "./dice";
import type { Export } from "./export";
import { DAY_STYLES, dayText, sumStyle, sumText } from "./written";

type Kind = "charge" | "refund" | "fee" | "dispute" | "adjustment" | "payout" | "failed";
type Item = {
  id: string;
  day: string;
  kind: Kind;
  gross: number;
  cost: number;
  payout: string;
  payer: string;
};

const HEADS = [
  {
    id: "ID",
    day: "Date",
    kind: "Type",
    gross: "Gross",
    fee: "Fee",
    net: "Net",
    payout: "Payout ID",
    payer: "Customer name",
    state: "Status",
    currency: "Currency",
  },
  {
    id: "Transaction ID",
    day: "Created",
    kind: "Category",
    gross: "Amount",
    fee: "Fees",
    net: "Net amount",
    payout: "Transfer",
    payer: "Name",
    state: "Transaction status",
    currency: "Currency",
  },
  {
    id: "Transaktionsnummer",
    day: "Datum",
    kind: "Vorgang",
    gross: "Brutto",
    fee: "Gebühr",
    net: "Netto",
    payout: "Auszahlung",
    payer: "Kunde",
    state: "Status",
    currency: "Währung",
  },
  {
    id: "Txn ID",
    day: "Processed on",
    kind: "Transaction type",
    gross: "Total collected",
    fee: "Processing fees",
    net: "Net proceeds",
    payout: "Batch ID",
    payer: "Billing name",
    state: "Result",
    currency: "Settlement currency",
  },
] as const;
const WORDS: Readonly<Record<Kind, readonly string[]>> = {
  charge: ["charge", "Payment", "Sale", "ACH payment", "Zahlung", "capture"],
  refund: ["refund", "Refund", "Payment refund", "Erstattung"],
  fee: ["fee", "Monthly fee", "Gebühr"],
  dispute: ["dispute", "Chargeback"],
  adjustment: ["adjustment", "Correction"],
  payout: ["payout", "Payout", "Transfer to bank", "Auszahlung"],
  failed: ["charge", "Payment", "Sale"],
};

/** Activity as some processor would export it, and what it says: effects on its balance. */
export function processorExport(dice: Dice, from: number): Export {
  const items = history(dice, from);
  const heads = dice.one(HEADS);
  const day = dice.one(DAY_STYLES);
  const sum = sumStyle(dice);
  const sizes = dice.chance(0.35);
  const feeForm = sizes ? "size" : dice.one(["cost", "cost", "effect"] as const);
  const withNet = dice.chance(0.7);
  const payoutsNegative = dice.chance(0.6);
  const odd = dice.chance(0.05);
  const wordOf = new Map(
    (Object.keys(WORDS) as Kind[]).map((kind) => [kind, dice.one(WORDS[kind])] as const),
  );
  wordOf.set("failed", wordOf.get("charge") ?? "charge");
  if (odd) wordOf.set("refund", "Zorp");
  const withState = items.some(({ kind }) => kind === "failed");
  const write = (value: number): string => sumText(value, sum);
  const withTax = dice.chance(0.15);
  const rows = items.map((item) => {
    const payout = item.kind === "payout";
    const sign = payout && payoutsNegative ? -1 : 1;
    const gross = payout ? sign * item.gross : item.gross;
    const tax = withTax ? Math.floor(Math.abs(item.cost) / 10) * Math.sign(item.cost) : 0;
    const fee = item.cost - tax;
    const feeText = (value: number): string =>
      write(feeForm === "size" ? Math.abs(value) : value * (feeForm === "effect" ? -1 : 1) || 0);
    const net = payout ? gross : item.gross - item.cost;
    const cells = [
      item.id,
      dayText(item.day, day),
      wordOf.get(item.kind) ?? "",
      write(sizes && !payout ? Math.abs(gross) : gross),
      feeText(fee),
      ...(withTax ? [feeText(tax)] : []),
      ...(withNet ? [write(net)] : []),
      item.payout,
      item.payer,
      ...(withState ? [item.kind === "failed" ? "failed" : "succeeded"] : []),
      "USD",
    ];
    const row = `${item.id} ${item.day} ${item.kind} ${item.gross} ${item.cost}`;
    return { cells, row: item.kind === "failed" ? null : row };
  });
  const head = [
    heads.id,
    heads.day,
    heads.kind,
    heads.gross,
    heads.fee,
    ...(withTax ? ["Tax on fee"] : []),
    ...(withNet ? [heads.net] : []),
    heads.payout,
    heads.payer,
    ...(withState ? [heads.state] : []),
    heads.currency,
  ];
  return {
    kind: "processor",
    above: [],
    head,
    lines: dice.chance(0.4) ? [...rows].reverse() : rows,
    delimiter: dice.one([",", ";", "\t"]),
  };
}

function history(dice: Dice, from: number): Item[] {
  const kinds: Kind[] = ["charge", "charge", "charge", "charge", "charge", "charge", "refund"];
  if (dice.chance(0.3)) kinds.push("failed");
  if (dice.chance(0.3)) kinds.push("fee", "dispute");
  if (dice.chance(0.15)) kinds.push("adjustment");
  const givesBack = dice.chance(0.4);
  const whole = dice.chance(0.1);
  let day = from;
  let open = 0;
  let batch = 1;
  const items: Item[] = [];
  const count = 3 + dice.upTo(20);
  for (let nth = 1; nth <= count; nth += 1) {
    day += dice.upTo(2);
    const on = new Date(day * 86_400_000).toISOString().slice(0, 10);
    const kind = nth === 1 ? "charge" : dice.one(kinds);
    const size = whole ? (1 + dice.upTo(500)) * 100 : 500 + dice.upTo(200_000);
    const fee = Math.round(size * 0.029) + 30;
    const lowers =
      kind !== "charge" && kind !== "failed" && !(kind === "adjustment" && dice.chance(0.5));
    const back = kind === "refund" && givesBack ? -fee : 0;
    const cost = kind === "charge" ? fee : back;
    const gross = lowers ? -size : size;
    items.push({
      id: `t_${nth}`,
      day: on,
      kind,
      gross,
      cost: kind === "failed" ? 0 : cost,
      payout: kind === "failed" ? "" : `po_${batch}`,
      payer: "Ann Lee",
    });
    if (kind !== "failed") open += gross - cost;
    if (dice.chance(0.15) && open > 0) {
      items.push({
        id: `po_${batch}`,
        day: on,
        kind: "payout",
        gross: open,
        cost: 0,
        payout: `po_${batch}`,
        payer: "",
      });
      batch += 1;
      open = 0;
    }
  }
  return items;
}
