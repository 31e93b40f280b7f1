import { z } from "zod";

type Issue = Parameters<NonNullable<NonNullable<Parameters<typeof z.config>[0]>["customError"]>>[0];

/** What is wrong with a value, as a clerk would say it; undefined leaves it to the schema's own words. */
export function problemInWords(issue: Issue): string | undefined {
  switch (issue.code) {
    case "too_big":
      return isCounted(issue)
        ? `at most ${issue.maximum} ${partsOf(issue.origin, Number(issue.maximum))}, please.`
        : `${issue.maximum} is the most.`;
    case "too_small":
      if (!isCounted(issue))
        return issue.inclusive === false
          ? `more than ${issue.minimum}, please.`
          : `${issue.minimum} is the least.`;
      return issue.minimum === 1
        ? "it is empty."
        : `at least ${issue.minimum} ${partsOf(issue.origin, Number(issue.minimum))}, please.`;
    case "invalid_type":
      return issue.input === undefined ? "it is missing." : `it is no ${TYPES[issue.expected]}.`;
    case "invalid_format":
      return FORMATS[issue.format];
    case "invalid_value":
      return `use one of ${issue.values.map(String).join(", ")}.`;
    case "unrecognized_keys":
      return `there is no ${issue.keys.join(", ")} here.`;
    default:
      return undefined;
  }
}

/** Whether letters or entries are counted, and not a number measured. */
const isCounted = ({ origin }: { origin: string }): boolean =>
  origin === "string" || origin === "array";

const partsOf = (origin: string, count: number): string => {
  if (origin === "array") return count === 1 ? "entry" : "entries";
  return count === 1 ? "letter" : "letters";
};

const TYPES: Record<string, string> = {
  string: "text",
  number: "number",
  int: "whole number",
  boolean: "yes or no",
  array: "list",
  object: "set of fields",
  record: "set of fields",
};

const FORMATS: Record<string, string> = {
  date: "write a day like 2026-11-24.",
  email: "write an e-mail address like office@example.com.",
  url: "write an address like https://example.com.",
};

/** Words of the schemas themselves go before these; the program's own never reach a page. */
z.config({ customError: problemInWords });

/** Fields whose name on the page is another than their own. */
const FIELDS: Record<string, string> = {
  name: "Name",
  book: "Name in the address",
  code: "Short name",
  cutOverOn: "Cut-over day",
  replyTo: "Letters come from",
  payerName: "From",
  paidOn: "Day",
  onDay: "Day",
  reference: "Memo",
  amount: "Sum",
  why: "Why",
  saveAs: "Name of the mapping",
  host: "Mail server",
  linkBase: "Address of this server for customers",
};

/**
 * A field as the page calls it, from its path. @example fieldInWords(["lines", 0, "openingBalance"])
 * // "Opening balance, line 1"
 */
export function fieldInWords(path: readonly PropertyKey[]): string {
  const name = String(path.findLast((part) => typeof part === "string") ?? "");
  const line = path.find((part) => typeof part === "number");
  const words = FIELDS[name] ?? spaced(name);
  return line === undefined ? words : `${words}, line ${Number(line) + 1}`;
}

const spaced = (name: string): string =>
  name
    .replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`)
    .replace(/^./, (first) => first.toUpperCase());

/** What was wrong with an input, first of all: the field, and what to do. */
export function firstProblem(
  { issues }: z.ZodError,
  otherwise: string,
): { where: string; what: string } {
  const [first] = issues;
  const where = first ? fieldInWords(first.path) : "";
  return { where: where || otherwise, what: first?.message ?? "it cannot be read." };
}
