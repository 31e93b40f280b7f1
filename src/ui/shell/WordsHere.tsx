"use client";

import { Dialog } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import { GLOSSARY, glossary, type GlossaryTerm } from "@/contracts/glossary";

import { FactList } from "../kit/layout";
import { PaperDialog } from "./PaperDialog";

/** The words of the glossary that stand on the page now, each once. */
function wordsOnPage(): GlossaryTerm[] {
  const marked = [...document.querySelectorAll<HTMLElement>("[data-word]")];
  const here = new Set(marked.map(({ dataset }) => dataset.word ?? ""));
  return glossary()
    .map(({ term }) => term)
    .filter((term) => here.has(term));
}

/** What the words on this page mean; all of them stand on a page of their own. */
export function WordsHere({ book, close }: { book: string; close: () => void }): ReactNode {
  const [terms] = useState(wordsOnPage);
  return (
    <PaperDialog title="Words on this page" close={close}>
      <FactList>
        {terms.map((term) => [
          <dt key={term}>{GLOSSARY[term].name}</dt>,
          <dd key={`${term} words`}>{GLOSSARY[term].words}</dd>,
        ])}
      </FactList>
      <p>
        <Dialog.CloseTrigger asChild onClick={close}>
          <NextLink href={`/b/${book}/words`} prefetch={false}>
            All words
          </NextLink>
        </Dialog.CloseTrigger>
      </p>
    </PaperDialog>
  );
}
