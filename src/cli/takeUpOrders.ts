import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";

import { fail, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { type OrdersTaken, takeOrders } from "@/server/invoices/commands/takeOrders";
import { toldDocument } from "@/server/invoices/queries/told";
import { readOrders } from "@/server/invoices/steps/readOrders";
import { runCommand } from "@/server/runtime/command";
import { inWords } from "@/server/runtime/messages";

import { orderLine, orderRefused } from "./invoice";
import type { TakenUp } from "./takenUp";

type Orders = ReturnType<typeof readOrders>;

/** The orders of a file that is one of orders; an error where it is something else. */
export function ordersIn(path: string): Orders {
  try {
    return readOrders(readFileSync(path));
  } catch {
    return fail("file.unreadable", { path });
  }
}

/**
 * Orders that came by themselves become drafts, to be looked at before they are approved: all of a
 * file, or none where one of them is refused. What came before is the draft that it became.
 */
export function takeUpOrders(
  db: Db,
  { path, book }: { path: string; book: string },
  { orders, refused }: Extract<Orders, { ok: true }>["value"],
): TakenUp {
  const run = (rehearse: boolean): Result<OrdersTaken> => {
    const who = { book, actor: "watched folder", key: randomUUID(), rehearse };
    return runCommand(db, takeOrders, { orders, approve: false }, who);
  };
  const looked = run(true);
  const wrong = looked.ok ? [...refused, ...looked.value.refused] : refused;
  const done = looked.ok && wrong.length === 0 ? run(false) : looked;
  if (!done.ok || wrong.length > 0) {
    const text = [
      ...wrong.map((refusal) => orderRefused(path, refusal)),
      ...(done.ok ? [] : [`${path}: ${inWords(done.error)}`]),
    ];
    return { outcome: "refused", text, data: { state: "refused", file: path, messages: text } };
  }
  const told = done.value.documents.map(({ document, id }) => toldDocument(db, document, id));
  return {
    outcome: "taken",
    text: told.map(orderLine),
    data: { state: "taken", file: path, kind: "orders", documents: told },
  };
}
