import { alike } from "@/server/customers/queries/alike";

import { type BookParams, fromBook } from "../../../../../../answers";

/** Customers that one who is being typed may be a double of. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const asked = (name: string): string => (searchParams.get(name) ?? "").slice(0, 200);
  return fromBook(context, ({ db }) =>
    alike(db, {
      name: asked("name"),
      email: asked("email"),
      taxNumber: asked("tax"),
      not: Number(asked("not")) || null,
    }),
  );
}
