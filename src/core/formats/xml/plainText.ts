const CDATA = { begins: "<![CDATA[", ends: "]]>" };
const COMMENT = { begins: "<!--", ends: "-->" };

/**
 * XML whose text stands as text: sections of CDATA escaped, comments left out, every line where it was.
 * In one pass; what does not end stays as it stands. Source: XML 1.0, 2.5 and 2.7.
 */
export function plainText(text: string): string {
  if (!text.includes("<!")) return text;
  const parts: string[] = [];
  let from = 0;
  for (let at = text.indexOf("<!"); at >= 0; at = text.indexOf("<!", at + 2)) {
    const of = [CDATA, COMMENT].find(({ begins }) => text.startsWith(begins, at));
    if (of === undefined || at < from) continue;
    const end = text.indexOf(of.ends, at + of.begins.length);
    if (end < 0) break;
    const within = text.slice(at + of.begins.length, end);
    parts.push(text.slice(from, at), of === CDATA ? escaped(within) : linesOf(within));
    from = end + of.ends.length;
  }
  return parts.length === 0 ? text : parts.join("") + text.slice(from);
}

const escaped = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

const linesOf = (text: string): string => "\n".repeat(text.split("\n").length - 1);
