"use client";

import { chakra } from "@chakra-ui/react";

import {
  actsRecipe,
  dropAreaRecipe,
  emptyStateRecipe,
  factsRecipe,
  letterRecipe,
  noticeRecipe,
} from "./recipes/parts";
import { columnsRecipe, workingsRecipe } from "./recipes/workings";

/** What a row opens into, in two or three columns. */
export const WorkingsGrid = chakra("div", workingsRecipe);
/** Two halves of a page beside each other. */
export const Halves = chakra("div", columnsRecipe);
/** What can be done, in a row of buttons. */
export const ActRow = chakra("div", actsRecipe);
/** Names of facts (`dt`) and the facts (`dd`). */
export const FactList = chakra("dl", factsRecipe);
/** What the program says after an act. */
/** What a list of facts says of a term; the lines of its text stay lines. */
export const Described = chakra("dd", { base: { whiteSpace: "pre-line" } });

export const Notice = chakra("div", noticeRecipe);
/** A list without a row. */
export const EmptyState = chakra("div", emptyStateRecipe);
/** The words of a letter. */
export const LetterText = chakra("pre", letterRecipe);
/** Where a file is dropped. */
export const DropArea = chakra("div", dropAreaRecipe);
/** A part of a page with a heading of its own. */
export const Section = chakra("section");
/** Fields that are sent together. */
export const Form = chakra("form");
/** What is shown only when it is asked for. */
export const Details = chakra("details");
/** Things one below the other. */
export const List = chakra("ul");
/** Steps one after the other, the one that is open marked by a bar of ink. */
export const StepList = chakra("ol", {
  base: {
    listStyle: "none",
    margin: "12px 0 20px",
    alignContent: "start",
    padding: 0,
    display: "grid",
    gap: "10px",
    "& > li": { display: "grid", paddingLeft: "12px", borderLeft: "3px solid transparent" },
    "& > li[aria-current]": { borderLeftColor: "ink" },
    "& b": { fontWeight: 600 },
  },
});
/** A word among others of its kind. */
export const Tag = chakra("span", { base: { display: "inline-block", marginRight: "10px" } });
/** What came in, word by word. */
export const CameInLine = chakra("p", {
  base: { margin: "4px 0 2px 16px", lineHeight: 1.5, whiteSpace: "normal", maxWidth: "1100px" },
});
/** Where notices stand: below the page, above its proofs. */
export const NoticePlace = chakra("div", {
  base: {
    position: "fixed",
    right: "24px",
    bottom: "44px",
    zIndex: 20,
    display: "flex",
    flexDirection: "column",
    gap: "8px",
    maxWidth: "560px",
    "@media print": { display: "none" },
  },
});
