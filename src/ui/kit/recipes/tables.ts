import { defineRecipe, type SystemStyleObject } from "@chakra-ui/react";

import { NARROW } from "./marks";

const cells: SystemStyleObject = {
  height: "29px",
  padding: "0 6px",
  fontWeight: 400,
  borderBottom: "1px solid {colors.rule}",
  fontSize: "13.5px",
  textAlign: "left",
};

/** On a phone words give way to sums: they go on in the next line. */
const narrow: SystemStyleObject = {
  "& td:not([data-numeric]), & th": {
    whiteSpace: "normal",
    overflowWrap: "anywhere",
    height: "auto",
    padding: "5px 4px",
    width: "auto",
    maxWidth: "none",
  },
  "& [data-numeric]": { padding: "5px 3px", whiteSpace: "nowrap", fontSize: "12.5px" },
};

/** The small table of details beside the work. */
export const detailTableRecipe = defineRecipe({
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& td, & th": cells,
    "tr[data-workings] &": { "& td": { maxWidth: "300px" } },
    "& [data-numeric]": { textAlign: "right" },
    // A credit stands further in than a debit.
    "& td[data-indent]": { paddingLeft: "20px" },
    [NARROW]: narrow,
  },
  variants: {
    wrapped: { true: { "& td, & th": { whiteSpace: "normal" } } },
    /** A row of fields: on a phone they go on in the next line. */
    folds: {
      true: {
        [NARROW]: {
          "& thead": { display: "none" },
          "& tr": { display: "flex", flexWrap: "wrap", borderBottom: "1px solid {colors.rule}" },
          "& td": { borderBottom: 0 },
        },
      },
    },
  },
});

/** The terms of a sum, one under the other, and what is left under a double rule. */
export const tallyRecipe = defineRecipe({
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& td, & th": cells,
    "& [data-numeric]": { textAlign: "right" },
    "& td:first-of-type": { whiteSpace: "normal" },
    "& tr[data-last] td": { borderBottom: 0 },
    [NARROW]: { ...narrow, "& td input:not([type=checkbox])": { width: "88px" } },
  },
});
