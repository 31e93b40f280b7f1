import { refundInput } from "@/contracts/paying";
import { processorBehind } from "@/practice";
import { sendIfFree } from "@/server/paying/sendRefunds";
import { bookContext } from "@/server/runtime/bookContext";
import { minor } from "@/core/money";

import { answer, type BookParams, noBook } from "../../../../../../../answers";
import { personOf } from "../../../../../../../person";
import { bodyOf, refused, runIn, UNREAD } from "../../../../../../../pay/pay";

/** Sends money back the way it came, or has it wait for a second person where it is over the limit. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  const context = bookContext(book);
  if (!context) return noBook(book);
  const asked = await bodyOf(request, refundInput);
  const processor = processorBehind(book);
  if (!asked || !processor) return refused(UNREAD);
  const run = runIn(book, await personOf(book));
  const input = { ...asked, amount: minor(asked.amount), receiptId: Number(id) };
  const kept = await run("askRefund", input, `ask-${asked.key}`);
  if (!kept.ok) return answer(kept);
  return answer(await sendIfFree(context.db, { processor, run, on: context.today }, kept.value.id));
}
