// Measures how the code is laid out, by the limits of docs/architecture.md: `npm run measure`.
import { readFileSync } from "node:fs";
import { spawnSync } from "node:child_process";
import { join } from "node:path";

import { ESLint } from "eslint";
import ts from "typescript";
import tseslint from "typescript-eslint";

import { root } from "./steps.mjs";

const listed = spawnSync("git", ["ls-files", "-co", "--exclude-standard", "src", "tests"], {
  cwd: root,
  encoding: "utf8",
});
const files = listed.stdout.split("\n").filter((name) => /\.tsx?$/.test(name));
const isTest = (name) => /(^tests\/|\.test\.tsx?$)/.test(name);
const isKit = (name) => name.startsWith("src/ui/kit/");
const isPage = (name) => /^src\/(ui|app)\/.*\.tsx$/.test(name) && !isKit(name);
const sources = files.filter((name) => !isTest(name) && !/\.generated\./.test(name));
const textOf = (name) => readFileSync(join(root, name), "utf8");
const parsed = new Map(
  sources.map((name) => [
    name,
    ts.createSourceFile(
      name,
      textOf(name),
      ts.ScriptTarget.Latest,
      true,
      name.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
    ),
  ]),
);

/** Every node of a kind in the sources, with its file. */
function* nodes(is) {
  for (const [name, file] of parsed) {
    const found = [];
    const visit = (node) => {
      if (is(node)) found.push(node);
      ts.forEachChild(node, visit);
    };
    visit(file);
    for (const node of found) yield { name, file, node };
  }
}

const lineOf = (file, at) => file.getLineAndCharacterOfPosition(at).line + 1;
const linesOf = ({ file, node }) => lineOf(file, node.end) - lineOf(file, node.getStart(file)) + 1;
const nameOf = (node) => node.name?.text ?? node.parent?.name?.text ?? "";
const drawsJsx = (node) => {
  let found = false;
  const visit = (inner) => {
    if (ts.isJsxOpeningLikeElement(inner) || ts.isJsxFragment(inner)) found = true;
    else if (!found) ts.forEachChild(inner, visit);
  };
  if (node.body) visit(node.body);
  return found;
};

/** What ESLint's own rules say of the sources, with a limit of our choosing. */
async function byRule(rule, setting) {
  const eslint = new ESLint({
    cwd: root,
    overrideConfigFile: true,
    overrideConfig: [
      {
        files: ["**/*.ts", "**/*.tsx"],
        languageOptions: { parser: tseslint.parser },
        linterOptions: { reportUnusedDisableDirectives: "off" },
        rules: { [rule]: ["error", setting] },
      },
    ],
  });
  const results = await eslint.lintFiles(sources);
  return results.flatMap(({ filePath, messages }) =>
    messages.map(({ line, message }) => ({
      at: `${filePath.slice(root.length)}:${line}`,
      message,
    })),
  );
}

const functions = [...nodes((node) => ts.isFunctionLike(node) && node.body !== undefined)].map(
  (found) => ({ ...found, lines: linesOf(found) }),
);
const over40 = functions.filter(({ lines }) => lines > 40);
const components = functions.filter(
  ({ name, node }) => name.endsWith(".tsx") && /^[A-Z]/.test(nameOf(node)) && drawsJsx(node),
);
const longComponents = components.filter(({ lines }) => lines > 100);

/** Elements that have looks of their own stand in the kit alone; cells and words within its parts are plain. */
const OF_THE_KIT =
  /^(div|section|table|button|input|select|textarea|form|h[1-6]|dl|pre|details|figure|ul)$/;
const offKit = new Set();
for (const { name, node } of nodes(ts.isJsxOpeningLikeElement)) {
  if (!isPage(name)) continue;
  const styled = node.attributes.properties.some((property) =>
    /^(className|style)$/.test(property.name?.text ?? ""),
  );
  if (!styled && !OF_THE_KIT.test(node.tagName.getText())) continue;
  let owner = node;
  while (owner && !(ts.isFunctionLike(owner) && /^[A-Z]/.test(nameOf(owner)))) owner = owner.parent;
  offKit.add(`${name} ${owner ? nameOf(owner) : ""}`);
}
const pageComponents = components.filter(({ name }) => isPage(name));

/** Shapes of four members and more that stand twice, member for member. */
const shapes = new Map();
for (const { name, file, node } of nodes(ts.isTypeLiteralNode)) {
  if (node.members.length < 4) continue;
  const key = node.members
    .map((member) => member.getText(file).replace(/\s+/g, " "))
    .sort()
    .join();
  shapes.set(key, [...(shapes.get(key) ?? []), `${name}:${lineOf(file, node.getStart(file))}`]);
}
const twice = [...shapes.values()].filter((places) => places.length > 1);

const sql = [...nodes((node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node))]
  .filter(
    ({ name, file, node }) =>
      !/^src\/db\//.test(name) &&
      /^.\s*(SELECT|INSERT INTO|UPDATE|DELETE FROM)\s/.test(node.getText(file)),
  )
  .map(({ name }) => name);

const complexity = (await byRule("complexity", 12)).sort(
  (a, b) => Number(/of (\d+)/.exec(b.message)?.[1]) - Number(/of (\d+)/.exec(a.message)?.[1]),
);
const long = await byRule("max-len", {
  code: 120,
  ignoreStrings: true,
  ignoreTemplateLiterals: true,
  ignoreRegExpLiterals: true,
  ignoreUrls: true,
});
const suppressions = JSON.parse(readFileSync(join(root, "eslint-suppressions.json"), "utf8"));
const entries = Object.values(suppressions).reduce(
  (sum, rules) => sum + Object.keys(rules).length,
  0,
);
const count = (names) => names.reduce((sum, name) => sum + textOf(name).split("\n").length, 0);

const rows = [
  ["lines over 120 that are not text, SQL or a pattern", long.length, "0"],
  [
    "functions over 40 lines",
    `${over40.length} of ${functions.length}, ${((100 * over40.length) / functions.length).toFixed(1)} %`,
    "under 6 %",
  ],
  ["components over 100 lines", `${longComponents.length} of ${components.length}`, "0"],
  [
    "functions with a complexity over 12, the worst",
    `${complexity.length}, ${/of (\d+)/.exec(complexity[0]?.message ?? "")?.[1] ?? "–"}`,
    "0, 12",
  ],
  ["shapes of four members and more typed twice", twice.length, "0"],
  [
    "components on the kit",
    `${pageComponents.length - offKit.size} of ${pageComponents.length}`,
    "all",
  ],
  ["SQL outside src/db", sql.length, "0"],
  [
    "tests, of all lines",
    `${((100 * count(files.filter(isTest))) / count(files)).toFixed(0)} %`,
    "25 to 33 %",
  ],
  ["entries in the list of what is over a limit", entries, "at most 10"],
];
console.log("| Measure | Now | Must be |\n|---|---|---|");
for (const row of rows) console.log(`| ${row.join(" | ")} |`);
if (process.argv.includes("--where"))
  for (const line of [
    ...over40.map(({ name, node, lines }) => `over 40: ${name} ${nameOf(node)} ${lines}`),
    ...complexity.map(({ at, message }) => `${at} ${message}`),
    ...twice.map((places) => `twice: ${places.join(" ")}`),
    ...[...offKit].map((name) => `off the kit: ${name}`),
    ...sql.map((name) => `SQL: ${name}`),
  ])
    console.log(line);
