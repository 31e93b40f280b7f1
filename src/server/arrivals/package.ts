import yauzl from "yauzl";

import { fail, ok, type Result } from "@/core/result";

const MOST_PARTS = 2000;

/** A packed file whose parts go by their paths, whatever their capitals (ECMA-376, part 2). */
export class Package {
  private constructor(
    private readonly zip: yauzl.ZipFile,
    private readonly parts: ReadonlyMap<string, yauzl.Entry>,
    /** What it unpacks to in bytes, as its directory declares. */
    readonly size: number,
  ) {}

  static open(path: string): Promise<Result<Package, "file.unreadable">> {
    return new Promise((resolve) => {
      const broken = (): void => resolve(fail("file.unreadable", { path: "" }));
      yauzl.open(path, { lazyEntries: true, autoClose: false }, (error, zip) => {
        if (error) return broken();
        const parts = new Map<string, yauzl.Entry>();
        let size = 0;
        const done = (): void => resolve(ok(new Package(zip, parts, size)));
        zip.on("entry", (entry: yauzl.Entry) => {
          parts.set(entry.fileName.toLowerCase(), entry);
          size += entry.uncompressedSize;
          if (parts.size < MOST_PARTS) zip.readEntry();
          else done();
        });
        zip.on("error", () => {
          zip.close();
          broken();
        });
        zip.on("end", done);
        zip.readEntry();
      });
    });
  }

  has(path: string): boolean {
    return this.parts.has(path.toLowerCase());
  }

  /** Unpacks a part as text, piece by piece, until `take` says no. False where it cannot be unpacked. */
  read(path: string, take: (piece: string) => boolean): Promise<boolean> {
    const entry = this.parts.get(path.toLowerCase());
    if (!entry) return Promise.resolve(false);
    return new Promise((resolve) => {
      this.zip.openReadStream(entry, (error, stream) => {
        if (error) return resolve(false);
        let decoder: TextDecoder | null = null;
        stream.on("data", (bytes: Buffer) => {
          decoder ??= decoderFor(bytes);
          if (take(decoder.decode(bytes, { stream: true }))) return;
          stream.destroy();
          resolve(true);
        });
        stream.on("error", () => resolve(false));
        stream.on("end", () => resolve(true));
      });
    });
  }

  close(): void {
    this.zip.close();
  }
}

/** By the mark of its order of bytes; without one it is UTF-8 (XML 1.0, 4.3.3). */
function decoderFor(bytes: Buffer): TextDecoder {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le");
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be");
  return new TextDecoder("utf-8");
}
