import { z } from "zod";

import { fail } from "@/core/result";
import { answerByProcessor } from "@/server/paying/answerByProcessor";
import { makePaper } from "@/server/runtime/threads/limited";

import { answer, type BookParams } from "../../../../../../../answers";
import { byClerk } from "../../../../../../../pay/byClerk";
import { refused } from "../../../../../../../pay/pay";

/** Sends what the book has to the processor, as the answer to a dispute, and marks it as answered. */
export async function POST(
  request: Request,
  { params }: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await params;
  return byClerk(request, book, z.object({}), async ({ context, processor, run }) => {
    const made = await makePaper(book, { paper: "evidence", id: Number(id) });
    if (!made.ok) return refused(fail("dispute.unknown").error);
    const { db, today: on } = context;
    const dispute = { id: Number(id), evidence: made.value.bytes, on };
    return answer(await answerByProcessor(db, { processor, run }, dispute));
  });
}
