import { refundInput } from "@/contracts/paying";
import { minor } from "@/core/money";
import { sendIfFree } from "@/server/paying/sendRefunds";

import { answer, type BookParams } from "../../../../../../../answers";
import { byClerk } from "../../../../../../../pay/byClerk";

/** Sends money back the way it came, or has it wait for a second person where it is over the limit. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  return byClerk(request, book, refundInput, async ({ context, asked, processor, run }) => {
    const input = { ...asked, amount: minor(asked.amount), receiptId: Number(id) };
    const kept = await run("askRefund", input, `ask-${asked.key}`);
    if (!kept.ok) return answer(kept);
    const sending = { processor, run, on: context.today };
    return answer(await sendIfFree(context.db, sending, kept.value.id));
  });
}
