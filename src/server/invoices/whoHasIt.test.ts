import { hasLeft, hasOpen } from "./whoHasIt";

const draft = { book: "shop", draft: 7 };
const mara = { ...draft, window: "a" };
const theo = { ...draft, window: "b" };

describe("who has a draft open", () => {
  it("is told to the second, and to the first when it asks again", () => {
    expect(hasOpen(mara, "Mara Voss", 0)).toEqual([]);
    expect(hasOpen(theo, "Theo Lindqvist", 1000)).toEqual(["Mara Voss"]);
    expect(hasOpen(mara, "Mara Voss", 8000)).toEqual(["Theo Lindqvist"]);
    // Another window of one's own counts; another draft and another book do not.
    expect(hasOpen({ ...draft, window: "c" }, "Mara Voss", 8000)).toEqual([
      "Mara Voss",
      "Theo Lindqvist",
    ]);
    expect(hasOpen({ ...mara, draft: 8 }, "Mara Voss", 8000)).toEqual([]);
    expect(hasOpen({ ...mara, book: "other" }, "Mara Voss", 8000)).toEqual([]);
  });
  it("ends when the window is closed, or says nothing for long", () => {
    hasLeft({ ...draft, window: "c" });
    expect(hasOpen(theo, "Theo Lindqvist", 33_000)).toEqual(["Mara Voss"]);
    expect(hasOpen(theo, "Theo Lindqvist", 33_001)).toEqual([]);
    hasLeft(theo);
    hasLeft(theo);
    expect(hasOpen(mara, "Mara Voss", 33_002)).toEqual([]);
  });
  it("is remembered of so many drafts, however many are named", () => {
    for (let id = 1; id <= 3000; id += 1)
      hasOpen({ book: "many", draft: id, window: "w" }, "Nobody", 8000);
    expect(hasOpen({ book: "many", draft: 1, window: "x" }, "Theo Lindqvist", 8000)).toEqual([]);
    expect(hasOpen({ book: "many", draft: 3000, window: "x" }, "Theo Lindqvist", 8000)).toEqual([
      "Nobody",
    ]);
  });
});
