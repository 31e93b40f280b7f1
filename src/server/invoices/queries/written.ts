import type { Backing, Linked, Unread } from "@/contracts/history";
import type { PaperFacts, Written } from "@/contracts/invoices";
import { stateOf } from "@/core/invoices";
import { add, minor, sumOf } from "@/core/money";
import { visitsOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { creditUsesAbout } from "@/db/creditUses";
import { creditNotesOf, documentOfItem } from "@/db/documents";
import { wayOf } from "@/db/documentWays";
import { openItemById, type OpenItemRow, partsOfInvoice } from "@/db/openItems";
import { actsAbout, entriesAbout } from "@/server/books/queries/history";

/** What credit notes took off an invoice, or what a credit note was taken off. */
export function setOffs(db: Db, itemId: number): Linked[] {
  return creditUsesAbout(db, itemId).map(({ creditItemId, openItemId, amount, onDay, endedBy }) => {
    const other = openItemById(db, creditItemId === itemId ? openItemId : creditItemId);
    return {
      words: other ? `${other.kind.replace("_", " ")} ${other.number}` : "credit note",
      href: `invoices/${other?.id ?? itemId}`,
      on: onDay,
      amount,
      note: "set off",
      ended: endedBy !== null,
    };
  });
}

/** How a document that was written here stands; null for one that came by a file. */
export function writtenOf(db: Db, item: OpenItemRow): Written | null {
  const document = documentOfItem(db, item.id);
  if (!document?.frozen) return null;
  const credited = sumOf(creditNotesOf(db, document.id), ({ total }) => total);
  const parts = item.partOf === null ? [] : partsOfInvoice(db, item.partOf);
  const open = parts.length === 0 ? [item] : parts;
  const opened = visitsOf(db, item.customerId).some(({ itemId }) =>
    open.some(({ id }) => id === itemId),
  );
  const balance = minor(Math.abs(sumOf(open, (part) => part.balance)));
  const { total } = document;
  const reachedOn = wayOf(db, document.id)?.doneOn ?? null;
  const sent = reachedOn !== null;
  return {
    id: document.id,
    reachedOn,
    paper: JSON.parse(document.frozen) as PaperFacts,
    parts: parts.map(({ id, number, dueOn, total, balance }) => ({
      itemId: id,
      number,
      dueOn,
      sum: total,
      balance,
    })),
    state: stateOf({ stage: document.stage, total, balance, credited, sent, opened }),
    creditable: document.kind === "invoice" ? add(document.total, -credited) : minor(0),
  };
}

/** What was posted and done about an item; what was done to an invoice in parts is kept with its first. */
export function writtenHistory(
  db: Db,
  { id, partOf }: OpenItemRow,
): Pick<Unread<Backing>, "entries" | "acts"> {
  const document = documentOfItem(db, id);
  const whole = partOf === null ? id : (document?.openItemId ?? id);
  const places = [...new Set([whole, id])];
  const entries = places.flatMap((place) => entriesAbout(db, "open_item", place));
  return {
    entries: [...new Map(entries.map((entry) => [entry.id, entry])).values()],
    acts: [
      ...(document ? actsAbout(db, "document", document.id) : []),
      ...places.flatMap((place) => actsAbout(db, "open_item", place)),
    ],
  };
}
