import { isForged, maySend, ownWords } from "./mailIn";

describe("who may send files", () => {
  const rule = ["Ann@Bank.example", "@processor.example"];
  it.each([
    ["ann@bank.example", true],
    ["ANN@BANK.EXAMPLE", true],
    ["bob@bank.example", false],
    ["reports@processor.example", true],
    ["reports@mail.processor.example", false],
    ["reports@notprocessor.example", false],
    ["@processor.example", false],
    ["", false],
  ])("%s: %s", (from, may) => expect(maySend(rule, from)).toBe(may));

  it("is nobody where nobody is named", () => expect(maySend([], "ann@bank.example")).toBe(false));
});

/** RFC 8601, appendix B: the fields of several servers, one's own on top. */
it("whoever the server that took a mail calls forged is not believed", () => {
  expect(isForged(["Authentication-Results: mx.example; dmarc=fail header.from=a.example"])).toBe(
    true,
  );
  expect(isForged(["Authentication-Results: mx.example; dmarc=pass"])).toBe(false);
  expect(isForged(["Authentication-Results: mx.example; spf=fail; dmarc=pass"])).toBe(false);
  // What stands below it came with the mail, and anybody can write it.
  expect(isForged(["Authentication-Results: mx.example; dmarc=pass", "x; dmarc=fail"])).toBe(false);
  expect(isForged([])).toBe(false);
});

describe("what somebody wrote themselves", () => {
  const asked = "> Dear Ann,\n> your invoice 20088 is still open.\n";
  it.each([
    [
      "above what is quoted",
      `We pay on Friday.\n\nOn Mon, Nov 2, 2026 Kestrel Row wrote:\n${asked}`,
    ],
    ["above it, without a line that says so", `We pay on Friday.\n${asked}`],
    ["in German", `We pay on Friday.\n\nAm 02.11.2026 um 10:00 schrieb Kestrel Row:\n${asked}`],
    ["in French", `We pay on Friday.\n\nLe 2 nov. 2026 à 10:00, Kestrel Row a écrit :\n${asked}`],
    ["above a whole letter", "We pay on Friday.\r\n-----Original Message-----\r\nDear Ann,\r\n..."],
    ["above a rule", "We pay on Friday.\n________________________________\nFrom: Kestrel Row\n"],
    ["alone", "  We pay on Friday.\n"],
  ])("%s", (_where, text) => expect(ownWords(text)).toBe("We pay on Friday."));

  it("between what is quoted, or below it, is given whole", () => {
    const between = `> Dear Ann,\nHello.\n> your invoice 20088 is open.\nWe pay on Friday.`;
    expect(ownWords(between)).toBe(between);
    expect(ownWords(`${asked}We pay on Friday.`)).toBe(`${asked}We pay on Friday.`);
  });

  it.each([
    "Hello.\nOn Friday we pay 300.00.\nAnn",
    "Hello.\nOn Friday of last week we wrote to you:\nplease send it again.",
  ])("what only looks like the head of a quote is none: %j", (text) => {
    expect(ownWords(text)).toBe(text);
  });
});
