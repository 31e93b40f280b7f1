import { ZERO } from "@/core/money";
import type { CustomerRow } from "@/db/customers";
import { insertLetter } from "@/db/letters";
import { backFrom, personsOf } from "@/db/persons";
import type { CommandContext } from "@/server/runtime/context";

import { addressed } from "../letters";

/** Step of letters that are no rung of a ladder: nothing is asked for by them, and nobody is reminded. */
const NO_RUNG = 0;

/** To whom a mail to a customer goes; `to` is null where no mail reaches it. */
export const reachOf = ({ db }: CommandContext, customer: CustomerRow) =>
  addressed({ persons: personsOf(db, customer.id), customer }, (address) => backFrom(db, address));

type Mail = {
  customerId: number;
  to: string;
  copies: string;
  subject: string;
  body: string;
  /** What it is, as a part of its file's name. */
  what: "answer" | "card" | "receipt" | "sum";
  /** The receipt that goes with it. */
  receiptId?: number;
  actId: number;
};

/** Records a mail that leaves by the outbox, once, and stands on the customer's history. */
export function mailBeside(ctx: CommandContext, mail: Mail): void {
  const { customerId, to, copies, subject, body, what, receiptId, actId } = mail;
  const { currency } = ctx.settings;
  const name = `${ctx.today}-${what}-${actId}`;
  insertLetter(
    ctx.db,
    {
      customerId,
      step: NO_RUNG,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject,
      body,
      currency,
      sum: ZERO,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach: "none",
      fee: ZERO,
      feeCurrency: currency,
      ...(receiptId === undefined ? {} : { receiptId }),
      actId,
    },
    // It brings no invoice and asks for none: on an invoice's page it is not among what was sent.
    [],
  );
}
