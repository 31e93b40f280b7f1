"use client";

import { Textarea } from "@chakra-ui/react";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { Language } from "@/core/followup";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { ActRow, FactList, Halves, Section } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { LetterChoice, type Own, type Props } from "./LetterChoice";
import { Preview } from "./LetterPreview";
import type { Words } from "./letterWords";
import { OverdueTabs } from "./OverdueTabs";

/**
 * The words of letters: those that ship, or the book's own, by ladder, tone and language, with what
 * they say to a real customer beside them.
 */
export function LetterTextsPage(props: Props): ReactNode {
  const { fields, own, shipped, ladders, customers } = props;
  const {
    ladderId,
    setLadder,
    tone,
    setTone,
    language,
    setLanguage,
    customerId,
    setCustomer,
    kept,
    standing,
    setTyped,
    words,
    change,
    changed,
    keep,
  } = useLetterTexts(props);
  return (
    <>
      <PageHeading>
        <Title>
          {own.length} <small>letter texts of your own; {shipped.length} ship</small>
        </Title>
      </PageHeading>
      <OverdueTabs at="words" />
      <LetterChoice
        kept={kept}
        ladderId={ladderId}
        ladders={ladders}
        language={language}
        own={own}
        setLadder={setLadder}
        setLanguage={setLanguage}
        setTone={setTone}
        standing={standing}
        tone={tone}
      />
      <Halves>
        <Section>
          <LineField
            kind="words"
            width="100%"
            aria-label="Subject"
            value={words.subject}
            onChange={(event) => change({ subject: event.target.value })}
          />
          <Textarea
            aria-label="Letter"
            value={words.body}
            onChange={(event) => change({ body: event.target.value })}
            rows={17}
          />
          <LetterTextActs
            changed={changed}
            keep={keep}
            kept={kept}
            ladderId={ladderId}
            language={language}
            setTyped={setTyped}
            tone={tone}
          />
          <FactList fontSize="13px">
            {fields.map(([name, says]) => [
              <dt key={`${name} t`}>
                <code>{`{{ ${name} }}`}</code>
              </dt>,
              <dd key={`${name} d`}>{says}</dd>,
            ])}
          </FactList>
          <p data-tone="soft">
            {"A condition stands in {% if count == 1 %} … {% else %} … {% endif %}."}
          </p>
        </Section>
        <Preview
          words={words}
          tone={tone}
          language={language}
          customers={customers}
          customerId={customerId}
          choose={setCustomer}
        />
      </Halves>
    </>
  );
}

function useLetterTexts({ own, shipped, customers }: Props) {
  const { act } = useActing();
  const [ladderId, setLadder] = useState(0);
  const [tone, setTone] = useState(1);
  const [language, setLanguage] = useState<Language>("en");
  const [customerId, setCustomer] = useState(customers[0]?.id ?? 0);
  const is = (text: Omit<Own, "ladderId">): boolean =>
    text.tone === tone && text.language === language;
  const ofLadder = (id: number): Own | undefined =>
    own.find((text) => text.ladderId === id && is(text));
  const kept = ofLadder(ladderId);
  const standing = kept ?? ofLadder(0) ?? shipped.find(is);
  const { subject, body } = standing ?? { subject: "", body: "" };
  const where = `${ladderId} ${tone} ${language} ${subject} ${body}`;
  const [typed, setTyped] = useState<(Words & { where: string }) | null>(null);
  const words: Words = typed?.where === where ? typed : { subject, body };
  const change = (to: Partial<Words>): void =>
    setTyped({ where, subject: words.subject, body: words.body, ...to });
  const changed = words.subject !== subject || words.body !== body;
  const keep = (): void =>
    void act("setWordingOf", { ladderId, tone, language, ...words }, () => ({
      words: "These words are used from now on.",
    })).then((value) => {
      if (value !== null) setTyped(null);
    });
  return {
    ladderId,
    setLadder,
    tone,
    setTone,
    language,
    setLanguage,
    customerId,
    setCustomer,
    kept,
    standing,
    setTyped,
    words,
    change,
    changed,
    keep,
  };
}
type LetterTextActsProps = {
  changed: boolean;
  keep: () => void;
  kept: Own | undefined;
  ladderId: number;
  language: "en" | "es" | "fr" | "de";
  setTyped: Dispatch<SetStateAction<(Words & { where: string }) | null>>;
  tone: number;
};
function LetterTextActs({
  changed,
  keep,
  kept,
  ladderId,
  language,
  setTyped,
  tone,
}: LetterTextActsProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act main onClick={keep} disabled={busy || !changed}>
        Keep these words
      </Act>
      {changed ? <Act onClick={() => setTyped(null)}>As they stood</Act> : null}
      {kept && !changed ? (
        <Act
          disabled={busy}
          onClick={() =>
            void act("dropWording", { ladderId, tone, language }, () => ({
              words: "The words that ship are used again.",
            }))
          }
        >
          Back to what ships
        </Act>
      ) : null}
    </ActRow>
  );
}
