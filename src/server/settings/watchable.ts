import { statSync } from "node:fs";
import { isAbsolute, relative } from "node:path";

import { fail, ok, type Result } from "@/core/result";
import { dataFolder } from "@/server/runtime/folders";

/** Whether files may be awaited in a folder: it is there, named from the root, and not the books' own. */
export function watchable(folder: string): Result<null> {
  if (!isAbsolute(folder) || !statSync(folder, { throwIfNoEntry: false })?.isDirectory())
    return fail("settings.folder", { path: folder });
  const way = relative(dataFolder(), folder);
  const isOwn = !way.startsWith("..") && !isAbsolute(way);
  return isOwn ? fail("settings.folder_own", { path: folder }) : ok(null);
}
