import type { Result } from "@/core/result";
import type { ActRow } from "@/db/acts";

import type { CommandContext } from "./context";

/**
 * How an act is taken back: what it moved goes back to where it came from. `by` is the act of the
 * undo. Its entries are mirrored by the caller; refused where something later rests on it.
 */
export type Reversal = (ctx: CommandContext, act: ActRow, by: number) => Result<unknown>;
