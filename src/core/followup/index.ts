export { ATTACHED, DEFAULT_STEPS, LADDER_ACTS, lastStepTaken, nextStep, SMALLEST_INTERVAL_DAYS, type Attached, type Ladder, type LadderAct, type LadderStep, type NextStep } from "./ladder";
export { followUpToday, type FollowedItem, type FollowUpFacts, type FollowUpState, type FollowUpToday } from "./today";
export { letterTemplate, LANGUAGES, tableWords, TONES, type Language } from "./letters";
export { waitsFor, waitInWords, type Wait, type WaitFacts } from "./waits";
export { promiseState, type PromiseState } from "./promises";
