import { mendInput } from "@/contracts/mend";
import { fail } from "@/core/result";
import { keepFile } from "@/server/arrivals/keepFile";
import { bookContext } from "@/server/runtime/bookContext";
import { refusalOf } from "@/server/runtime/door/ownRequest";
import { readForeign } from "@/server/runtime/threads/limited";

import { answer, type BookParams, noBook } from "../../../../../../answers";
import { bodyOf } from "../../../../../../pay/pay";

/** Writes a cell of a list anew that was refused, and reads the list again; what came stays as it came. */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  const found = bookContext(book);
  if (!found) return noBook(book);
  const asked = await bodyOf(request, mendInput);
  if (!asked) return answer(fail("mend.cell", { line: 0, column: "" }));
  const { sha256, name, kind, ...cell } = asked;
  const text = await readForeign<"mend">({ what: "mend", book, sha256, cell });
  if (!text.ok) return answer(text);
  const kept = await keepFile(book, bytesOf(text.value), (path) =>
    readForeign<"mask">({ what: "mask", path }),
  );
  if (!kept.ok) return answer(kept);
  const { currency } = found;
  const { head } = cell;
  const as = { what: "inspect" as const, book, sha256: kept.value.sha256, kind, currency, head };
  const read = await readForeign<"inspect">(as);
  if (!read.ok) return answer(read);
  return answer({ ok: true, value: { ...kept.value, name: mendedName(name), ...read.value } });
}

async function* bytesOf(text: string): AsyncGenerator<Uint8Array> {
  yield await Promise.resolve(Buffer.from(text));
}

/** A file that was mended says so by its name. @example mendedName("a.csv") // "a (mended).csv" */
const mendedName = (name: string): string =>
  / \(mended\)/.test(name) ? name : name.replace(/(\.[^.]*)?$/, " (mended)$1");
