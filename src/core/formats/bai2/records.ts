/** A record with the line on which it begins. */
export type Logical = { readonly line: number; readonly code: string; readonly text: string };

/** Records with their continuations (88) joined; the slash that ends a record is none of its text. */
export function recordsOf(text: string): Logical[] {
  const records: { line: number; code: string; text: string }[] = [];
  text.split(/\r\n|\n|\r/).forEach((physical, at) => {
    const trimmed = physical.trimEnd();
    if (trimmed === "") return;
    const [code, rest] = [trimmed.slice(0, 2), trimmed.slice(3)];
    const ended = rest.endsWith("/") ? rest.slice(0, -1) : rest;
    const last = records.at(-1);
    // A record that was ended goes on with fields of its own, one that was not goes on with its text.
    if (code === "88" && last) last.text += `${last.code === "16" ? " " : ","}${ended}`;
    else records.push({ line: at + 1, code, text: ended });
  });
  return records;
}
