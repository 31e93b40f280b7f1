import { type ChildProcess, spawn } from "node:child_process";
import { join } from "node:path";

type Watched = { folder: string; process: ChildProcess };
const kept = globalThis as typeof globalThis & { dozoFolders?: Map<string, Watched> };

/**
 * Keeps the folder of a book's settings watched, by a `dozo watch` of its own that ends with this
 * server; another folder, or none, ends the one before.
 */
export function keepWatching(book: string, folder: string | null): void {
  const watched = (kept.dozoFolders ??= new Map());
  const known = watched.get(book);
  if (known?.folder === folder) return;
  known?.process.kill();
  watched.delete(book);
  if (folder === null) return;
  const root = process.env.DOZO_ROOT ?? process.cwd();
  const program = join(/* turbopackIgnore: true */ root, "dist/cli.mjs");
  const child = spawn(process.execPath, [program, "watch", "--book", book, folder], {
    // It ends when this line to it is cut, however this server ends.
    stdio: ["ignore", "ignore", "inherit", "ipc"],
  });
  watched.set(book, { folder, process: child });
  child.on("error", (error) => console.error(`dozo: ${folder} is not watched: ${error.message}`));
  child.on("exit", () => {
    // It is begun anew with the next look of the clock.
    if (watched.get(book)?.process === child) watched.delete(book);
  });
  child.unref();
  child.channel?.unref();
}
