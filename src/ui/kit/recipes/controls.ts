import { defineRecipe } from "@chakra-ui/react";

/** A button that acts. */
export const actRecipe = defineRecipe({
  base: {
    flexShrink: 0,
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    gap: "8px",
    height: "28px",
    px: "11px",
    font: "500 13.5px/16px {fonts.body}",
    whiteSpace: "nowrap",
    userSelect: "none",
    cursor: "pointer",
    bg: "sheet",
    color: "ink",
    border: "1px solid {colors.line}",
    borderRadius: "4px",
    _hover: { bg: "strip" },
    _disabled: { opacity: 0.5, cursor: "not-allowed" },
  },
  variants: {
    main: {
      true: {
        bg: "act",
        color: "actText",
        borderColor: "act",
        _hover: { bg: "act", opacity: 0.9 },
      },
    },
  },
});

/** A button within a line of text or a row: it looks like the words around it. */
export const rowButtonRecipe = defineRecipe({
  base: {
    minHeight: "24px",
    minWidth: "24px",
    background: "none",
    border: 0,
    font: "inherit",
    color: "inherit",
    padding: 0,
    cursor: "pointer",
    textAlign: "left",
    maxWidth: "100%",
    overflow: "hidden",
    textOverflow: "ellipsis",
    whiteSpace: "nowrap",
    display: "inline-block",
    verticalAlign: "middle",
  },
});

/** A field on a ruled line: a sum that is typed over, or (words) a text. */
export const lineFieldRecipe = defineRecipe({
  base: {
    background: "transparent",
    border: "1px solid transparent",
    borderBottomColor: "line",
    borderRadius: "2px",
    padding: "2px 4px",
    color: "ink",
    _hover: { background: "sheet" },
    _focus: { background: "sheet", borderColor: "line" },
  },
  variants: {
    kind: {
      sum: { textAlign: "right", fontFamily: "sums", fontSize: "14px" },
      plain: { textAlign: "right", fontFamily: "inherit", fontSize: "14px" },
      text: { textAlign: "left", fontFamily: "inherit", fontSize: "14px" },
      words: { textAlign: "left", fontFamily: "inherit", fontSize: "13.5px" },
    },
  },
  defaultVariants: { kind: "sum" },
});

/** A word in a running text that is typed over or chosen anew. */
export const inlineFieldRecipe = defineRecipe({
  base: {
    width: "150px",
    background: "transparent",
    border: 0,
    borderBottom: "1px solid {colors.line}",
    padding: "1px 2px",
    color: "ink",
    fontSize: "13.5px",
  },
});

/** A choice within a row or a line of text. */
export const smallChoiceRecipe = defineRecipe({
  base: { font: "inherit", fontSize: "13px", color: "soft", cursor: "pointer" },
  variants: {
    look: {
      bare: { background: "none", border: 0, padding: "0 4px", maxWidth: "118px" },
      ruled: {
        background: "transparent",
        color: "ink",
        border: 0,
        borderBottom: "1px solid {colors.line}",
        padding: "1px 2px",
        fontSize: "13.5px",
      },
      framed: {
        background: "sheet",
        color: "inherit",
        border: "1px solid {colors.rule}",
        borderRadius: "3px",
        padding: "2px 4px",
        maxWidth: "220px",
      },
    },
  },
  defaultVariants: { look: "bare" },
});
