export { DEMO_BOOK, makeDemoBook } from "./make";
