import { actsOf } from "@/db/acts";

import { fromBook, type BookParams } from "../../../../../../../answers";

/** The act by which a receipt was set aside, which undo takes back. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, (db, { id }) => ({
    actId:
      actsOf(db, "receipt", Number(id)).findLast(
        (act) => act.kind === "set_aside" && act.undoneBy === null,
      )?.id ?? null,
  }));
}
