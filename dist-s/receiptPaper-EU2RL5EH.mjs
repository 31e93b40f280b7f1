import {
  addressedTo,
  dressOf,
  dressed,
  inDress,
  ledgerTable,
  left,
  right,
  sum
} from "./chunk-H4IWN4GH.mjs";
import "./chunk-AQEELLRW.mjs";
import {
  paperDay
} from "./chunk-25VLJY7E.mjs";
import {
  applicationsOfReceipt,
  receiptById
} from "./chunk-ZD2GVI7S.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-IAIVUFHX.mjs";
import {
  openItemById
} from "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import {
  customerById
} from "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";

// src/server/output/receiptPaper.ts
async function receiptPdf(db, receiptId) {
  const receipt = receiptById(db, receiptId);
  if (!receipt || receipt.customerId === null) return null;
  const customer = customerById(db, receipt.customerId);
  if (!customer) return null;
  const dress = dressOf(db, customer);
  const title = `${dress.said.receipt} ${receipt.id}`;
  const head = { title, to: addressedTo(db, customer), facts: factsOf(receipt, dress) };
  const rows = [headRow(dress), ...rowsOf(db, receipt, dress), totalRow(receipt, dress)];
  return inDress(dress, title, [dressed(dress, head, [ledgerTable(dress, ["*", "auto"], rows)])]);
}
function factsOf(receipt, { said, language }) {
  const way = said.ways[receipt.method] ?? said.ways.other ?? receipt.method;
  return [
    [said.day, paperDay(receipt.paidOn, language)],
    [said.from, receipt.payerName || receipt.payerEmail],
    [said.by, receipt.number === null ? way : `${way} ${receipt.number}`]
  ];
}
var headRow = ({ said }) => [
  left(said.applied, true),
  right(said.amount, true)
];
function rowsOf(db, receipt, { said }) {
  const given = applicationsOfReceipt(db, receipt.id).filter(({ endedBy }) => endedBy === null);
  const lines = given.map((application) => {
    const item = openItemById(db, application.openItemId);
    return [item?.number ?? said.invoice, application.amount];
  });
  const others = [
    [said.on_account, receipt.onAccount],
    [said.events.surcharge ?? "", receipt.surcharge],
    [said.events.refund ?? "", receipt.goneBack]
  ];
  const known = [...lines, ...others].reduce((so, [, amount]) => so + amount, 0);
  const all = [...lines, ...others, [said.ways.other ?? "", receipt.amount - known]];
  return all.filter(([, amount]) => amount !== 0).map(([words, amount]) => [left(words), right(sum(amount, receipt.currency))]);
}
var totalRow = ({ amount, currency }, { said }) => [
  left(said.total, true),
  right(`${currency} ${sum(amount, currency)}`, true)
];
export {
  receiptPdf
};
