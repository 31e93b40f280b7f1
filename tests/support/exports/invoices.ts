import type { Dice } from "./dice";
import type { Export } from "./export";
import { DAY_STYLES, dayText, sumStyle, sumText } from "./written";

const HEADS = [
  {
    number: "Invoice number",
    customer: "Customer ID",
    issued: "Invoice date",
    due: "Due date",
    total: "Total",
    paid: "Amount paid",
    open: "Balance due",
    type: "Type",
    state: "Status",
    terms: "Terms",
  },
  {
    number: "Num",
    customer: "Customer",
    issued: "Date",
    due: "Due",
    total: "Amount",
    paid: "Paid",
    open: "Open balance",
    type: "Transaction type",
    state: "State",
    terms: "Payment terms",
  },
  {
    number: "Rechnungsnummer",
    customer: "Kundennummer",
    issued: "Rechnungsdatum",
    due: "Fällig am",
    total: "Bruttobetrag",
    paid: "Bezahlt",
    open: "Offen",
    type: "Belegart",
    state: "Status",
    terms: "Zahlungsziel",
  },
  {
    number: "Facture",
    customer: "Code client",
    issued: "Date facture",
    due: "Échéance",
    total: "Montant TTC",
    paid: "Déjà payé",
    open: "Reste à payer",
    type: "Type de pièce",
    state: "Statut",
    terms: "Conditions",
  },
] as const;
const TYPES = [
  ["Invoice", "Credit memo"],
  ["Rechnung", "Gutschrift"],
  ["facture", "avoir"],
  ["INV", "CRN"],
] as const;
const UNKNOWN_TYPES = ["Zed", "Zee"] as const;

/** A ledger's list of open documents, and what it says. */
export function invoiceExport(dice: Dice, from: number): Export {
  const heads = dice.one(HEADS);
  const style = { day: dice.one(DAY_STYLES), sum: sumStyle(dice) };
  // Words that nobody knows are rare.
  const types = dice.chance(0.06) ? UNKNOWN_TYPES : dice.one(TYPES);
  const withType = dice.chance(0.5);
  const sizes = withType && dice.chance(0.5);
  const shows = dice.one(["open", "open", "paid", "both", "state"] as const);
  const withVoid = dice.chance(0.3);
  const write = (sum: number): string => sumText(sum, style.sum);
  const documents = Array.from({ length: 3 + dice.upTo(15) }, (_, nth) => {
    const credit = dice.chance(0.15);
    const size = 1000 + dice.upTo(500_000);
    const paid = dice.chance(0.3) && shows !== "state" && !credit ? dice.upTo(size - 1) : 0;
    const day = from + dice.upTo(20);
    return {
      number: `${1000 + nth}`,
      customer: `C-${dice.upTo(30)}`,
      issued: new Date(day * 86_400_000).toISOString().slice(0, 10),
      due: new Date((day + 30) * 86_400_000).toISOString().slice(0, 10),
      total: credit ? -size : size,
      paid,
      credit,
      gone: withVoid && dice.chance(0.2),
    };
  });
  const withState = withVoid || shows === "state";
  const head = [
    heads.number,
    heads.customer,
    heads.issued,
    heads.due,
    heads.total,
    ...(shows === "paid" || shows === "both" ? [heads.paid] : []),
    ...(shows === "open" || shows === "both" ? [heads.open] : []),
    ...(withType ? [heads.type] : []),
    ...(withState ? [heads.state] : []),
    heads.terms,
  ];
  const rows = documents.map((doc) => {
    const signed = (sum: number): string => write(sizes ? Math.abs(sum) : sum);
    const cells = [
      doc.number,
      doc.customer,
      dayText(doc.issued, style.day),
      dayText(doc.due, style.day),
      signed(doc.total),
      ...(shows === "paid" || shows === "both" ? [write(doc.paid)] : []),
      ...(shows === "open" || shows === "both" ? [signed(doc.total - doc.paid)] : []),
      ...(withType ? [doc.credit ? types[1] : types[0]] : []),
      ...(withState ? [doc.gone ? "Void" : "Open"] : []),
      dice.one(["Net 30", "30 days", "2% 10 Net 30", "as agreed"]),
    ];
    const { number, customer, issued, due, total: sum, paid } = doc;
    const row = `${number} ${customer} ${issued} ${due} ${sum} ${sum - paid}`;
    return { cells, row: doc.gone ? null : row };
  });
  const total = dice.chance(0.2)
    ? [{ cells: ["Total", ...head.slice(1).map(() => "")], row: null }]
    : [];
  return {
    kind: "invoices",
    above: [],
    head,
    lines: [...rows, ...total],
    delimiter: dice.one([",", ";", "\t"]),
  };
}
