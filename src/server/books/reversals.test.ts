import { ACT_KINDS } from "@/db/acts";

import { COMMANDS } from "../commands";
import { isUndoable, REVERSALS } from "./reversals";

describe("undo as a table", () => {
  it("says of every kind of act whether and how it is taken back", () => {
    expect(Object.keys(REVERSALS).sort()).toEqual([...ACT_KINDS].sort());
  });
  it("takes back nothing that has left the house, and no undo", () => {
    for (const kind of ["letter", "undo", "import", "lock", "run"] as const)
      expect(isUndoable(kind)).toBe(false);
  });
  it("every command is known by its own name", () => {
    for (const [name, command] of Object.entries(COMMANDS)) expect(command.name).toBe(name);
  });
});
