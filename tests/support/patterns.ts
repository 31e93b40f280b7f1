import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";

import ts from "typescript";

/** A pattern as it stands in the sources. */
export type Pattern = { readonly where: string; readonly source: string; readonly flags: string };

/** Every pattern that is written out in the sources, once, with where it stands first. */
export function patternsOfSources(): Pattern[] {
  const listed = spawnSync("git", ["ls-files", "src"], { encoding: "utf8" }).stdout;
  const found = new Map<string, Pattern>();
  for (const name of listed.split("\n").filter((file) => /(?<!\.test)\.tsx?$/.test(file))) {
    const kind = name.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
    const text = readFileSync(name, "utf8");
    const file = ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true, kind);
    const visit = (node: ts.Node): void => {
      if (ts.isRegularExpressionLiteral(node) && !found.has(node.text)) {
        const end = node.text.lastIndexOf("/");
        const line = file.getLineAndCharacterOfPosition(node.getStart(file)).line + 1;
        found.set(node.text, {
          where: `${name}:${line}`,
          source: node.text.slice(1, end),
          flags: node.text.slice(end + 1),
        });
      }
      ts.forEachChild(node, visit);
    };
    visit(file);
  }
  return [...found.values()];
}
