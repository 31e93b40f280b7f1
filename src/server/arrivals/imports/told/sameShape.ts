import type { MappingSpec } from "@/core/formats";
import type { Db } from "@/db/connection";
import { importFileById } from "@/db/files";

/** How a file was read: its format, and by which columns and answers. */
type KeptMapping = MappingSpec & { format?: string };
/** How a file is written: its format, and under which heads. */
export type Writing = { format: string | undefined; columns: MappingSpec["columns"] };
/** What files from before their format was kept were, as a rule. */
const LISTS = "csv";

/**
 * Which files were read from the same format, by the same columns and answers as one: a day that
 * they say differently was said anew. Two ways of writing an export may give two days for one line,
 * and neither is wrong.
 */
export class SameShape {
  private readonly own: string;
  private readonly known = new Map<number, boolean>();

  constructor(
    private readonly db: Db,
    fileId: number,
  ) {
    this.own = this.shapeOf(fileId);
  }

  isOf(fileId: number | null): boolean {
    if (fileId === null) return false;
    const before = this.known.get(fileId);
    if (before !== undefined) return before;
    const same = this.shapeOf(fileId) === this.own;
    this.known.set(fileId, same);
    return same;
  }

  private shapeOf(fileId: number): string {
    const kept = importFileById(this.db, fileId)?.mapping;
    if (!kept) return `file ${fileId}`;
    const { format = LISTS, columns, dayOrder, answers = {} } = JSON.parse(kept) as KeptMapping;
    // What has the ids of others changes no day.
    const ofDays = Object.entries(answers).filter(([key]) => key !== "reused");
    return JSON.stringify([writing(format, columns), dayOrder, Object.fromEntries(ofDays)]);
  }
}

/** Which files are exports of one sort, whatever was answered of them: of one format, under the same heads. */
export class WrittenAs {
  private readonly own: string;
  private readonly known = new Map<number, boolean>();

  constructor(
    private readonly db: Db,
    { format = LISTS, columns }: Writing,
  ) {
    this.own = writing(format, columns);
  }

  isOf(fileId: number | null): boolean {
    if (fileId === null) return false;
    const before = this.known.get(fileId);
    if (before !== undefined) return before;
    const kept = importFileById(this.db, fileId)?.mapping;
    const { format = LISTS, columns } = JSON.parse(kept ?? "{}") as KeptMapping;
    const same = kept != null && writing(format, columns) === this.own;
    this.known.set(fileId, same);
    return same;
  }
}

const writing = (format: string, columns: MappingSpec["columns"]): string =>
  JSON.stringify([format, Object.entries(columns).sort(([a], [b]) => (a < b ? -1 : 1))]);
