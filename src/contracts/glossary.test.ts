import { glossary } from "./glossary";

describe("the glossary", () => {
  it("explains each word in whole sentences, and no word twice", () => {
    const all = glossary();
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
    for (const { name, words } of all) {
      expect([name, words]).toEqual([name, expect.stringMatching(/^[A-Z].{20,}\.$/s)]);
      expect(words.toLowerCase().startsWith(name.toLowerCase())).toBe(false);
    }
  });
  it("has our own words, as the pages use them", () =>
    expect(
      glossary()
        .filter(({ of }) => of === "ours")
        .map(({ name }) => name),
    ).toEqual(
      expect.arrayContaining(["Tally", "Proofs", "Ladder", "Sure", "To check", "No home yet"]),
    ));
});
