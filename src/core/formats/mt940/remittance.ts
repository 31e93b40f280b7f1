/** Parts of a structured `:86:` that say who and what for: 20 to 29 and 60 to 63 the words, 32 and 33 the name. */
const WORDS = /^(?:2\d|6[0-3])$/;
const NAME = /^3[23]$/;

/**
 * The words of a `:86:`: of the structured form (`166?00…?20…?32…`) the name and the words in their
 * order, else the text as it stands, its lines joined.
 */
export function remittanceIn(information: string): string {
  const text = information.replaceAll("\n", "");
  const parts = /^\d{3}([?>~|])(?=\d\d)/.exec(text);
  if (!parts) return information.replaceAll("\n", " ").replace(/ {2,}/g, " ").trim();
  const fields = text
    .slice(3)
    .split(parts[1] ?? "?")
    .filter((part) => part !== "")
    .map((part) => [part.slice(0, 2), part.slice(2)] as const);
  const joined = (of: RegExp): string =>
    fields
      .filter(([code]) => of.test(code))
      .map(([, part]) => part)
      .join("");
  return [joined(NAME).trim(), joined(WORDS).trim()].filter((part) => part !== "").join(" ");
}
