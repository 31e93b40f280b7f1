import { defineRecipe, type SystemStyleObject } from "@chakra-ui/react";

import { NARROW, quietLinks } from "./marks";

/** Two columns of a page, as wide as their ratio says. */
const inRatio = (left: number, right: number): SystemStyleObject => ({
  gridTemplateColumns: {
    base: "minmax(0, 1fr)",
    lg: `minmax(0, ${left}fr) minmax(0, ${right}fr)`,
  },
});

const oneColumn: SystemStyleObject = {
  gridTemplateColumns: "minmax(0, 1fr)",
  gap: "12px",
  overflow: "visible",
};

/** What a row opens into: the tally, why, and what else it could be, side by side. */
export const workingsRecipe = defineRecipe({
  base: {
    display: "grid",
    gap: "30px",
    padding: "4px 8px 0 16px",
    fontSize: "13.5px",
    "& h2": { fontSize: "13px", fontWeight: 600, margin: "6px 0 3px" },
    "& ul": { margin: 0, padding: 0, listStyle: "none" },
    "& li": { lineHeight: 1.45 },
    "& a": quietLinks,
    [NARROW]: oneColumn,
  },
  variants: {
    parts: {
      three: { gridTemplateColumns: "minmax(0, 5fr) minmax(0, 4fr) minmax(0, 4fr)" },
      two: { gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)" },
    },
  },
  defaultVariants: { parts: "three" },
});

/** Two halves of a page beside each other, each scrolled with the page. */
export const columnsRecipe = defineRecipe({
  base: {
    display: "grid",
    gap: "36px",
    flex: 1,
    minHeight: 0,
    overflow: "auto",
    paddingBottom: "24px",
    alignContent: "start",
    "& a": quietLinks,
    "& a:hover": { textDecorationColor: "currentcolor" },
    "& section > h2": { fontSize: "14px", fontWeight: 600, margin: "16px 0 4px" },
    [NARROW]: oneColumn,
  },
  variants: {
    ratio: {
      "1:1": inRatio(1, 1),
      "3:2": inRatio(3, 2),
      "4:5": inRatio(4, 5),
      "5:4": inRatio(5, 4),
      thirds: {
        gridTemplateColumns: { base: "minmax(0, 1fr)", lg: "repeat(3, minmax(0, 1fr))" },
      },
    },
  },
  defaultVariants: { ratio: "1:1" },
});
