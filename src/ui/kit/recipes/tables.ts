import { defineRecipe, type SystemStyleObject } from "@chakra-ui/react";

const cells: SystemStyleObject = {
  height: "29px",
  padding: "0 6px",
  fontWeight: 400,
  borderBottom: "1px solid {colors.rule}",
  fontSize: "13.5px",
  textAlign: "left",
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
  },
  variants: {
    wrapped: { true: { "& td, & th": { whiteSpace: "normal" } } },
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
  },
});
