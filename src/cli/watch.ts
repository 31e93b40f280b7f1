import { existsSync, mkdirSync, readdirSync, renameSync, statSync, writeFileSync } from "node:fs";
import { basename, join } from "node:path";

import { watch as watchFolder } from "chokidar";

import { failureOfFile } from "@/db/fileFailure";
import { freeName } from "@/server/arrivals/layUnderArrivals";
import { maskWhereItLies } from "@/server/arrivals/maskNumbers";
import { openBookToWrite } from "@/server/runtime/books";
import { inWords } from "@/server/runtime/messages";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";
import { takeUp } from "./takeUp";

/** Milliseconds for which a file must not have grown to count as whole. */
const WHOLE_AFTER = 2000;

/**
 * `dozo watch DIR --book B`: takes up each file that comes into a folder, once
 * it is whole, and moves it to `done` or, where it waits for a look or cannot be
 * read, to `asked`, with its report beside it. Ends when it is told to.
 */
export async function watch({ values, files }: Args): Promise<Outcome> {
  const [folder] = files;
  const { book } = values;
  if (typeof book !== "string" || folder === undefined || files.length > 1)
    return wrongCall("Say --book and one folder.");
  if (!statSync(folder, { throwIfNoEntry: false })?.isDirectory())
    return failed({ code: "file.place", path: folder });
  const opened = openBookToWrite(book);
  if (!opened.ok) return failed(opened.error);
  opened.value.close();
  // One after the other: a statement may rest on the activity that came before it.
  let work = Promise.resolve();
  const watcher = watchFolder(folder, {
    depth: 0,
    ignored: (path) => path !== folder && basename(path).startsWith("."),
    awaitWriteFinish: { stabilityThreshold: WHOLE_AFTER, pollInterval: 200 },
  });
  // A file by the name of one that was just moved away counts as that one, changed.
  for (const event of ["add", "change"] as const)
    watcher.on(event, (path) => {
      work = work.then(() => moved({ path, folder, book, values }));
    });
  await new Promise<void>((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => resolve());
    // A server that had it begun has ended.
    process.once("disconnect", () => resolve());
  });
  await watcher.close();
  await work;
  return { code: EXIT.done, text: "" };
}

type Coming = { path: string; folder: string; book: string; values: Args["values"] };

/** Takes up a file; where that fails it stays, which is said, and the next one is taken up. */
async function moved(coming: Coming): Promise<void> {
  try {
    if (existsSync(coming.path)) await placed(coming);
  } catch (error) {
    const failure = failureOfFile(error);
    const words = failure ? inWords(failure) : String(error);
    process.stderr.write(`${coming.path} stays where it is: ${words}\n`);
  }
}

/** Takes up a file and puts it where what became of it shows. */
async function placed({ path, folder, book, values }: Coming): Promise<void> {
  const { outcome, text, data } = await takeUp({ path, book, values });
  const to = join(folder, outcome === "taken" ? "done" : "asked");
  mkdirSync(to, { recursive: true });
  // What the book must not keep does not stay here either.
  const from = await maskWhereItLies(path);
  const name = freeName(basename(from), new Set(readdirSync(to)));
  writeFileSync(join(to, `${name}.report.json`), `${JSON.stringify(data, null, 2)}\n`);
  renameSync(from, join(to, name));
  const lines = values.json === true ? [JSON.stringify(data)] : [`${outcome}: ${text.join("\n")}`];
  process.stdout.write(`${lines.join("\n")}\n`);
}
