/** Unit tests stand beside the code; tests/ holds what drives a built program. */
export default {
  testEnvironment: "node",
  testMatch: [
    "<rootDir>/src/**/*.test.{ts,tsx}",
    "<rootDir>/tests/faults/**/*.test.ts",
    "<rootDir>/tests/round/**/*.test.ts",
  ],
  // Packages that are ES modules only are turned to CommonJS as our own code is.
  transformIgnorePatterns: [
    "/node_modules/(?!(@tanstack|react-hotkeys-hook|temporal-polyfill|temporal-utils|temporal-spec|decimal\\.js|fast-check|pure-rand)/)",
  ],
  transform: {
    "^.+\\.(tsx?|m?js)$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "commonjs" },
      },
    ],
  },
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1" },
  modulePathIgnorePatterns: ["<rootDir>/.next", "<rootDir>/dist"],
  // Jest would leave one core to whoever watches; here nobody does.
  maxWorkers: "100%",
  testTimeout: 60_000,
};
