// One command from a fresh clone to all tests passed.
import { bin, build, chromium, install, nginx, step } from "./steps.mjs";

install();
chromium();
nginx();
step("types", bin("tsc"), ["--noEmit"]);
step("set by Prettier", bin("prettier"), ["--check", "--log-level", "warn", "."]);
step("linter", bin("eslint"), ["."]);
step("import rules", bin("depcruise"), ["src", "tests", "--config", ".dependency-cruiser.cjs"]);
step("unused code", bin("knip"), []);
build();
step("unit tests", bin("jest"), []);
step("flows in Chromium", bin("playwright"), ["test"]);
