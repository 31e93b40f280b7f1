import type { Result } from "../result";
import type { Table } from "./csv/table";

/** A format that files may come in: how it is told, how it is read, and what of it must not be kept. */
export type FileFormat = {
  name: string;
  /** Whether a text is of this format; the first that says so reads it. */
  recognizes: (text: string) => boolean;
  /** The rows of a file as a table with a header. */
  read: (text: string) => Result<Table>;
  /** The text as it is kept: card and account numbers written over but for their last four digits. */
  masked: (text: string) => string;
};
