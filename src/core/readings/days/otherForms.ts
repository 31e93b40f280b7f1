/** Moments in one piece (ISO 8601, basic format), with the zone behind them. */
const IN_ONE = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d(?:[.,]\d{1,9})?)?(Z|[+-]\d\d:?\d\d)?$/;
/** What is left of seconds that a moment in one piece did not have. */
const NO_SECONDS = /(T\d\d:\d\d):(?=$|[Z+-])/;
/** Year, month and day with their signs behind them, in Chinese, Japanese and Korean. */
const WITH_SIGNS = /^(\d{4})\s?[年년]\s?(\d{1,2})\s?[月월]\s?(\d{1,2})\s?[日일](?=\D|$)/;
/** A time with points, as databases write it behind a day: `10.15.00.000000 AM`. */
const POINTED = /(?<=[\dA-Za-z])[ -](\d\d)\.(\d\d)\.(\d\d)(?:\.\d{1,9})?(?= ?[AP]M$|$)/i;

/** A date or a moment of another form, in the marks that most files write. */
export const inUsualForm = (text: string): string =>
  text
    .replace(IN_ONE, "$1-$2-$3T$4:$5:$6$7")
    .replace(NO_SECONDS, "$1")
    .replace(WITH_SIGNS, "$1-$2-$3")
    .replace(POINTED, " $1:$2:$3");
