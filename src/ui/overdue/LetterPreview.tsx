"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";

import type { Language } from "@/core/followup";

import { LineChoice } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { LetterText, Section } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { post } from "../shell/send";
import type { Props } from "./LetterChoice";
import type { Words } from "./letterWords";

/** What the words say to a real customer, as they are typed. */
export function Preview({
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
