import { fail, ok, type Result } from "@/core/result";
import type { AttachmentType } from "@/db/attachments";

/** Megabytes of one paper. */
export const MOST_MEGABYTES = 20;

const STARTS: readonly (readonly [AttachmentType, string])[] = [
  ["application/pdf", "255044462d"],
  ["image/png", "89504e470d0a1a0a"],
  ["image/jpeg", "ffd8ff"],
];

/** What other files are, by how they begin. */
const OTHERS: readonly (readonly [string, string])[] = [
  ["d0cf11e0a1b11ae1", "a document of an older office program, which can hold macros"],
  ["504b0304", "an office document or an archive, which can hold macros"],
  ["4d5a", "a program"],
  ["7f454c46", "a program"],
  ["2321", "a script"],
  ["3c", "a page of the web, or XML"],
];

/** Names by which a PDF says that it does something when it is opened. */
const ACTIVE = /\/(?:JavaScript|JS|Launch|RichMedia|XFA)\b/u;

/**
 * What a paper is, by its bytes and never by its name: PDF, PNG or JPEG, none other. A PDF that says
 * in plain sight that it runs something is refused; what is hidden in its compressed parts is held by
 * the browser's sandbox in which it is shown.
 */
export function paperType(bytes: Buffer, name: string): Result<AttachmentType> {
  if (bytes.length === 0) return fail("attachment.empty", { name });
  if (bytes.length > MOST_MEGABYTES * 1_000_000)
    return fail("attachment.large", {
      name,
      size: Math.ceil(bytes.length / 1_000_000),
      most: MOST_MEGABYTES,
    });
  const start = bytes.subarray(0, 8).toString("hex");
  const type = STARTS.find(([, begins]) => start.startsWith(begins))?.[0];
  if (type === undefined) {
    const what = OTHERS.find(([begins]) => start.startsWith(begins))?.[1];
    return fail("attachment.type", { name, what: what ?? "of a kind that is not known" });
  }
  if (type === "application/pdf" && ACTIVE.test(bytes.toString("latin1")))
    return fail("attachment.active", { name });
  return ok(type);
}
