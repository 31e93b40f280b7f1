import { XmlStream } from "../xml/stream";
import { isoText } from "./days";
import { columnOf, fillDown } from "./merged";
import { type NumberFormat, numberFormat, shownNumber } from "./numberFormat";
import { isOn } from "./parts";

/** What the cells of a sheet refer to. */
type Book = {
  readonly strings: readonly string[];
  readonly formats: readonly NumberFormat[];
  readonly is1904: boolean;
};

type Cell = {
  readonly at: number;
  readonly kind: string;
  readonly style: number;
  value: string;
  formula: string | null;
};

const GENERAL = numberFormat("General");
/** Columns that a sheet has at most (XFD). */
const MOST_COLUMNS = 16_384;

/**
 * Reads a sheet (ECMA-376, part 1, 18.3: worksheets) to its rows of text, each number as the sheet
 * shows it. Places of rows and cells are told by their references, or by what stands before them.
 */
export class SheetReader {
  readonly rows: string[][] = [];
  /** Numbers of rows that the sheet hides, from 1. */
  readonly hidden: number[] = [];
  /** Whether it has more rows or columns than are taken in. */
  isLarge = false;
  private row = 0;
  private isRowHidden = false;
  private column = 0;
  private cell: Cell | null = null;
  private within: "v" | "f" | "t" | null = null;
  private spoken = 0;
  private readonly xml: XmlStream;

  constructor(
    private readonly book: Book,
    private readonly mostRows: number,
  ) {
    this.xml = new XmlStream({
      open: (name, attributes) => this.open(name, attributes),
      text: (piece) => this.text(piece),
      close: (name) => this.close(name),
    });
  }

  /** Takes the next piece; false where there is no use in going on. */
  write(piece: string): boolean {
    return this.xml.write(piece) && !this.isLarge;
  }

  /** Whether all of it could be read. */
  end(): boolean {
    return this.xml.end();
  }

  private open(name: string, attributes: Readonly<Record<string, string>>): void {
    switch (name) {
      case "row":
        this.row = attributes.r === undefined ? this.row + 1 : Number(attributes.r);
        this.isRowHidden = isOn(attributes.hidden);
        this.column = 0;
        break;
      case "c":
        this.beginCell(attributes);
        break;
      case "mergeCell":
        fillDown(this.rows, attributes.ref ?? "");
        break;
      default:
        this.openWithin(name);
    }
  }

  /** What stands within a cell. How words are spoken is no part of them. */
  private openWithin(name: string): void {
    if (name === "rPh") this.spoken += 1;
    if (name === "f" && this.cell) this.cell.formula ??= "";
    if (name === "f" || name === "v") this.within = name;
    if (name === "t") this.within = this.spoken === 0 ? "t" : null;
  }

  private beginCell({ r, t, s }: Readonly<Record<string, string>>): void {
    const at = r === undefined ? this.column : columnOf(r);
    this.column = at + 1;
    if (at < 0 || at >= MOST_COLUMNS) this.isLarge = true;
    this.cell = { at, kind: t ?? "n", style: Number(s ?? 0), value: "", formula: null };
  }

  private text(piece: string): void {
    const { cell, within } = this;
    if (cell === null || within === null) return;
    if (within === "f") cell.formula = (cell.formula ?? "") + piece;
    else cell.value += piece;
  }

  private close(name: string): void {
    this.within = null;
    if (name === "rPh") this.spoken -= 1;
    if (name !== "c" || this.cell === null) return;
    const text = this.textOf(this.cell);
    if (text !== "") this.put(this.cell.at, text);
    this.cell = null;
  }

  /** A row is there once a cell of it says something. */
  private put(at: number, text: string): void {
    if (!(this.row >= 1 && this.row <= this.mostRows)) this.isLarge = true;
    if (this.isLarge) return;
    while (this.rows.length < this.row) this.rows.push([]);
    const cells = this.rows[this.row - 1] ?? [];
    while (cells.length < at) cells.push("");
    cells[at] = text;
    if (this.isRowHidden && this.hidden.at(-1) !== this.row) this.hidden.push(this.row);
  }

  /**
   * A cell as text. What came to nothing stays as it stands (`#N/A`, `=A1+B1`), so that it is refused
   * and not taken for an empty cell.
   */
  private textOf({ kind, style, value, formula }: Cell): string {
    if (value === "") return formula === null ? "" : `=${formula}`;
    switch (kind) {
      case "s":
        return (this.book.strings[Number(value)] ?? "").trim();
      case "b":
        return isOn(value) ? "yes" : "no";
      case "d":
        return isoText(value);
      case "str":
      case "inlineStr":
      case "e":
        return value.trim();
      default:
        return this.number(value, style);
    }
  }

  private number(text: string, style: number): string {
    const value = Number(text);
    if (!Number.isFinite(value)) return text.trim();
    return shownNumber(value, this.book.formats[style] ?? GENERAL, this.book.is1904);
  }
}
