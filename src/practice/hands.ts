import { randomUUID } from "node:crypto";

import type { Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { takeTold, type Told } from "@/server/arrivals/takeTold";
import { type CommandName, COMMANDS, type InputOf, type OutputOf } from "@/server/commands";
import type { DoCommand } from "@/server/paying/payNow";
import { runCommand } from "@/server/runtime/command";

/** Who works in a practice book: does what a clerk would, by the same use cases as the pages. */
export class Hands {
  constructor(
    readonly book: string,
    private readonly db: Db,
    readonly run: DoCommand,
  ) {}

  /** Does a command. Throws where it is refused: the practice world does what fits. */
  async do<Name extends CommandName>(name: Name, input: InputOf<Name>): Promise<OutputOf<Name>> {
    return must(await this.run(name, input, randomUUID()));
  }

  /** Takes a file in, all of whose lines have to be read. */
  async takeIn(file: Told): Promise<void> {
    const mapping = file.kind === "processor" ? SIGNS : {};
    must(await takeTold({ book: this.book, db: this.db, run: this.run }, { ...file, mapping }));
  }
}

/** How the practice processor writes its sums. */
const SIGNS = { signs: "as_written", payoutSign: "turned" } as const;

/** Does commands in a book that is open here. */
export const runIn =
  (book: string, db: Db): DoCommand =>
  (name, input, key) =>
    runCommand(db, COMMANDS[name] as never, input, { book, actor: "practice", key });

export function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`the practice world: ${JSON.stringify(result.error)}`);
  return result.value;
}
