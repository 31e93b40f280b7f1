"use client";

import { chakra } from "@chakra-ui/react";

import { marks, NARROW, quietLinks } from "./recipes/marks";
import { markRecipe, pageRecipe, runRecipe, sheetRecipe, stripRecipe } from "./recipes/shell";

/** The page of a book. */
export const PageFrame = chakra("div", pageRecipe);
/** The line across its top. */
export const RunBar = chakra("header", runRecipe);
/** The word mark in it. */
export const WordMark = chakra("a", markRecipe);
/** What is worked on. */
export const Sheet = chakra("main", sheetRecipe);
/** The proofs along the bottom. */
export const Strip = chakra("footer", stripRecipe);

/** What a customer sees: a sheet of paper, not the clerk's desk. */
export const AccountSheet = chakra("main", {
  base: {
    ...marks,
    maxWidth: "920px",
    margin: "0 auto",
    padding: "40px 24px 60px",
    background: "sheet",
    minHeight: "100vh",
    boxSizing: "border-box",
    borderInline: "1px solid {colors.rule}",
    "& h1": { font: "400 30px/1.25 {fonts.sums}", margin: "6px 0", flexDirection: "column" },
    "& a": { ...quietLinks, textDecorationThickness: "auto" },
    "& section": { margin: "26px 0", overflowX: "auto" },
    [NARROW]: { padding: "20px 16px 40px", borderInline: 0, "& section": { margin: "14px 0" } },
    "& footer": {
      display: "flex",
      gap: "20px",
      flexWrap: "wrap",
      borderTop: "1px solid {colors.rule}",
      paddingTop: "14px",
    },
  },
});

/** The sheet on which a book is begun. */
export const StartSheet = chakra("main", {
  base: { ...marks, maxWidth: "980px", margin: "0 auto", padding: "20px 24px 60px" },
});
/** A word at the right end of the run: who works, which day it is. */
export const RunNote = chakra("span", {
  base: {
    display: "flex",
    alignItems: "center",
    fontSize: "13px",
    color: "soft",
    paddingLeft: "9px",
    whiteSpace: "nowrap",
  },
});
