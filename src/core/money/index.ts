export { convert, convertBack, inCurrency, ownRate } from "./convert";
export { allCurrencies, currencyOf, minorDigits, unitOf, type Currency } from "./currency";
export { add, minor, negate, sumOf, ZERO, type Minor } from "./minor";
export { percentOf, ratioOf, type Ratio } from "./ratio";
export { mulDiv, type Rounding } from "./rounding";
export { split } from "./split";
export {
  LARGEST_SUM,
  formatAmount,
  formatMoney,
  isCut,
  parseAmount,
  toDecimal,
  type AmountProblem,
  type DecimalMark,
} from "./text";
