export { expectedAtBank, makeUp, PROCESSOR_ITEM_KINDS, type ItemKindOfProcessor, type MakeUp } from "./makeUp";
export { fitsPayout, tieOut, type TieLine, type TiePayout } from "./tieOut";
