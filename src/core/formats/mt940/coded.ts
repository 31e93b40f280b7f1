/** Codes before the parts of a `:86:` that is written between strokes (common practice, no source). */
const CODES =
  "EREF KREF PREF IREF MARF CSID CNTP ORDP BENM NAME IBAN BIC REMI PURP TRTP RTRN ULTB ULTD ISDT SVCL OCMT CHGS";
const CODE = new RegExp(`/(${CODES.replaceAll(" ", "|")})/`, "g");
/** What stands before the words of a payer: whether they are free. */
const FREE = /^(?:USTD|STRD)\/+(?:CUR\/)?/;
/** A payer's own reference that is none. */
const NO_REFERENCE = /^(?:NOTPROVIDED|NONREF)?$/i;

/**
 * Who and what for, of a `:86:` whose parts stand behind codes between strokes (`/EREF/…//REMI/…`):
 * the name, the words, the payer's reference. Null where it is no such text, or has no words.
 */
export function codedRemittance(text: string): string | null {
  const codes = [...text.matchAll(CODE)];
  if (codes[0]?.index !== 0) return null;
  const parts = codes.map((code, at): readonly [string, string] => {
    const from = code.index + code[0].length;
    return [
      code[1] ?? "",
      text
        .slice(from, codes[at + 1]?.index)
        .replace(/(?<!\/)\/+$/, "")
        .trim(),
    ];
  });
  const of = (code: string): string => parts.find(([name]) => name === code)?.[1] ?? "";
  // The other side's account, its bank, its name and its town stand behind one another.
  const name = [of("NAME"), (of("CNTP").split("/")[2] ?? "").trim(), of("ORDP"), of("BENM")].find(
    (one) => one !== "",
  );
  const words = of("REMI").replace(FREE, "").trim();
  const reference = NO_REFERENCE.test(of("EREF")) ? "" : of("EREF");
  const found = [name ?? "", words, reference].filter((part) => part !== "");
  return found.length === 0 ? null : found.join(" ");
}
