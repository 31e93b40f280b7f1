import { fail, ok, type Result } from "@/core/result";
import { type CustomerCard, editOfAct, laterEdits, setCard } from "@/db/customerCards";
import { type CustomerFields, setCustomer } from "@/db/customers";
import { setPersons } from "@/db/persons";
import type { ContactPerson } from "@/core/parties";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

type Before = { customer: CustomerFields; card?: CustomerCard; persons?: ContactPerson[] };

/** Puts a customer back as it was before an act; not below a later change of it. */
export function restoreCustomer(ctx: CommandContext, actId: number): Result<null> {
  const edit = editOfAct(ctx.db, actId);
  if (!edit) return fail("act.unknown");
  if (laterEdits(ctx.db, actId, edit.customerId) > 0) return fail("customer.later");
  const { customer, card, persons } = JSON.parse(edit.before) as Before;
  setCustomer(ctx.db, edit.customerId, customer);
  if (card) setCard(ctx.db, edit.customerId, card);
  if (persons) setPersons(ctx.db, edit.customerId, persons);
  return ok(null);
}

export const unchangeCustomer: Reversal = (ctx, act) => restoreCustomer(ctx, act.id);
