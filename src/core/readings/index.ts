export { columnsOfFile } from "./columnsOfFile";
export { headSaid } from "./headOfFile";
export { kindQuestion, kindsOf } from "./fileKind";
export {
  type Answers,
  type LeftOut,
  LEFT_OUT_WORDS,
  type Question,
  type ReadingContext,
} from "./types";
export { endedRows } from "./endedRows";
export { understoodLines } from "./understoodLines";
export { understand, type UnderstoodFile } from "./understand";
