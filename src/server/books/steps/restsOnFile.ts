import type { FileRest } from "@/contracts/arrivals";
import { type ActRow, actsOfCommand } from "@/db/acts";
import type { Db } from "@/db/connection";
import { importFileById } from "@/db/files";
import { commandOfFile, commandsAfter } from "@/db/undoFile";

/** What neither rests on anything nor can be in the way. */
const WITHOUT_WEIGHT: ReadonlySet<string> = new Set(["undo", "contact", "ask", "decide", "answer"]);

/** Acts of a command that still stand. */
export const standingActs = (db: Db, commandId: number): ActRow[] =>
  actsOfCommand(db, commandId).filter(
    ({ undoneBy, kind }) => undoneBy === null && !WITHOUT_WEIGHT.has(kind),
  );

/** The last command that rests on what a file brought; undefined where none does. */
export function lastResting(db: Db, commandId: number): number | undefined {
  return commandsAfter(db, commandId).find((later) => standingActs(db, later).length > 0);
}

/** What rests on a file, in the order in which it would be undone: the last first. */
export function restsOnFile(db: Db, fileId: number): FileRest[] {
  const commandId = commandOfFile(db, fileId);
  if (commandId === undefined) return [];
  return commandsAfter(db, commandId).flatMap((later) => {
    const acts = standingActs(db, later);
    const [first] = acts;
    if (!first) return [];
    const file = acts.find(({ kind }) => kind === "import");
    return [
      {
        commandId: later,
        words: file
          ? `took in ${importFileById(db, file.subjectId)?.name ?? "a file"}`
          : first.text,
        count: file ? 1 : acts.length,
        actor: first.actor,
        onDay: first.onDay,
      },
    ];
  });
}
