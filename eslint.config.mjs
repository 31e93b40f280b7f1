import regexp from "eslint-plugin-regexp";
import tseslint from "typescript-eslint";

const noDefault = {
  selector: "ExportDefaultDeclaration",
  message: "Export by name; only Next.js, worker jobs and configurations ask for a default.",
};
const noAny = { selector: "TSAnyKeyword", message: "Say what it is, or unknown." };

/** The looks know two screens; a width by another name would be passed over without a word. */
const noOtherScreen = {
  selector: "Property[key.name='base'] ~ Property[key.name=/^(sm|md|xl)$/]",
  message: "A screen is a phone's (base) or a desk's (lg).",
};

export default tseslint.config(
  {
    ignores: [
      "node_modules/",
      ".next/",
      "dist/",
      "data/",
      "data-backups/",
      "next-env.d.ts",
      "test-results/",
      "playwright-report/",
    ],
  },
  ...tseslint.configs.strict,
  {
    rules: {
      "no-restricted-syntax": ["error", noDefault, noAny, noOtherScreen],
      "no-console": ["error", { allow: ["error"] }],
      "no-nested-ternary": "error",
      "max-lines": ["error", { max: 250 }],
      "max-lines-per-function": ["error", { max: 60 }],
      "max-depth": ["error", 4],
      "max-params": ["error", { max: 4 }],
      "max-statements-per-line": ["error", { max: 1 }],
      "max-len": [
        "error",
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignoreUrls: true,
        },
      ],
      complexity: ["error", 12],
      eqeqeq: ["error", "always", { null: "ignore" }],
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "@typescript-eslint/unified-signatures": "off",
    },
  },
  { files: ["src/core/**"], rules: { "max-lines": ["error", { max: 200 }] } },
  // What meets foreign text is read in one pass, whatever somebody sends.
  {
    files: ["src/**"],
    ignores: ["src/demo/**", "**/*.test.ts", "**/*.test.tsx"],
    plugins: { regexp },
    rules: {
      "regexp/no-super-linear-backtracking": ["error", { report: "potential" }],
      "regexp/no-super-linear-move": ["error", { report: "potential", ignorePartial: false }],
    },
  },
  // A component is mostly the picture of what it draws.
  { files: ["**/*.tsx"], rules: { "max-lines-per-function": ["error", { max: 100 }] } },
  {
    files: [
      "src/app/**",
      "src/server/runtime/threads/*Task.ts",
      "tests/flows/setUp.ts",
      "*.ts",
      "*.mjs",
    ],
    rules: { "no-restricted-syntax": ["error", noAny] },
  },
  // A test tells a story from its beginning to its end.
  {
    files: ["**/*.test.ts", "**/*.test.tsx", "tests/**"],
    rules: {
      complexity: "off",
      "max-lines-per-function": "off",
      "@typescript-eslint/no-non-null-assertion": "off",
      "max-lines": ["error", { max: 400 }],
    },
  },
  // A table that a program wrote.
  { files: ["**/*.generated.ts"], rules: { "max-lines": "off" } },
  { files: ["scripts/**", "*.mjs", "*.cjs"], rules: { "no-console": "off" } },
);
