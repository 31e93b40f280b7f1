"use client";

import { Box, Textarea } from "@chakra-ui/react";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";

import { type Language, LANGUAGES, TONES } from "@/core/followup";

import { LANGUAGE_WORDS } from "../customers/FollowedAs";
import { Act } from "../kit/buttons";
import { LineChoice, LineField } from "../kit/fields";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { ActRow, FactList, Halves, LetterText, Section } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { post } from "../shell/send";
import { OverdueTabs } from "./OverdueTabs";

type Words = { subject: string; body: string };
type Own = Words & { ladderId: number; tone: number; language: Language };
type Props = {
  fields: readonly (readonly [string, string])[];
  own: Own[];
  shipped: Own[];
  ladders: { id: number; name: string }[];
  customers: { id: number; name: string }[];
};

/**
 * The words of letters: those that ship, or the book's own, by ladder, tone and language, with what
 * they say to a real customer beside them.
 */
export function LetterTextsPage({ fields, own, shipped, ladders, customers }: Props): ReactNode {
  const { act, busy } = useActing();
  const [ladderId, setLadder] = useState(0);
  const [tone, setTone] = useState(1);
  const [language, setLanguage] = useState<Language>("en");
  const [customerId, setCustomer] = useState(customers[0]?.id ?? 0);
  const kept = own.find(
    (own) => own.ladderId === ladderId && own.tone === tone && own.language === language,
  );
  const standing =
    kept ??
    own.find((own) => own.ladderId === 0 && own.tone === tone && own.language === language) ??
    shipped.find((own) => own.tone === tone && own.language === language);
  const where = `${ladderId} ${tone} ${language} ${standing?.subject ?? ""} ${standing?.body ?? ""}`;
  const [typed, setTyped] = useState<(Words & { where: string }) | null>(null);
  const words: Words =
    typed?.where === where
      ? typed
      : { subject: standing?.subject ?? "", body: standing?.body ?? "" };
  const change = (to: Partial<Words>): void =>
    setTyped({ where, subject: words.subject, body: words.body, ...to });
  const changed =
    typed?.where === where && (typed.subject !== standing?.subject || typed.body !== standing.body);
  const keep = (): void =>
    void act("setWordingOf", { ladderId, tone, language, ...words }, () => ({
      words: "These words are used from now on.",
    })).then((value) => {
      if (value !== null) setTyped(null);
    });
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
            fontFamily="mono"
            fontSize="13px"
            bg="sheet"
            borderColor="rule"
            borderRadius="4px"
            mt="2"
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

function LetterChoice({
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
      <span data-tone="soft">
        {kept
          ? "your own words"
          : standing && "ladderId" in standing && own.includes(standing)
            ? "your own words for every ladder"
            : "as it ships"}
      </span>
    </ActRow>
  );
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

/** What the words say to a real customer, as they are typed. */
function Preview({
  words,
  tone,
  language,
  customers,
  customerId,
  choose,
}: {
  words: Words;
  tone: number;
  language: Language;
  customers: Props["customers"];
  customerId: number;
  choose: (id: number) => void;
}): ReactNode {
  const { book } = useActing();
  const [shown, setShown] = useState<Words | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { subject, body } = words;
  useEffect(() => {
    let current = true;
    const wait = setTimeout(() => {
      if (customerId === 0) return;
      void post<Words>(
        `/api/v1/b/${book}/overdue/preview`,
        JSON.stringify({ customerId, tone, language, subject, body }),
        { "content-type": "application/json" },
      ).then((sent) => {
        if (!current) return;
        setProblem(sent.ok ? null : sent.message);
        if (sent.ok) setShown(sent.value);
      });
    }, 150);
    return () => {
      current = false;
      clearTimeout(wait);
    };
  }, [book, customerId, tone, language, subject, body]);
  return (
    <Section>
      <Subheading display="flex" gap="10px">
        As it would go to{" "}
        <LineChoice
          kind="words"
          fontSize="14px"
          maxWidth="260px"
          aria-label="Customer"
          value={customerId}
          onChange={(event) => choose(Number(event.target.value))}
        >
          {customers.map((customer) => (
            <option key={customer.id} value={customer.id}>
              {customer.name}
            </option>
          ))}
        </LineChoice>
      </Subheading>
      {customers.length === 0 ? (
        <p data-tone="soft">Nobody is overdue, so there is nobody to show it on.</p>
      ) : null}
      {problem === null ? null : (
        <p data-tone="off" role="alert">
          ✗ {problem}
        </p>
      )}
      {shown ? (
        <Box opacity={problem === null ? 1 : 0.5}>
          <p>
            <b data-strong>{shown.subject}</b>
          </p>
          <LetterText maxHeight="none" data-testid="preview">
            {shown.body}
          </LetterText>
        </Box>
      ) : null}
    </Section>
  );
}
