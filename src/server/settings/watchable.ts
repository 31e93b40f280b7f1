import { realpathSync, statSync } from "node:fs";
import { isAbsolute, relative } from "node:path";

import { fail, ok, type Result } from "@/core/result";
import { openToRead } from "@/db/opening";
import { readSettings } from "@/db/settings";
import { bookFile, dataFolder, listBooks } from "@/server/runtime/folders";

/**
 * Whether files of a book may be awaited in a folder: it is there, named from the root, not the
 * books' own, and no other book awaits files there, as each file can go to one alone.
 */
export function watchable(book: string, folder: string): Result<null> {
  if (!isAbsolute(folder) || !statSync(folder, { throwIfNoEntry: false })?.isDirectory())
    return fail("settings.folder", { path: folder });
  const way = relative(dataFolder(), folder);
  if (!way.startsWith("..") && !isAbsolute(way))
    return fail("settings.folder_own", { path: folder });
  const other = listBooks().find((name) => name !== book && awaitsIn(name, folder));
  return other === undefined ? ok(null) : fail("settings.folder_taken", { path: folder, other });
}

/** Whether a book awaits files in a folder, by whatever name it calls it. */
function awaitsIn(book: string, folder: string): boolean {
  const opened = openToRead(bookFile(book));
  if (!opened.ok) return false;
  const { watchedFolder } = readSettings(opened.value);
  opened.value.close();
  return watchedFolder !== null && placeOf(watchedFolder) === placeOf(folder);
}

const placeOf = (folder: string): string =>
  statSync(folder, { throwIfNoEntry: false }) ? realpathSync(folder) : folder;
