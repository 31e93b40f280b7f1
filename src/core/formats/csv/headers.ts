import { isColumnName, NO_HEAD } from "./head";

/** The names of columns; a column without one, that holds something, is called by its place. */
export function headersOf(records: readonly (readonly string[])[], at: number): string[] {
  const names = (records[at] ?? []).map((header) => header.trim());
  const lines = records.slice(at + 1);
  const width =
    at === NO_HEAD ? lines.reduce((most, { length }) => Math.max(most, length), 0) : names.length;
  const isUsed = (place: number): boolean =>
    lines.some((cells) => (cells[place] ?? "").trim() !== "");
  return differentNames(
    Array.from({ length: width }, (_, place) =>
      (names[place] ?? "") === "" && isUsed(place) ? `Column ${place + 1}` : (names[place] ?? ""),
    ),
    labelsOver(records[at - 1] ?? []),
  );
}

/** Names that stand twice are told apart by the labels over them, else by their number: `Amount (2)`. */
function differentNames(names: readonly string[], labels: readonly string[]): string[] {
  const isTwice = (name: string): boolean => names.indexOf(name) !== names.lastIndexOf(name);
  const labelled = names.map((name, at) => {
    const whole = `${labels[at] ?? labels.at(-1) ?? ""} ${name}`.trim();
    const isPart = isTwice(name) || (labels.length > 0 && saysMore(whole, name));
    return name !== "" && isPart ? whole : name;
  });
  return labelled.map((name, at) => {
    const nth = labelled.slice(0, at).filter((before) => before === name).length;
    return name === "" || nth === 0 ? name : `${name} (${nth + 1})`;
  });
}

/** Whether only a name with its label is one that columns go by. */
const saysMore = (whole: string, name: string): boolean =>
  isColumnName(whole) && !isColumnName(name);

/** The labels in the line over a head, each for the columns up to the next; none where it is another line. */
function labelsOver(cells: readonly string[]): string[] {
  const words = cells.filter((cell) => cell.trim() !== "");
  if (words.length < 2 || words.some((cell) => /\d/.test(cell))) return [];
  let label = "";
  return cells.map((cell) => (label = cell.trim() || label));
}
