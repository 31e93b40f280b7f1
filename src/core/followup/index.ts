export { DEFAULT_LADDER, letterTemplate, nextStep, type LadderStep, type NextStep } from "./ladder";
export { waitsFor, waitInWords, type Wait } from "./waits";
export { promiseState, type PromiseState } from "./promises";
