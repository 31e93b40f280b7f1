export { openPracticeAddress } from "./address";
export { isPractice, processorBehind } from "./practiceOf";
export { PracticeWorld } from "./world";
