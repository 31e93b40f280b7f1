// One command from a fresh clone to all tests passed.
import { bin, build, chromium, install, nginx, step, together } from "./steps.mjs";

install();
chromium();
nginx();
await together([
  ["linter", bin("eslint"), ["."]],
  ["types", bin("tsc"), ["--noEmit"]],
  ["set by Prettier", bin("prettier"), ["--check", "--log-level", "warn", "."]],
  ["import rules", bin("depcruise"), ["src", "tests", "--config", ".dependency-cruiser.cjs"]],
  ["unused code", bin("knip"), []],
]);
build();
step("unit tests", bin("jest"), []);
step("flows in Chromium", bin("playwright"), ["test"]);
