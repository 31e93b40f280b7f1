import { actOfSettingAside } from "@/server/match/queries/setAside";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** The act by which a receipt was set aside, which undo takes back. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => ({
    actId: actOfSettingAside(db, Number(id)),
  }));
}
