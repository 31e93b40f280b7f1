import type { ReactNode } from "react";

import { glossary } from "@/contracts/glossary";

import { PageHeading, Subheading, Title } from "../kit/headings";
import { FactList, Halves, Section } from "../kit/layout";

const PARTS = [
  ["ours", "Words of our own"],
  ["trade", "Words of the trade"],
] as const;

/** Every word that the pages explain, with what it means here. */
export function WordsPage(): ReactNode {
  const all = glossary();
  return (
    <>
      <PageHeading>
        <Title>
          {all.length} <small>words explained; H explains those of any page</small>
        </Title>
      </PageHeading>
      <Halves tabIndex={0} role="group" aria-label="Words">
        {PARTS.map(([part, heading]) => (
          <Section key={part}>
            <Subheading>{heading}</Subheading>
            <FactList>
              {all
                .filter((entry) => entry.of === part)
                .map(({ term, name, words }) => [
                  <dt key={term} id={term}>
                    {name}
                  </dt>,
                  <dd key={`${term} words`}>{words}</dd>,
                ])}
            </FactList>
          </Section>
        ))}
      </Halves>
    </>
  );
}
