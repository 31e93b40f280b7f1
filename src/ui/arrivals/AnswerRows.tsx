import type { ReactNode } from "react";

import { ROW_KIND_NAMES, ROW_KINDS } from "@/core/activity";
import type { MappingSpec } from "@/core/formats";

import { Act } from "../kit/buttons";
import { Pick } from "./Pick";

type AnswerRowsProps = {
  change: (mapping: MappingSpec) => void;
  mapping: MappingSpec;
  /** Words of the column of kinds, each with what it is taken for. */
  words: readonly string[];
};

const DAYS = [
  ["", "as the file proves"],
  ["mdy", "month, day, year"],
  ["dmy", "day, month, year"],
  ["yy", "year of two digits, month, day"],
] as const;
const MARKS = [
  ["", "as the file proves"],
  [".", "point: 1,234.56"],
  [",", "comma: 1.234,56"],
] as const;

/** What was asked of one file, in a clerk's words. */
const ASKED: Readonly<Record<string, string>> = {
  whose: "lines of the account",
  outside: "days outside its own",
  before: "days up to the cut-over",
  future: "days to come",
};

/** How days, sums and words are read, as the file proves it or as was said; each can be said, or asked again. */
export function AnswerRows({ change, mapping, words }: AnswerRowsProps): ReactNode {
  const answers = mapping.answers ?? {};
  const say = (key: string, answer: string): void => {
    const rest = Object.fromEntries(Object.entries(answers).filter(([name]) => name !== key));
    change({ ...mapping, answers: answer === "" ? rest : { ...rest, [key]: answer } });
  };
  const listed = new Set(["days", "mark", ...words.map((word) => `word:${word}`)]);
  return (
    <>
      <PickRow label="dates are" value={answers.days} options={DAYS} say={say} name="days" />
      <PickRow label="decimal sign" value={answers.mark} options={MARKS} say={say} name="mark" />
      {words.map((word) => (
        <PickRow
          key={word}
          label={`“${word}” is`}
          name={`word:${word}`}
          value={answers[`word:${word}`]}
          options={[
            ["", "as its word says"],
            ...ROW_KIND_NAMES.map((kind) => [kind, ROW_KINDS[kind].label] as const),
          ]}
          say={say}
        />
      ))}
      {Object.entries(answers)
        .filter(([key]) => !listed.has(key) && !key.startsWith("fixed:"))
        .map(([key, answer]) => (
          <tr key={key}>
            <td>{ASKED[key] ?? key.replaceAll(/[_:]/g, " ")}</td>
            <td>
              {answer.replaceAll("_", " ")} <Act onClick={() => say(key, "")}>Ask again</Act>
            </td>
          </tr>
        ))}
    </>
  );
}

type PickRowProps = {
  label: string;
  name: string;
  value: string | undefined;
  options: readonly (readonly [string, string])[];
  say: (key: string, answer: string) => void;
};

function PickRow({ label, name, value = "", options, say }: PickRowProps): ReactNode {
  return (
    <tr>
      <td>{label}</td>
      <td>
        <Pick
          label={label}
          value={value}
          options={options}
          change={(answer) => say(name, answer)}
        />
      </td>
    </tr>
  );
}
