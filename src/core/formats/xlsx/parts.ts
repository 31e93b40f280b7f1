import type { XmlNode } from "../xml/tree";
import { numberFormat, type NumberFormat } from "./numberFormat";

/** A sheet as the workbook names it, and the relation under which its part is found. */
export type SheetPart = { readonly name: string; readonly relation: string };

const childrenOf = (node: XmlNode | undefined, name: string): XmlNode[] =>
  node?.children.filter((child) => child.name === name) ?? [];

/** The sheets that a workbook shows, in its order; those that it hides only where it shows none. */
export function sheetsOfBook(book: XmlNode): { sheets: SheetPart[]; is1904: boolean } {
  const [list] = childrenOf(book, "sheets");
  const all = childrenOf(list, "sheet");
  const shown = all.filter(({ attributes }) => (attributes.state ?? "visible") === "visible");
  const sheets = (shown.length > 0 ? shown : all).map(({ attributes }) => ({
    name: attributes.name ?? "",
    relation: attributes.id ?? "",
  }));
  const [facts] = childrenOf(book, "workbookPr");
  return { sheets, is1904: isOn(facts?.attributes.date1904) };
}

export const isOn = (text: string | undefined): boolean => text === "1" || text === "true";

/**
 * The parts that a part is related to, by the id of the relation and by the last word of its kind
 * (`worksheet`, `styles`), as paths within the package.
 * Source: ECMA-376, part 2, 9.3 (relationships), from memory.
 */
export function partsRelated(
  relations: XmlNode,
  folder: string,
): { byId: ReadonlyMap<string, string>; byKind: ReadonlyMap<string, string> } {
  const found = childrenOf(relations, "Relationship").map(({ attributes }) => ({
    id: attributes.Id ?? "",
    kind: (attributes.Type ?? "").split("/").at(-1) ?? "",
    path: pathFrom(folder, attributes.Target ?? ""),
  }));
  return {
    byId: new Map(found.map(({ id, path }) => [id, path])),
    byKind: new Map(found.map(({ kind, path }) => [kind, path])),
  };
}

function pathFrom(folder: string, target: string): string {
  const steps = target.startsWith("/") ? [] : folder.split("/");
  for (const step of target.split("/"))
    if (step === "..") steps.pop();
    else if (step !== "" && step !== ".") steps.push(step);
  return steps.filter((step) => step !== "").join("/");
}

/** Formats that have a number and no code in the file: those of days and of sums (18.8.30, from memory). */
const BUILT_IN: Readonly<Record<number, string>> = {
  ...{ 1: "0", 2: "0.00", 3: "#,##0", 4: "#,##0.00", 9: "0%", 10: "0.00%", 11: "0.00E+00" },
  ...{ 14: "m/d/yy", 15: "d-mmm-yy", 16: "d-mmm", 17: "mmm-yy", 18: "h:mm AM/PM", 19: "h:mm:ss" },
  ...{ 20: "h:mm", 21: "h:mm:ss", 22: "m/d/yy h:mm", 37: "#,##0;(#,##0)", 38: "#,##0;(#,##0)" },
  ...{ 39: "#,##0.00;(#,##0.00)", 40: "#,##0.00;(#,##0.00)", 45: "[m]:ss", 46: "[h]:mm:ss" },
  // The signs of these are those of the reader's country, and so no word on the currency.
  ...{ 5: "#,##0", 6: "#,##0", 7: "#,##0.00", 8: "#,##0.00", 41: "#,##0", 42: "#,##0" },
  ...{ 43: "#,##0.00", 44: "#,##0.00", 47: "[m]:ss", 48: "##0.0E+0" },
};
/** Days of the calendars of East Asia. */
const isDayOfEast = (id: number): boolean => (id >= 27 && id <= 36) || (id >= 50 && id <= 58);

const codeOf = (id: number): string => BUILT_IN[id] ?? (isDayOfEast(id) ? "yyyy-m-d" : "General");

/** The number format of each style of cells, in their order. */
export function formatsOfStyles(styles: XmlNode): NumberFormat[] {
  const [codes] = childrenOf(styles, "numFmts");
  const own = new Map(
    childrenOf(codes, "numFmt").map(({ attributes }) => [
      attributes.numFmtId,
      attributes.formatCode ?? "",
    ]),
  );
  const [cells] = childrenOf(styles, "cellXfs");
  const made = new Map<string, NumberFormat>();
  return childrenOf(cells, "xf").map(({ attributes }) => {
    const id = attributes.numFmtId ?? "0";
    const format = made.get(id) ?? numberFormat(own.get(id) ?? codeOf(Number(id)));
    made.set(id, format);
    return format;
  });
}
