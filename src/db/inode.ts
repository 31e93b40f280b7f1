import { statSync } from "node:fs";

/** Which file lies on the disk, whatever it is called. */
export type Inode = { readonly dev: number; readonly ino: number };

/** Null where there is no such file. */
export function inodeOf(path: string): Inode | null {
  const found = statSync(path, { throwIfNoEntry: false });
  return found ? { dev: found.dev, ino: found.ino } : null;
}
