import { defineRecipe, defineSlotRecipe } from "@chakra-ui/react";

const ABOVE = { page: 1500, words: 1800 };

/** What stands on a sheet of its own above the page. */
export const RAISED = {
  bg: "sheet",
  color: "ink",
  border: "1px solid {colors.line}",
  borderRadius: "4px",
  outline: 0,
} as const;

const FAINT = { opacity: 0.5, cursor: "not-allowed" };

/** What is typed in or chosen from a box of its own. */
const BOXED = {
  width: "100%",
  minWidth: 0,
  appearance: "none",
  bg: "sheet",
  color: "ink",
  border: "1px solid {colors.line}",
  borderRadius: "4px",
  fontSize: "14px",
  lineHeight: "20px",
  textAlign: "start",
  _focusVisible: { outline: "1px solid {colors.ink}", outlineOffset: 0, borderColor: "ink" },
  _invalid: { borderColor: "off" },
  _disabled: FAINT,
} as const;

const LIGHT = { color: "soft", fontSize: "12px", lineHeight: "16px" };

export const inputRecipe = defineRecipe({ base: { ...BOXED, height: "32px", px: "10px" } });

export const textareaRecipe = defineRecipe({
  base: {
    ...BOXED,
    borderColor: "rule",
    font: "13px/20px ui-monospace, Menlo, monospace",
    padding: "8px 12px",
    marginTop: "8px",
  },
});

/** A field with its label above, and help or what was wrong below. */
export const fieldRecipe = defineSlotRecipe({
  slots: ["root", "label", "helperText", "errorText"],
  base: {
    root: {
      display: "flex",
      flexDirection: "column",
      alignItems: "flex-start",
      width: "100%",
      position: "relative",
      gap: "4px",
    },
    label: { color: "soft", fontSize: "13px", lineHeight: "20px", fontWeight: 500 },
    helperText: LIGHT,
    errorText: { ...LIGHT, color: "off", fontWeight: 500 },
  },
});

export const nativeSelectRecipe = defineSlotRecipe({
  slots: ["root", "field", "indicator"],
  base: {
    root: { display: "flex", width: "100%", position: "relative" },
    field: {
      ...BOXED,
      height: "32px",
      lineHeight: "normal",
      paddingInline: "10px 32px",
      "& > option": { bg: "sheet" },
    },
    indicator: {
      position: "absolute",
      insetEnd: "8px",
      height: "100%",
      display: "inline-flex",
      alignItems: "center",
      pointerEvents: "none",
      color: "soft",
      "& svg": { width: "16px", height: "16px" },
    },
  },
});

export const comboboxRecipe = defineSlotRecipe({
  slots: [
    "root",
    "control",
    "input",
    "trigger",
    "indicatorGroup",
    "content",
    "item",
    "itemIndicator",
    "empty",
  ],
  base: {
    root: { width: "100%" },
    control: { position: "relative" },
    input: { ...BOXED, height: "32px", paddingInline: "10px 36px" },
    trigger: { display: "inline-flex", alignItems: "center" },
    indicatorGroup: {
      position: "absolute",
      insetEnd: 0,
      top: 0,
      bottom: 0,
      display: "flex",
      alignItems: "center",
      px: "10px",
      "& svg": { width: "16px", height: "16px" },
    },
    content: {
      ...RAISED,
      display: "flex",
      flexDirection: "column",
      zIndex: `calc(${ABOVE.page} + var(--layer-index, 0))`,
      maxHeight: "384px",
      overflowY: "auto",
      padding: "4px",
      fontSize: "14px",
      lineHeight: "20px",
    },
    item: {
      display: "flex",
      justifyContent: "space-between",
      gap: "8px",
      padding: "6px 8px",
      borderRadius: "2px",
      cursor: "default",
      userSelect: "none",
      _highlighted: { bg: "strip" },
      "& svg": { width: "16px", height: "16px" },
    },
    empty: { padding: "6px 8px" },
  },
});

export const dialogRecipe = defineSlotRecipe({
  slots: ["backdrop", "positioner", "content", "title", "closeTrigger"],
  base: {
    backdrop: {
      position: "fixed",
      inset: 0,
      bg: "rgb(0 0 0 / 36%)",
      zIndex: `calc(${ABOVE.page} + var(--layer-index, 0) - 1)`,
    },
    positioner: {
      position: "fixed",
      inset: 0,
      display: "flex",
      justifyContent: "center",
      alignItems: "flex-start",
      overflow: "auto",
      zIndex: `calc(${ABOVE.page} + var(--layer-index, 0))`,
    },
    content: {
      ...RAISED,
      position: "relative",
      display: "flex",
      flexDirection: "column",
      width: "100%",
      maxWidth: "512px",
      margin: "64px auto",
      lineHeight: "20px",
    },
    title: { fontSize: "16px", lineHeight: "28px", fontWeight: 600, marginBottom: "12px" },
  },
});

export const tooltipRecipe = defineSlotRecipe({
  slots: ["content"],
  base: {
    content: {
      ...RAISED,
      zIndex: ABOVE.words,
      maxWidth: "320px",
      padding: "8px 10px",
      fontSize: "13px",
      lineHeight: "16px",
    },
  },
});
