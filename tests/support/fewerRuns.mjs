// Each property is tried for a short while only: the tests run once for each of thousands of changes.
import fc from "fast-check";

fc.configureGlobal({ numRuns: 25, interruptAfterTimeLimit: 300, markInterruptAsFailure: false });
