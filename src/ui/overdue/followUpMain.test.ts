import { LADDER_ACTS } from "@/core/followup";

import { followUpMain, mainInWords } from "./followUpMain";

describe("what Enter does on an overdue customer", () => {
  it.each([
    ["letter", null, "letter", "Look at the letter"],
    ["letter", "the last letter to a@b.example came back", "address", "Give another address"],
    ["call", null, "call", "Log the call"],
    ["call", "no e-mail address", "call", "Log the call"],
    ["task", null, "done", "Task is done"],
    ["stop", null, "done", "Supply is stopped"],
  ] as const)("at a %s with the problem %s it is %s", (act, problem, main, words) => {
    expect(followUpMain({ act, problem, state: "ready" })).toBe(main);
    expect(mainInWords(main, act)).toBe(words);
  });
  it("is nothing while the customer waits, is left out, or is not due yet", () => {
    for (const act of LADDER_ACTS)
      for (const state of ["waits", "later", "left_out"] as const)
        expect(followUpMain({ act, problem: null, state })).toBe("nothing");
  });
});
