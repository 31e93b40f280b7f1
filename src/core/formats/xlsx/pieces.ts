/** A piece of a number format: a text that is shown as it is, a mark, or what brackets say. */
export type Piece = { readonly kind: "text" | "mark" | "bracket"; readonly text: string };

/** Letters of a format at most (ECMA-376, part 1, 18.18.96, from memory). */
const LONGEST = 255;
const PIECES =
  /"([^"]{0,255})"|\\(.)|\[([^\]]{0,255})\]|_.|\*.|(General|E[+-]|[#0?.,%@;])|([a-z]{1,20}\/?[a-z]{0,5})|(.)/gis;

/** Letters that stand for parts of days and times. */
export const OF_DAYS = /^(?:[ymdhsegb]+|am\/pm|a\/p)$/i;

const textPiece = (text: string): Piece => ({ kind: "text", text });
const markPiece = (text: string): Piece => ({ kind: "mark", text });

/** The pieces of a format, but for what only sets a number apart: the width of a letter, a filling. */
export function piecesOf(code: string): Piece[] {
  const pieces: Piece[] = [];
  for (const found of code.slice(0, LONGEST).matchAll(PIECES)) {
    const piece = pieceOf(found);
    if (piece !== null) pieces.push(piece);
  }
  return pieces;
}

function pieceOf([
  ,
  quoted,
  escaped,
  bracket,
  mark,
  letters,
  other,
]: RegExpExecArray): Piece | null {
  if (mark !== undefined) return markPiece(mark === "General" ? "0" : mark);
  if (bracket !== undefined) return { kind: "bracket", text: bracket };
  if (letters !== undefined) return OF_DAYS.test(letters) ? markPiece(letters) : textPiece(letters);
  const text = quoted ?? escaped ?? other;
  return text === undefined ? null : textPiece(text);
}

/** The pieces of each section: a semicolon parts them. */
export function inSections(pieces: readonly Piece[]): Piece[][] {
  const sections: Piece[][] = [[]];
  for (const piece of pieces)
    if (piece.kind === "mark" && piece.text === ";") sections.push([]);
    else sections.at(-1)?.push(piece);
  return sections;
}
