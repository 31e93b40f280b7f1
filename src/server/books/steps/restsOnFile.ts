import type { FileRest } from "@/contracts/arrivals";
import { type ActRow, actsOfCommand } from "@/db/acts";
import type { Db } from "@/db/connection";
import { importFileById } from "@/db/files";
import { commandOfFile, commandsAfter } from "@/db/undoFile";

import { WITHOUT_WEIGHT } from "./restsOn";

/** A command that rests on a file: its acts that still stand, and the file that it took in, if any. */
export type RestingCommand = { commandId: number; acts: ActRow[]; fileId: number | null };

function restingCommand(db: Db, commandId: number): RestingCommand {
  const acts = actsOfCommand(db, commandId).filter(
    ({ undoneBy, kind }) => undoneBy === null && !WITHOUT_WEIGHT.has(kind),
  );
  return { commandId, acts, fileId: acts.find(({ kind }) => kind === "import")?.subjectId ?? null };
}

/**
 * Everything that rests on what a command brought, the last first: that is the order in which it is
 * undone. What rests on a file that rests on it is part of it.
 */
export function restingOn(db: Db, commandId: number): RestingCommand[] {
  const found = new Map<number, RestingCommand>();
  const look = (from: number): void => {
    for (const later of commandsAfter(db, from)) {
      if (found.has(later)) continue;
      const resting = restingCommand(db, later);
      if (resting.acts.length === 0) continue;
      found.set(later, resting);
      if (resting.fileId !== null) look(later);
    }
  };
  look(commandId);
  return [...found.values()].sort((a, b) => b.commandId - a.commandId);
}

/** The same in words, for the page of the file. */
export function restsOnFile(db: Db, fileId: number): FileRest[] {
  const commandId = commandOfFile(db, fileId);
  if (commandId === undefined) return [];
  return restingOn(db, commandId).flatMap(({ commandId: id, acts, fileId: file }) => {
    const [first] = acts;
    if (!first) return [];
    const name = file === null ? null : (importFileById(db, file)?.name ?? "a file");
    return [
      {
        commandId: id,
        words: name === null ? first.text : `took in ${name}`,
        count: name === null ? acts.length : 1,
        actor: first.actor,
        onDay: first.onDay,
      },
    ];
  });
}
