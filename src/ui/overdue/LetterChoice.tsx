"use client";

import type { Dispatch, ReactNode, SetStateAction } from "react";

import { type Language, LANGUAGES, TONES } from "@/core/followup";

import { LANGUAGE_WORDS } from "../customers/FollowedAs";
import { LineChoice } from "../kit/fields";
import { ActRow } from "../kit/layout";
import type { Words } from "./letterWords";

export type Own = Words & { ladderId: number; tone: number; language: Language };
export type Props = {
  fields: readonly (readonly [string, string])[];
  own: Own[];
  shipped: Own[];
  ladders: { id: number; name: string }[];
  customers: { id: number; name: string }[];
};
type LetterChoiceProps = {
  kept: Own | undefined;
  ladderId: number;
  ladders: Props["ladders"];
  language: "en" | "es" | "fr" | "de";
  own: Props["own"];
  setLadder: Dispatch<SetStateAction<number>>;
  setLanguage: Dispatch<SetStateAction<"en" | "es" | "fr" | "de">>;
  setTone: Dispatch<SetStateAction<number>>;
  standing: Own | undefined;
  tone: number;
};
export function LetterChoice({
  kept,
  ladderId,
  ladders,
  language,
  own,
  setLadder,
  setLanguage,
  setTone,
  standing,
  tone,
}: LetterChoiceProps): ReactNode {
  return (
    <ActRow margin="10px 0">
      <LineChoice
        kind="text"
        aria-label="Ladder"
        value={ladderId}
        onChange={(event) => setLadder(Number(event.target.value))}
      >
        <option value={0}>every ladder</option>
        {ladders.map((ladder) => (
          <option key={ladder.id} value={ladder.id}>
            {ladder.name}
          </option>
        ))}
      </LineChoice>
      <LineChoice
        kind="text"
        aria-label="Tone"
        value={tone}
        onChange={(event) => setTone(Number(event.target.value))}
      >
        {TONES.map((name, at) => (
          <option key={name} value={at + 1}>
            {name}
          </option>
        ))}
      </LineChoice>
      <LineChoice
        kind="text"
        aria-label="Language"
        value={language}
        onChange={(event) => setLanguage(event.target.value as Language)}
      >
        {LANGUAGES.map((name) => (
          <option key={name} value={name}>
            {LANGUAGE_WORDS[name]}
          </option>
        ))}
      </LineChoice>
      <span data-tone="soft">{sourceInWords(kept, standing, own)}</span>
    </ActRow>
  );
}

function sourceInWords(kept: Own | undefined, standing: Own | undefined, own: Own[]): ReactNode {
  if (kept) return "your own words";
  if (standing && "ladderId" in standing && own.includes(standing))
    return "your own words for every ladder";
  return "as it ships";
}
