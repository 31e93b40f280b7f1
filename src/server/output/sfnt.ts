import { inflateSync } from "node:zlib";

const u32 = (bytes: Buffer, at: number): number => bytes.readUInt32BE(at);
const padded = (length: number): number => (length + 3) & ~3;

/**
 * A font in the web's packed form as the plain font that it holds, so that it
 * is unpacked once and not for every page that is printed.
 * Source: W3C, WOFF File Format 1.0: a header of 44 bytes, then for each table
 * tag, offset, packed length, length, checksum; packed by zlib where shorter.
 * Throws RangeError for other bytes.
 */
export function unpackedFont(woff: Buffer): Buffer {
  if (woff.toString("latin1", 0, 4) !== "wOFF") throw new RangeError("not a WOFF font");
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, at) => {
    const entry = 44 + at * 20;
    const [offset, packed, length] = [
      u32(woff, entry + 4),
      u32(woff, entry + 8),
      u32(woff, entry + 12),
    ];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(entry, entry + 4),
      checksum: u32(woff, entry + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes,
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
  const parts = tables.map(({ tag, checksum, bytes }, at): Buffer => {
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
