export { columnsOfFile } from "./columns/columnsOfFile";
export { headLineIn, headSaid, sheetQuestion } from "./lines/headOfFile";
export { kindsOf } from "./columns/fileKind";
export { kindQuestion } from "./columns/kindQuestion";
export {
  type Answers,
  type LeftOut,
  LEFT_OUT_WORDS,
  type Question,
  type ReadingContext,
} from "./types";
export { groupedBy } from "./grouped";
export { endedRows } from "./activity/endedRows";
export { understoodLines } from "./understoodLines";
export { understand, type UnderstoodFile } from "./understand";
