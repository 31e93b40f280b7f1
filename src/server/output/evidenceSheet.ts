import type { Content, TableCell } from "pdfmake/interfaces";

import type { Day } from "@/core/calendar";
import { applicationsOfReceipt } from "@/db/applications";
import { visitsOf } from "@/db/accountPages";
import { consentById } from "@/db/consents";
import type { AttachmentRow } from "@/db/attachments";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { lettersOf } from "@/db/letters";
import type { OpenItemRow } from "@/db/openItems";
import { paymentOfReceipt } from "@/db/payments";
import { payMethodById } from "@/db/payMethods";
import type { ProcessorItemRow } from "@/db/processor";
import type { ReceiptRow } from "@/db/receipts";

import {
  dressed,
  dressOf,
  inDress,
  ledgerTable,
  left,
  type PaperDress,
  right,
  sum,
} from "./accountPaper";
import { addressedTo } from "./addressedTo";
import { paperDay } from "./paperDay";

/** What a dispute is about: the charge that is contested, what it paid, and the papers of that. */
export type Contested = {
  dispute: ProcessorItemRow;
  receipt: ReceiptRow & { customerId: number };
  items: OpenItemRow[];
  papers: AttachmentRow[];
};

/** The sheet that an answer to a dispute begins with: the charge, what it was for, and what happened when. */
export async function evidenceSheet(
  db: Db,
  contested: Contested & { unread: readonly string[] },
): Promise<Buffer> {
  const { dispute, receipt } = contested;
  const customer = customerById(db, receipt.customerId);
  if (!customer) throw new Error("a receipt's customer is there");
  // It is read by the processor's people, and not by the customer.
  const dress: PaperDress = { ...dressOf(db, customer), language: "en", link: "" };
  const title = `Answer to dispute ${dispute.externalId}`;
  const head = { title, to: addressedTo(db, customer), facts: factsOf(db, contested) };
  return inDress(dress, title, [
    dressed(dress, head, [
      paidTable(db, dress, contested),
      { text: "", margin: [0, 8, 0, 8] },
      happenedTable(db, dress, contested),
    ]),
  ]);
}

const day = (on: Day): string => paperDay(on, "en");

function factsOf(db: Db, { dispute, receipt }: Contested): [string, string][] {
  const payment = paymentOfReceipt(db, receipt.id);
  const method = payment ? payMethodById(db, payment.methodId) : undefined;
  const consent = payment?.consentId == null ? undefined : consentById(db, payment.consentId);
  return [
    [
      "Disputed",
      `${dispute.currency} ${sum(-dispute.amount, dispute.currency)} on ${day(dispute.occurredOn)}`,
    ],
    ...(dispute.answerBy === null ? [] : [fact("To be answered by", day(dispute.answerBy))]),
    [
      "Charged",
      `${receipt.currency} ${sum(receipt.amount, receipt.currency)} on ${day(receipt.paidOn)}`,
    ],
    ["Paid by", receipt.payerName || receipt.payerEmail],
    ...(method ? [fact("From", `${method.name} ending in ${method.lastFour}`)] : []),
    ...(consent
      ? [
          fact(
            "Agreed to",
            `${consent.words} (${consent.at}, from ${consent.address}, ${consent.agent})`,
          ),
        ]
      : []),
  ];
}

const fact = (term: string, said: string): [string, string] => [term, said];

/** What the charge was for. */
function paidTable(db: Db, dress: PaperDress, { receipt, items }: Contested): Content {
  const given = applicationsOfReceipt(db, receipt.id);
  const rows = items.map((item): TableCell[] => {
    const application = given.find(({ openItemId }) => openItemId === item.id);
    return [
      left(item.number),
      left(day(item.issuedOn)),
      left(item.description ?? ""),
      right(sum(application?.amount ?? 0, receipt.currency)),
    ];
  });
  const head = [left("Invoice", true), left("Of", true), left("For", true), right("Paid", true)];
  return ledgerTable(dress, ["auto", "auto", "*", "auto"], [head, ...rows]);
}

/** What was sent to the customer and what it looked at, in the order of the days. */
function happenedTable(
  db: Db,
  dress: PaperDress,
  { receipt, papers, unread }: Contested & { unread: readonly string[] },
): Content {
  const { customerId } = receipt;
  const happened: [Day, string][] = [
    ...lettersOf(db, customerId).map(({ onDay, toAddress, subject, cameBack }): [Day, string] => [
      onDay,
      `mailed to ${toAddress}: ${subject}${cameBack === null ? "" : " (came back)"}`,
    ]),
    ...visitsOf(db, customerId).map(({ on, what, number }): [Day, string] => [
      on,
      what === "opened"
        ? "the customer opened its page"
        : `the customer fetched ${number ?? `a ${what}`}`,
    ]),
    ...papers.map(({ addedOn, name }): [Day, string] => [
      addedOn,
      `paper kept: ${name}${unread.includes(name) ? ", to be sent by itself: it cannot be put in here" : ""}`,
    ]),
    [receipt.paidOn, "paid"],
  ];
  happened.sort(([a], [b]) => (a < b ? -1 : Number(a > b)));
  const rows = happened.map(([on, what]): TableCell[] => [left(day(on)), left(what)]);
  return ledgerTable(
    dress,
    ["auto", "*"],
    [[left("Day", true), left("What happened", true)], ...rows],
  );
}
