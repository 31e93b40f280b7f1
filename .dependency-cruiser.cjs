/** Who may know whom; the same rules stand in docs/architecture.md. */
const words = [
  "activity",
  "calendar",
  "parties",
  "invoices",
  "receipts",
  "paying",
  "matching",
  "fees",
  "payouts",
  "ledger",
  "followup",
  "metrics",
  "formats",
];
const code = { pathNot: "\\.test\\.tsx?$" };
const not = (...folders) => `^src/(?!(${folders.join("|")})/)`;
const rule = (name, from, to) => ({ name, severity: "error", from, to });
/** A folder of src and the only others of src that it may import. */
const layer = (folder, ...may) =>
  rule(
    `${folder}-imports-${may.join("-")}`,
    { path: `^src/${folder}/`, ...code },
    {
      path: not(folder, ...may),
    },
  );

module.exports = {
  forbidden: [
    rule("no-circles", { pathNot: "^(node_modules|\\.next)" }, { circular: true }),
    layer("core"),
    rule("core-has-no-machine", { path: "^src/core/", ...code }, { dependencyTypes: ["core"] }),
    rule(
      "core-has-no-interface",
      { path: "^src/core/" },
      {
        path: "node_modules/(react|next|@chakra-ui|better-sqlite3|echarts)",
      },
    ),
    rule(
      "money-knows-nothing",
      { path: "^src/core/money/", ...code },
      {
        path: "^src/(?!core/(money|result)/)",
      },
    ),
    rule(
      "ledger-does-not-know-matching",
      { path: "^src/core/ledger/", ...code },
      {
        path: "^src/core/matching/",
      },
    ),
    ...words.map((word) =>
      rule(
        `one-door-to-${word}`,
        { path: "^(src|tests)/", pathNot: `^src/core/${word}/` },
        {
          path: `^src/core/${word}/(?!index\\.ts$)`,
        },
      ),
    ),
    layer("contracts", "core"),
    layer("db", "core"),
    rule(
      "only-db-knows-sqlite",
      { path: "^src/(?!db/)", ...code },
      {
        path: "node_modules/better-sqlite3",
      },
    ),
    layer("server", "core", "db", "contracts"),
    layer("ui", "core", "contracts"),
    rule("the-kit-knows-no-station", { path: "^src/ui/kit/" }, { path: "^src/ui/(?!kit/)" }),
    layer("app", "server", "practice", "ui", "contracts", "core"),
    layer("cli", "server", "contracts", "core", "db", "demo", "practice"),
    layer("demo", "server", "practice", "contracts", "core", "db"),
    layer("practice", "server", "contracts", "core", "db"),
    rule(
      "server-only-in-app-alone",
      { path: "^src/(?!app/)" },
      {
        path: "node_modules/server-only",
      },
    ),
    rule("nothing-imports-pages", { path: "^src/(?!app/)" }, { path: "^src/app/" }),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^(\\.next|dist|data)/" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
