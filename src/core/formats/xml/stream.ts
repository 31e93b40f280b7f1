import { SaxesParser } from "saxes";

/** What is told of a document while it is read: names of elements without their prefix, and their attributes. */
export type XmlEvents = {
  readonly open: (name: string, attributes: Readonly<Record<string, string>>) => void;
  readonly text: (piece: string) => void;
  readonly close: (name: string) => void;
};

const DEEPEST = 40;

/** XML read piece by piece, so that a large document is never held as a whole. */
export class XmlStream {
  private readonly parser = new SaxesParser();
  private isBroken = false;
  private depth = 0;

  constructor(events: XmlEvents) {
    const { parser } = this;
    const giveUp = (): void => {
      this.isBroken = true;
    };
    parser.on("error", giveUp);
    // Nothing is fetched or unfolded.
    parser.on("doctype", giveUp);
    parser.on("opentag", ({ name, attributes }) => {
      this.depth += 1;
      if (this.depth > DEEPEST) this.isBroken = true;
      if (!this.isBroken) events.open(localOf(name), attributes);
    });
    parser.on("text", (piece) => {
      if (!this.isBroken) events.text(piece);
    });
    parser.on("cdata", (piece) => {
      if (!this.isBroken) events.text(piece);
    });
    parser.on("closetag", ({ name }) => {
      this.depth -= 1;
      if (!this.isBroken) events.close(localOf(name));
    });
  }

  /** Takes the next piece; false where the document is broken, or more than is taken. */
  write(piece: string): boolean {
    if (!this.isBroken) this.parser.write(piece);
    return !this.isBroken;
  }

  /** Whether all of it could be read. */
  end(): boolean {
    if (!this.isBroken) this.parser.close();
    return !this.isBroken;
  }
}

function localOf(name: string): string {
  const colon = name.indexOf(":");
  return colon < 0 ? name : name.slice(colon + 1);
}
