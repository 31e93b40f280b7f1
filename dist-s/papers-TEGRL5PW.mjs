import {
  extrasOf,
  paperOfItem,
  paperPdf
} from "./chunk-BCSJ5RDQ.mjs";
import {
  addressedTo,
  dressOf,
  dressed,
  inDress,
  ledgerTable,
  left,
  printable,
  right,
  sum
} from "./chunk-H4IWN4GH.mjs";
import "./chunk-AQEELLRW.mjs";
import {
  paperDay
} from "./chunk-25VLJY7E.mjs";
import {
  letterById
} from "./chunk-M4LGBKXJ.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-VU6MJZGF.mjs";
import "./chunk-ELMUUMV5.mjs";
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

// src/server/output/papers.ts
async function invoicePdf(db, itemId) {
  const item = openItemById(db, itemId);
  const customer = item && customerById(db, item.customerId);
  if (!item || !customer) return null;
  const paper = paperOfItem(db, itemId);
  if (paper) return paperPdf(paper, extrasOf(db, paper));
  const dress = dressOf(db, customer);
  const title = `${titleOf(item, dress.said)} ${item.number}`;
  const head = { title, to: addressedTo(db, customer), facts: factsOf(item, dress) };
  return inDress(dress, title, [dressed(dress, head, [sumsOf(item, dress)])]);
}
function titleOf({ kind }, said) {
  if (kind === "credit_note") return said.credit_note;
  return kind === "late_fee" ? said.fee : said.invoice;
}
function factsOf(item, { said, language }) {
  const facts = [
    [said.issued, paperDay(item.issuedOn, language)],
    [said.due, item.kind === "credit_note" ? null : paperDay(item.dueOn, language)],
    [said.terms, item.terms],
    [said.order, item.poNumber]
  ];
  return facts.flatMap(([term, fact]) => fact ? [[term, fact]] : []);
}
function sumsOf(item, dress) {
  const { said } = dress;
  const amount = (of) => `${item.currency} ${sum(of, item.currency)}`;
  return ledgerTable(
    dress,
    ["*", "auto"],
    [
      [left(said.applied, true), right(said.amount, true)],
      [left(item.description ?? ""), right(amount(item.total - item.tax))],
      ...item.tax === 0 ? [] : [[left(said.tax), right(amount(item.tax))]],
      [left(said.total, true), right(amount(item.total), true)],
      [left(said.open), right(amount(item.balance))]
    ]
  );
}
async function letterPdf(db, letterId) {
  const letter = letterById(db, letterId);
  const customer = letter && customerById(db, letter.customerId);
  if (!letter || !customer) return null;
  const dress = dressOf(db, customer);
  const { said, language } = dress;
  const head = {
    title: letter.subject,
    to: addressedTo(db, customer),
    facts: [[said.day, paperDay(letter.onDay, language)]]
  };
  const body = [{ text: printable(letter.body), preserveLeadingSpaces: true }];
  return inDress(dress, letter.subject, [dressed(dress, head, body)]);
}
export {
  invoicePdf,
  letterPdf
};
