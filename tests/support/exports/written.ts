import type { Dice } from "./dice";

/** How one export writes days. */
export const DAY_STYLES = [
  "iso",
  "mdy",
  "dmy",
  "dots",
  "short mdy",
  "short dmy",
  "named",
  "german",
  "french",
  "compact",
  "serial",
  "moment",
] as const;
export type DayStyle = (typeof DAY_STYLES)[number];

const EN = "Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec".split(" ");
const DE =
  "Januar Februar März April Mai Juni Juli August September Oktober November Dezember".split(" ");
const FR =
  "janvier février mars avril mai juin juillet août septembre octobre novembre décembre".split(" ");

export function dayText(day: string, style: DayStyle): string {
  const [y = "", m = "", d = ""] = day.split("-");
  const [short, month] = [y.slice(2), Number(m) - 1];
  switch (style) {
    case "iso":
      return day;
    case "mdy":
      return `${m}/${d}/${y}`;
    case "dmy":
      return `${d}/${m}/${y}`;
    case "dots":
      return `${d}.${m}.${y}`;
    case "short mdy":
      return `${Number(m)}/${Number(d)}/${short}`;
    case "short dmy":
      return `${d}-${m}-${short}`;
    case "named":
      return `${EN[month] ?? ""} ${Number(d)}, ${y}`;
    case "german":
      return `${Number(d)}. ${DE[month] ?? ""} ${y}`;
    case "french":
      return `${Number(d)} ${FR[month] ?? ""} ${y}`;
    case "compact":
      return `${y}${m}${d}`;
    case "serial":
      return String(Math.round(Date.UTC(Number(y), month, Number(d)) / 86_400_000) + 25_569);
    case "moment":
      return `${day}T17:30:00Z`;
    default:
      return style satisfies never;
  }
}

/** How one export writes sums: its marks, and where a minus stands. */
export type SumStyle = {
  readonly mark: "." | ",";
  readonly group: "" | "," | "." | " " | "'";
  readonly minus: "front" | "behind" | "parentheses";
  readonly sign: "" | "$" | "€" | "USD ";
  readonly cents: boolean;
};

export function sumStyle(dice: Dice): SumStyle {
  const mark = dice.chance(0.75) ? "." : ",";
  return {
    mark,
    group: dice.one(["", "", mark === "." ? "," : ".", " ", "'"] as const),
    minus: dice.one(["front", "front", "front", "behind", "parentheses"] as const),
    sign: dice.chance(0.15) ? "$" : "",
    cents: dice.chance(0.02),
  };
}

export function sumText(sum: number, style: SumStyle): string {
  const size = Math.abs(sum);
  const bare = style.cents
    ? String(size)
    : `${String(Math.floor(size / 100)).replace(/\B(?=(\d{3})+$)/g, style.group)}${style.mark}${String(size % 100).padStart(2, "0")}`;
  const text = `${style.sign}${bare}`;
  if (sum >= 0) return text;
  if (style.minus === "behind") return `${text}-`;
  return style.minus === "parentheses" ? `(${text})` : `-${text}`;
}

/** A table as text; cells with the delimiter or quotes in quotes (RFC 4180). */
export const tableText = (rows: readonly (readonly string[])[], delimiter: string): string =>
  rows
    .map((cells) =>
      cells
        .map((cell) =>
          cell.includes(delimiter) || cell.includes('"') ? `"${cell.replaceAll('"', '""')}"` : cell,
        )
        .join(delimiter),
    )
    .join("\r\n");
