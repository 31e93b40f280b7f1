import { runInput } from "@/contracts/paying";
import { runAgreed } from "@/server/paying/runAgreed";

import type { BookParams } from "../../../../../answers";
import { byClerk } from "../../../../../pay/byClerk";

/** Takes the agreed payments that were looked at; each once, whoever asks again. */
export async function POST(request: Request, { params }: BookParams): Promise<Response> {
  const { book } = await params;
  return byClerk(request, book, runInput, async ({ context, asked, processor, run }) => {
    const keys = new Set(asked.keys);
    return Response.json(await runAgreed(context.db, { processor, run, on: context.today, keys }));
  });
}
