import tseslint from "typescript-eslint";

const noDefault = {
  selector: "ExportDefaultDeclaration",
  message: "Export by name; only Next.js, worker jobs and configurations ask for a default.",
};
const noAny = { selector: "TSAnyKeyword", message: "Say what it is, or unknown." };

export default tseslint.config(
  {
    ignores: [
      "node_modules/",
      ".next/",
      "dist/",
      "data/",
      "next-env.d.ts",
      "test-results/",
      "playwright-report/",
    ],
  },
  ...tseslint.configs.strict,
  {
    rules: {
      "no-restricted-syntax": ["error", noDefault, noAny],
      "no-console": ["error", { allow: ["error"] }],
      "max-lines": ["error", { max: 260 }],
      "max-depth": ["error", 4],
      complexity: ["error", 36],
      eqeqeq: ["error", "always", { null: "ignore" }],
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "@typescript-eslint/unified-signatures": "off",
    },
  },
  {
    files: ["src/app/**", "src/server/threads/*Task.ts", "tests/flows/setUp.ts", "*.ts", "*.mjs"],
    rules: { "no-restricted-syntax": ["error", noAny] },
  },
  {
    files: ["**/*.test.ts", "**/*.test.tsx", "tests/**"],
    rules: {
      complexity: "off",
      "@typescript-eslint/no-non-null-assertion": "off",
      "max-lines": ["error", { max: 400 }],
    },
  },
  // A table that a program wrote.
  { files: ["src/core/matching/seen.ts"], rules: { "max-lines": "off" } },
  { files: ["scripts/**", "*.mjs", "*.cjs"], rules: { "no-console": "off" } },
);
