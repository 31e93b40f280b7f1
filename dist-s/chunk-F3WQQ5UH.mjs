import {
  readOrders
} from "./chunk-B3YOCYCK.mjs";
import {
  takeOrders
} from "./chunk-KAL5CQKH.mjs";
import {
  runCommand
} from "./chunk-JSRFI5DX.mjs";
import {
  openBookToWrite
} from "./chunk-CST2UU67.mjs";
import {
  EXIT,
  failed,
  inWords,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import {
  documentById
} from "./chunk-VU6MJZGF.mjs";
import {
  linkOf
} from "./chunk-NIPXDDDQ.mjs";
import {
  STAGE_WORDS,
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import {
  fail
} from "./chunk-V6I26S2F.mjs";

// src/cli/invoice.ts
import { createHash, randomUUID } from "node:crypto";
import { readFileSync, statSync } from "node:fs";

// src/server/invoices/queries/told.ts
function toldDocument(db, document, id) {
  const found = documentById(db, id);
  if (!found) throw new Error("a document that was made is there");
  const sum = (amount) => toDecimal(amount, found.currency);
  return {
    document,
    number: found.number,
    state: found.stage,
    issued_on: found.issuedOn,
    due_on: found.dueOn,
    net: sum(found.net),
    tax: sum(found.tax),
    total: sum(found.total),
    link: `${readSettings(db).linkBase ?? localBase()}/account/${linkOf(db, found.customerId)}`
  };
}
var localBase = () => `http://127.0.0.1:${process.env.PUBLIC_PORT ?? process.env.PORT ?? "3000"}`;

// src/cli/invoice.ts
var MOST_BYTES = 5e7;
function invoice({ values, files }) {
  if (typeof values.book !== "string" || files.length === 0)
    return wrongCall("Say --book and at least one file of orders.");
  const read = [];
  for (const path of files) {
    const orders = readOrdersIn(path);
    if (!orders.ok) return stopped(path, orders.error);
    read.push(orders);
  }
  const opened = openBookToWrite(values.book);
  if (!opened.ok) return failed(opened.error);
  const told = [];
  const messages = [];
  for (const [at, orders] of read.entries()) {
    if (!orders.ok) continue;
    const input = { orders: orders.value.orders, approve: values.approve === true };
    const who = { book: values.book, actor: "command line", key: keyOf(input) };
    const done = runCommand(opened.value, takeOrders, input, who);
    if (!done.ok) return failed(done.error);
    told.push(
      ...done.value.documents.map(({ document, id }) => toldDocument(opened.value, document, id))
    );
    messages.push(
      ...[...orders.value.refused, ...done.value.refused].map(
        (refusal) => orderRefused(files[at] ?? "", refusal)
      )
    );
  }
  return {
    code: messages.length > 0 ? EXIT.wrong : EXIT.done,
    text: told.map(orderLine).join("\n"),
    data: told,
    messages
  };
}
var keyOf = (input) => `${createHash("sha256").update(JSON.stringify(input)).digest("hex").slice(0, 16)}-${randomUUID()}`;
function readOrdersIn(path) {
  try {
    if (!statSync(path).isFile() || statSync(path).size > MOST_BYTES)
      return fail("file.unreadable", { path });
    return readOrders(readFileSync(path));
  } catch {
    return fail("file.unreadable", { path });
  }
}
function stopped(path, error) {
  const outcome = failed(error);
  return {
    ...outcome,
    code: EXIT.input,
    messages: (outcome.messages ?? []).map((message) => `${path}: ${message}`)
  };
}
var orderRefused = (path, { document, row, field, error }) => `${path}: ${document === "" ? "" : `${document}, `}row ${row}, ${field}: ${inWords(error)}`;
var orderLine = ({ document, number, state, due_on, total }) => `${document}: ${number ?? "no number yet"}, ${STAGE_WORDS[state]}, due ${due_on}, ${total}`;

export {
  toldDocument,
  invoice,
  orderRefused,
  orderLine
};
