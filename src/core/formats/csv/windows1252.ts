/**
 * The letters of windows-1252 from 0x80 to 0x9f (WHATWG Encoding, index windows-1252); every other
 * byte is the character of its number. Some builds of Node decode them as Latin-1, so they stand here.
 */
const LETTERS = "€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ";

/** Bytes that windows-1252 has no letter for, and controls that stand in no table. */
export const isWindows1252 = (bytes: Uint8Array): boolean =>
  bytes.every(
    (byte) =>
      (byte >= 0x20 && ![0x7f, 0x81, 0x8d, 0x8f, 0x90, 0x9d].includes(byte)) ||
      [0x09, 0x0a, 0x0c, 0x0d].includes(byte),
  );

/** Bytes of windows-1252 as text. */
export const fromWindows1252 = (bytes: Uint8Array): string =>
  new TextDecoder("latin1")
    .decode(bytes)
    .replace(/[\u0080-\u009f]/g, (letter) => LETTERS[letter.charCodeAt(0) - 0x80] ?? letter);
