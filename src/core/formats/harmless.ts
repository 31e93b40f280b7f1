/** A number as exports give it. */
export const DECIMAL = /^-?\d{1,13}(\.\d+)?$/;

/**
 * A cell that a spreadsheet would run as a formula is given with an apostrophe in front, so that
 * opening a file of ours is safe. @example harmless("=1+1") // "'=1+1"
 */
export function harmless(cell: string): string {
  return /^[=@\t\r]/.test(cell) || (/^[+-]/.test(cell) && !DECIMAL.test(cell)) ? `'${cell}` : cell;
}
