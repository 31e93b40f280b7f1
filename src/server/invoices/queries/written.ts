import type { Linked } from "@/contracts/history";
import type { PaperFacts, Written } from "@/contracts/invoices";
import { stateOf } from "@/core/invoices";
import { add, minor, sumOf } from "@/core/money";
import { visitsOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { creditUsesAbout } from "@/db/creditUses";
import { creditNotesOf, documentOfItem } from "@/db/documents";
import { wayOf } from "@/db/documentWays";
import { openItemById, type OpenItemRow } from "@/db/openItems";

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
  const opened = visitsOf(db, item.customerId).some(({ itemId }) => itemId === item.id);
  const [total, balance] = [document.total, minor(Math.abs(item.balance))];
  const reachedOn = wayOf(db, document.id)?.doneOn ?? null;
  const sent = reachedOn !== null;
  return {
    id: document.id,
    reachedOn,
    paper: JSON.parse(document.frozen) as PaperFacts,
    state: stateOf({ stage: document.stage, total, balance, credited, sent, opened }),
    creditable: document.kind === "invoice" ? add(document.total, -credited) : minor(0),
  };
}
