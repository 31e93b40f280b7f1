import { XmlStream } from "../xml/stream";

/** The texts that the cells of a workbook share. How words are spoken is no part of them. */
export class StringsReader {
  readonly strings: string[] = [];
  private here = "";
  private isText = false;
  private spoken = 0;
  private readonly xml = new XmlStream({
    open: (name) => {
      if (name === "si") this.here = "";
      if (name === "rPh") this.spoken += 1;
      this.isText = name === "t" && this.spoken === 0;
    },
    text: (piece) => {
      if (this.isText) this.here += piece;
    },
    close: (name) => {
      if (name === "si") this.strings.push(this.here);
      if (name === "rPh") this.spoken -= 1;
      this.isText = false;
    },
  });

  write(piece: string): boolean {
    return this.xml.write(piece);
  }

  end(): boolean {
    return this.xml.end();
  }
}
