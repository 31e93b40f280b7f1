import { type Day, formatDay } from "@/core/calendar";

/** On paper a day has its year, and is written as its reader's language does. */
export const paperDay = (of: Day, language: string | undefined): string =>
  language === undefined || language === "en"
    ? `${formatDay(of)} ${of.slice(0, 4)}`
    : new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" }).format(
        new Date(of),
      );
