import { fail } from "@/core/result";
import { type MailReport, MOST_MAIL_BYTES } from "@/server/overdue/returnedMail";
import { bookExists } from "@/server/runtime/folders";
import { inWords } from "@/server/runtime/messages";
import { readForeign } from "@/server/runtime/threads/limited";
import { refusalOf } from "@/server/runtime/door/ownRequest";

import { answer, type BookParams, value } from "../../../../../answers";

const MOST_MAILS = 100;

/**
 * Reads mails that say that a letter came back (a form with files), and gives what they report;
 * nothing is noted yet.
 */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  if (!bookExists(book)) return answer(fail("book.missing", { book }));
  const form = await request.formData().catch(() => null);
  const files =
    form
      ?.getAll("mail")
      .filter((formDataEntryValue) => formDataEntryValue instanceof File)
      .slice(0, MOST_MAILS) ?? [];
  if (files.length === 0) return answer(fail("file.empty"));
  const [reports, problems]: [MailReport[], string[]] = [[], []];
  for (const file of files) {
    const read =
      file.size > MOST_MAIL_BYTES
        ? fail("mail.large", { file: file.name, most: MOST_MAIL_BYTES / 1_000_000 })
        : await readForeign<"mail">({
            what: "mail",
            name: file.name,
            bytes: new Uint8Array(await file.arrayBuffer()),
          });
    if (read.ok) reports.push(read.value);
    else problems.push(inWords(read.error));
  }
  return value({ reports, problems });
}
