import { type ChildProcess, spawn } from "node:child_process";
import { join } from "node:path";

type Beside = { args: string; process: ChildProcess };
const kept = globalThis as typeof globalThis & { dozoBeside?: Map<string, Beside> };

/** Keeps the folder of a book's settings watched; another folder, or none, ends the one before. */
export const keepWatching = (book: string, folder: string | null): void =>
  keepBeside(book, "watch", folder === null ? null : [folder]);

/** Keeps the mailbox of a book's settings read; another mailbox, or none, ends the one before. */
export const keepReading = (book: string, mailbox: object | null): void =>
  keepBeside(book, "mailbox", mailbox === null ? null : [], JSON.stringify(mailbox));

/**
 * Keeps a `dozo` of its own running beside this server, and ends it with it; null: none. `by`: what
 * it was begun with besides; where that is another, it is begun anew.
 */
function keepBeside(book: string, command: string, more: string[] | null, by = ""): void {
  const running = (kept.dozoBeside ??= new Map());
  const name = `${command} ${book}`;
  const known = running.get(name);
  const args = more === null ? null : [command, "--book", book, ...more];
  const told = JSON.stringify([args, by]);
  if (known ? known.args === told : args === null) return;
  known?.process.kill();
  running.delete(name);
  if (args === null) return;
  const root = process.env.DOZO_ROOT ?? process.cwd();
  const program = join(/* turbopackIgnore: true */ root, "dist/cli.mjs");
  const child = spawn(process.execPath, [program, ...args], {
    // It ends when this line to it is cut, however this server ends.
    stdio: ["ignore", "ignore", "inherit", "ipc"],
  });
  running.set(name, { args: told, process: child });
  child.on("error", (error) => console.error(`dozo: ${name} does not run: ${error.message}`));
  child.on("exit", () => {
    // It is begun anew with the next look of the clock.
    if (running.get(name)?.process === child) running.delete(name);
  });
  child.unref();
  child.channel?.unref();
}
