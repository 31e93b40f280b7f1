import { z } from "zod";

import { fieldInWords, firstProblem } from "./problems";
import { isoDay, name } from "./values";

/** The first problem of a value, as a page shows it. */
const said = (schema: z.ZodType, value: unknown): string => {
  const parsed = z.object({ value: schema }).safeParse({ value });
  return parsed.success ? "taken" : firstProblem(parsed.error, "request").what;
};

describe("what is wrong with a value", () => {
  it.each<[string, z.ZodType, unknown, string]>([
    ["200 letters", name, "x".repeat(200), "taken"],
    ["201 letters", name, "x".repeat(201), "at most 200 letters, please."],
    ["none, in the schema’s own words", name, "  ", "A name is needed."],
    ["none, without words of its own", z.string().min(1), "", "it is empty."],
    ["too few", z.string().min(3), "ab", "at least 3 letters, please."],
    ["one letter at most", z.string().max(1), "ab", "at most 1 letter, please."],
    ["a list without entries", z.array(z.string()).min(1), [], "it is empty."],
    [
      "a list with too many",
      z.array(z.string()).max(2),
      ["a", "b", "c"],
      "at most 2 entries, please.",
    ],
    ["a sum over the most", z.number().max(5), 6, "5 is the most."],
    ["a sum under the least", z.number().min(5), 4, "5 is the least."],
    ["a sum of nothing", z.number().positive(), 0, "more than 0, please."],
    ["a day that is none", isoDay, "2026-02-30", "write a day like 2026-11-24."],
    ["no day", isoDay, undefined, "it is missing."],
    ["a number for words", z.string(), 7, "it is no text."],
    ["words for a number", z.number(), "seven", "it is no number."],
    ["a part of a whole", z.int(), 1.5, "it is no whole number."],
    ["something else than was offered", z.enum(["csv", "pdf"]), "doc", "use one of csv, pdf."],
    [
      "an address that is none",
      z.email(),
      "nobody",
      "write an e-mail address like office@example.com.",
    ],
    [
      "what nobody asked for",
      z.strictObject({ a: z.string() }),
      { a: "", b: 1 },
      "there is no b here.",
    ],
  ])("%s", (_case, schema, value, expected) => expect(said(schema, value)).toBe(expected));

  it("is told with the field as the page calls it", () => {
    const parsed = z.object({ cutOverOn: isoDay }).safeParse({ cutOverOn: "soon" });
    expect(!parsed.success && firstProblem(parsed.error, "request")).toEqual({
      where: "Cut-over day",
      what: "write a day like 2026-11-24.",
    });
  });
  it("is told of the whole where no field is wrong", () => {
    const parsed = z.object({}).safeParse(null);
    expect(!parsed.success && firstProblem(parsed.error, "request").where).toBe("request");
  });
});

describe("a field by its path", () => {
  it.each<[PropertyKey[], string]>([
    [["openingBalance"], "Opening balance"],
    [["payerName"], "From"],
    [["lines", 0, "amount"], "Sum, line 1"],
    [["persons", 3, "email"], "Email, line 4"],
    [["columns", "name"], "Name"],
    [[], ""],
  ])("%j is “%s”", (path, expected) => expect(fieldInWords(path)).toBe(expected));
});
