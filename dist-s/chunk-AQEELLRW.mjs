// src/server/output/paperFonts.ts
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { create } from "fontkit";

// src/server/output/sfnt.ts
import { inflateSync } from "node:zlib";
var u32 = (bytes, at) => bytes.readUInt32BE(at);
var padded = (length) => length + 3 & ~3;
function unpackedFont(woff) {
  if (woff.toString("latin1", 0, 4) !== "wOFF") throw new RangeError("not a WOFF font");
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, at) => {
    const entry = 44 + at * 20;
    const [offset, packed, length] = [
      u32(woff, entry + 4),
      u32(woff, entry + 8),
      u32(woff, entry + 12)
    ];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(entry, entry + 4),
      checksum: u32(woff, entry + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes
    };
  });
  const log = Math.floor(Math.log2(count));
  const head = Buffer.alloc(12 + count * 16);
  head.writeUInt32BE(u32(woff, 4), 0);
  head.writeUInt16BE(count, 4);
  head.writeUInt16BE(16 * 2 ** log, 6);
  head.writeUInt16BE(log, 8);
  head.writeUInt16BE(16 * (count - 2 ** log), 10);
  let place = head.length;
  const parts = tables.map(({ tag, checksum, bytes }, at) => {
    const entry = 12 + at * 16;
    tag.copy(head, entry);
    head.writeUInt32BE(checksum, entry + 4);
    head.writeUInt32BE(place, entry + 8);
    head.writeUInt32BE(bytes.length, entry + 12);
    const part = Buffer.alloc(padded(bytes.length));
    bytes.copy(part);
    place += part.length;
    return part;
  });
  return Buffer.concat([head, ...parts]);
}

// src/server/output/paperFonts.ts
var SERIF = ["latin", "latin-ext", "vietnamese", "cyrillic", "cyrillic-ext", "greek"].map(
  (subset) => `source-serif-4-${subset}`
);
var PARTS = {
  plain: ["figtree-latin", "figtree-latin-ext", ...SERIF],
  serif: ["source-serif-4-latin", ...SERIF.slice(1), "figtree-latin", "figtree-latin-ext"]
};
var ALL_PARTS = [.../* @__PURE__ */ new Set([...PARTS.plain, ...PARTS.serif])];
var packages = () => createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
var familyOf = (part) => part.startsWith("figtree") ? "figtree" : "source-serif-4";
var fonts = /* @__PURE__ */ new Map();
function paperFont(part, weight) {
  const path = `@fontsource/${familyOf(part)}/files/${part}-${weight}-normal.woff`;
  const before = fonts.get(path);
  if (before) return before;
  const bytes = unpackedFont(readFileSync(packages().resolve(path)));
  fonts.set(path, bytes);
  return bytes;
}
var known = /* @__PURE__ */ new Map();
function lettersOf(part) {
  const before = known.get(part);
  if (before) return before;
  const font = create(paperFont(part, 400));
  const letters = new Set(font.characterSet);
  known.set(part, letters);
  return letters;
}
var has = (part, letter) => lettersOf(part).has(letter.codePointAt(0) ?? 0);
function runsOf(text, letters) {
  const parts = PARTS[letters];
  const runs = [];
  for (const letter of text.normalize("NFC")) {
    const [written, part] = letter === "\n" ? [letter, parts[0]] : writtenIn(parts, letter);
    const last = runs.at(-1);
    if (last?.part === part) last.text += written;
    else if (written !== "") runs.push({ text: written, part });
  }
  return runs.length === 0 ? [{ text: "", part: parts[0] }] : runs;
}
function writtenIn(parts, letter) {
  if (new RegExp("\\p{C}", "u").test(letter)) return ["", parts[0]];
  if (new RegExp("\\p{Zs}", "u").test(letter)) return [letter === "\xA0" ? letter : " ", parts[0]];
  const part = parts.find((each) => has(each, letter));
  if (part) return [letter, part];
  if (new RegExp("\\p{Pd}", "u").test(letter)) return ["-", parts[0]];
  const plain = letter.normalize("NFD").charAt(0);
  const plainPart = parts.find((each) => has(each, plain));
  return plainPart ? [plain, plainPart] : ["?", parts[0]];
}
var mainPart = (letters) => PARTS[letters][0];

export {
  ALL_PARTS,
  paperFont,
  runsOf,
  mainPart
};
