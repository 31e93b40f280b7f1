import { createHash, randomUUID } from "node:crypto";
import { readFileSync, statSync } from "node:fs";

import type { Result } from "@/core/result";
import { fail } from "@/core/result";
import type { OrderRefusal } from "@/core/invoices";
import { STAGE_WORDS } from "@/core/invoices";
import { takeOrders } from "@/server/invoices/commands/takeOrders";
import { toldDocument, type ToldDocument } from "@/server/invoices/queries/told";
import { readOrders } from "@/server/invoices/steps/readOrders";
import { openBookToWrite } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { inWords } from "@/server/runtime/messages";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

const MOST_BYTES = 50_000_000;

/** `dozo invoice`: orders in, documents out; a document with an error is refused whole, the others go on. */
export function invoice({ values, files }: Args): Outcome {
  if (typeof values.book !== "string" || files.length === 0)
    return wrongCall("Say --book and at least one file of orders.");
  const read: ReturnType<typeof readOrders>[] = [];
  for (const path of files) {
    const orders = readOrdersIn(path);
    if (!orders.ok) return stopped(path, orders.error);
    read.push(orders);
  }
  const opened = openBookToWrite(values.book);
  if (!opened.ok) return failed(opened.error);
  const told: ToldDocument[] = [];
  const messages: string[] = [];
  for (const [at, orders] of read.entries()) {
    if (!orders.ok) continue;
    const input = { orders: orders.value.orders, approve: values.approve === true };
    const who = { book: values.book, actor: "command line", key: keyOf(input) };
    const done = runCommand(opened.value, takeOrders, input, who);
    if (!done.ok) return failed(done.error);
    told.push(
      ...done.value.documents.map(({ document, id }) => toldDocument(opened.value, document, id)),
    );
    messages.push(
      ...[...orders.value.refused, ...done.value.refused].map((refusal) =>
        orderRefused(files[at] ?? "", refusal),
      ),
    );
  }
  return {
    code: messages.length > 0 ? EXIT.wrong : EXIT.done,
    text: told.map(orderLine).join("\n"),
    data: told,
    messages,
  };
}

/** Each call is one of its own: what came before is known by the names of its documents. */
const keyOf = (input: object): string =>
  `${createHash("sha256").update(JSON.stringify(input)).digest("hex").slice(0, 16)}-${randomUUID()}`;

function readOrdersIn(path: string): ReturnType<typeof readOrders> {
  try {
    if (!statSync(path).isFile() || statSync(path).size > MOST_BYTES)
      return fail("file.unreadable", { path });
    return readOrders(readFileSync(path));
  } catch {
    return fail("file.unreadable", { path });
  }
}

function stopped(path: string, error: Extract<Result<never>, { ok: false }>["error"]): Outcome {
  const outcome = failed(error);
  return {
    ...outcome,
    code: EXIT.input,
    messages: (outcome.messages ?? []).map((message) => `${path}: ${message}`),
  };
}

/** An order that was refused: where, and why. */
export const orderRefused = (path: string, { document, row, field, error }: OrderRefusal): string =>
  `${path}: ${document === "" ? "" : `${document}, `}row ${row}, ${field}: ${inWords(error)}`;

/** A document that an order became. */
export const orderLine = ({ document, number, state, due_on, total }: ToldDocument): string =>
  `${document}: ${number ?? "no number yet"}, ${STAGE_WORDS[state as keyof typeof STAGE_WORDS]}, due ${due_on}, ${total}`;
