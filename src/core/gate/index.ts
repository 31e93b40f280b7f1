/** What may enter a book: sums, days, texts and addresses. Whatever comes in passes here. */
export { emailAddresses, isEmailAddress } from "./addresses";
export { isBookDay } from "./days";
export { inputProblem, type InputProblem } from "./input";
export { masked, withoutSecrets } from "./mask";
export { isIban } from "./ibans";
export {
  isCardNumber,
  maskedNumbers,
  numbersWrittenOver,
  passesLuhn,
  writtenOver,
} from "./numbers";
export { isBookSum, LARGEST_TOTAL } from "./sums";
export { MOST_IN_CELL, MOST_IN_FIELD, textOnly, textProblem, type TextProblem } from "./text";
