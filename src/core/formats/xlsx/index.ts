export { formatsOfStyles, partsRelated, type SheetPart, sheetsOfBook } from "./parts";
export { SheetReader } from "./sheet";
export { StringsReader } from "./strings";
