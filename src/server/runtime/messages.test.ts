import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { inWords, knownCodes } from "./messages";

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((dirent) => {
    if (dirent.isDirectory()) return sources(join(folder, dirent.name));
    if (/\.tsx?$/.test(dirent.name) && !dirent.name.includes(".test."))
      return [readFileSync(join(folder, dirent.name), "utf8")];
    return [];
  });

describe("the catalogue of messages", () => {
  const raised = new Set(
    sources("src").flatMap((text) =>
      [...text.matchAll(/(?:fail\(|code: |notThere\()"([a-z_]+\.[a-z_]+)"/g)].map(
        (found) => found[1] ?? "",
      ),
    ),
  );
  it("has words for every code that is raised anywhere", () => {
    expect([...raised].filter((code) => !knownCodes().includes(code))).toEqual([]);
  });
  it("has no words for a code that nothing raises", () => {
    const all = sources("src").join("\n");
    expect(
      knownCodes().filter((code) => !raised.has(code) && all.split(`"${code}"`).length < 3),
    ).toEqual([]);
  });
  it("fills in the facts, and leaves none open", () => {
    expect(inWords({ code: "tally.over", by: "1.00" })).toBe(
      "The lines come to more than the receipt, by 1.00. Lower one of them.",
    );
    expect(inWords({ code: "file.headers", twice: "" })).not.toContain("{");
  });
});
