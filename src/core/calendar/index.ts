export { addBankingDays, bankingDaysBetween, isBankHoliday, isBankingDay } from "./banking";
export {
  addDays,
  dayNumber,
  dayOfNumber,
  addMonths,
  day,
  daysBetween,
  endOfMonth,
  formatDay,
  formatDayAs,
  parseDay,
  weekday,
  type Day,
  type DayOrder,
  earlierFirst,
} from "./day";
export { type Every, occurrence, occurrenceBefore, type Unit, UNITS } from "./recurrence";
export { momentInZone } from "./moments";
export { readTypedDay, shownDay, typedOrderIn, type TypedOrder } from "./typed";
export { discountOn, dueDay, parseTerms, type Terms } from "./terms";
