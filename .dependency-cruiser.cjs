/** Who may know whom; the same rules stand in docs/architecture.md. */
const words = [
  "calendar",
  "parties",
  "invoices",
  "receipts",
  "matching",
  "fees",
  "payouts",
  "ledger",
  "followup",
  "metrics",
  "formats",
];
const not = (...folders) => `^src/(?!(${folders.join("|")})/)`;

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: { pathNot: "^(node_modules|\\.next)" },
      to: { circular: true },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.ts$" },
      to: { path: not("core") },
    },
    {
      name: "core-has-no-machine",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-has-no-interface",
      severity: "error",
      from: { path: "^src/core/" },
      to: { path: "node_modules/(react|next|@chakra-ui|better-sqlite3|echarts)" },
    },
    {
      name: "money-knows-nothing",
      severity: "error",
      from: { path: "^src/core/money/", pathNot: "\\.test\\.ts$" },
      to: { path: "^src/(?!core/(money|result)/)" },
    },
    {
      name: "ledger-does-not-know-matching",
      severity: "error",
      from: { path: "^src/core/ledger/", pathNot: "\\.test\\.ts$" },
      to: { path: "^src/core/matching/" },
    },
    ...words.map((word) => ({
      name: `one-door-to-${word}`,
      severity: "error",
      from: { path: "^(src|tests)/", pathNot: `^src/core/${word}/` },
      to: { path: `^src/core/${word}/(?!index\\.ts$)` },
    })),
    {
      name: "db-imports-core",
      severity: "error",
      from: { path: "^src/db/", pathNot: "\\.test\\.ts$" },
      to: { path: not("core", "db") },
    },
    {
      name: "only-db-knows-sqlite",
      severity: "error",
      from: { path: "^src/(?!db/)", pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules/better-sqlite3" },
    },
    {
      name: "server-imports-core-and-db",
      severity: "error",
      from: { path: "^src/server/", pathNot: "\\.test\\.ts$" },
      to: { path: not("core", "db", "server") },
    },
    {
      name: "ui-imports-core",
      severity: "error",
      from: { path: "^src/ui/" },
      to: { path: not("core", "ui") },
    },
    {
      name: "app-imports-server-ui-core",
      severity: "error",
      from: { path: "^src/app/" },
      to: { path: not("server", "ui", "core", "db", "app") },
    },
    {
      name: "cli-imports-server-core",
      severity: "error",
      from: { path: "^src/cli/" },
      to: { path: not("server", "core", "db", "demo", "cli") },
    },
    {
      name: "demo-imports-server-core",
      severity: "error",
      from: { path: "^src/demo/" },
      to: { path: not("server", "core", "db", "demo") },
    },
    {
      name: "server-only-in-app-alone",
      severity: "error",
      from: { path: "^src/(?!app/)" },
      to: { path: "node_modules/server-only" },
    },
    {
      name: "nothing-imports-pages",
      severity: "error",
      from: { path: "^src/(?!app/)" },
      to: { path: "^src/app/" },
    },
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
