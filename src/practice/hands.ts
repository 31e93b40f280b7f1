import { createHash, randomUUID } from "node:crypto";
import { writeFileSync } from "node:fs";

import { type FileKind, guessMapping, readTable } from "@/core/formats";
import type { Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { type CommandName, COMMANDS, type InputOf, type OutputOf } from "@/server/commands";
import type { DoCommand } from "@/server/paying/payNow";
import { runCommand } from "@/server/runtime/command";
import { keptFile } from "@/server/runtime/folders";

/** A file that arrives. */
export type Arrived = { kind: FileKind; name: string; text: string; account: string | null };

/** Who works in a practice book: does what a clerk would, by the same use cases as the pages. */
export class Hands {
  constructor(
    private readonly book: string,
    readonly run: DoCommand,
  ) {}

  /** Does a command. Throws where it is refused: the practice world does what fits. */
  async do<Name extends CommandName>(name: Name, input: InputOf<Name>): Promise<OutputOf<Name>> {
    return must(await this.run(name, input, randomUUID()));
  }

  /** Takes a file in, all of whose lines have to be read. */
  async takeIn({ kind, name, text, account }: Arrived): Promise<void> {
    const table = must(readTable(text));
    const bytes = Buffer.from(text);
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    writeFileSync(keptFile(this.book, sha256), bytes);
    const mapping = {
      ...guessMapping(table, kind),
      ...(kind === "processor"
        ? { signs: "as_written" as const, payoutSign: "turned" as const }
        : {}),
    };
    const report = await this.do("importFile", {
      sha256,
      name,
      size: bytes.length,
      mapping,
      account,
    });
    if (report.refused.length > 0)
      throw new Error(`a line of ${name} was refused: ${JSON.stringify(report.refused[0])}`);
  }
}

/** Does commands in a book that is open here. */
export const runIn =
  (book: string, db: Db): DoCommand =>
  (name, input, key) =>
    runCommand(db, COMMANDS[name] as never, input, { book, actor: "practice", key });

export function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`the practice world: ${JSON.stringify(result.error)}`);
  return result.value;
}
