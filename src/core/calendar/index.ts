export { addBankingDays, bankingDaysBetween, isBankHoliday, isBankingDay } from "./banking";
export { addMonths, day, endOfMonth, parseDay } from "./dates";
export {
  addDays,
  dayNumber,
  dayOfNumber,
  daysBetween,
  formatDay,
  formatDayAs,
  weekday,
  type Day,
  type DayOrder,
  earlierFirst,
} from "./day";
export { type Every, occurrence, occurrenceBefore, type Unit, UNITS } from "./recurrence";
export { momentInZone } from "./moments";
export { readTypedDay, shownDay, typedOrderIn, type TypedOrder } from "./typed";
export { discountOn, dueDay, parseTerms, type Terms } from "./terms";
