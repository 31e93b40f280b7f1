import { createSystem, defineConfig } from "@chakra-ui/react";
import { defaultBaseConfig } from "@chakra-ui/react/preset-base";

import {
  comboboxRecipe,
  dialogRecipe,
  fieldRecipe,
  inputRecipe,
  nativeSelectRecipe,
  textareaRecipe,
  tooltipRecipe,
} from "./recipes/boxes";

/**
 * Ledger paper. The looks are ours alone: those that come with the parts would ride on every page, unused.
 * Colour has four meanings only (good: comes out; off: wrong or
 * very late; waits: wants a look; age: from sand to dark red), each with values
 * of its own on the dark ground.
 */
const both = (light: string, dark: string): { value: { _light: string; _dark: string } } => ({
  value: { _light: light, _dark: dark },
});

export const system = createSystem(
  defaultBaseConfig,
  defineConfig({
    preflight: true,
    cssVarsPrefix: "d",
    cssVarsRoot: ":where(html)",
    globalCss: {
      "*": {
        fontVariantNumeric: "tabular-nums lining-nums",
        "--global-font-body": "fonts.body",
        "--global-color-border": "colors.rule",
      },
      body: {
        margin: 0,
        bg: "paper",
        color: "ink",
        fontFamily: "body",
        fontSize: "14px",
        lineHeight: "1.4",
      },
      a: { color: "inherit" },
      ":focus-visible": { outline: "2px solid {colors.ink}", outlineOffset: "1px" },
    },
    theme: {
      // From here on a screen is a desk's, below it a phone's.
      breakpoints: { lg: "901px" },
      recipes: { input: inputRecipe, textarea: textareaRecipe },
      slotRecipes: {
        combobox: comboboxRecipe,
        dialog: dialogRecipe,
        field: fieldRecipe,
        nativeSelect: nativeSelectRecipe,
        tooltip: tooltipRecipe,
      },
      tokens: {
        fonts: {
          body: { value: "'Figtree Variable', 'Segoe UI', system-ui, sans-serif" },
          heading: { value: "'Source Serif 4 Variable', Georgia, serif" },
          sums: { value: "'Source Serif 4 Variable', Georgia, serif" },
        },
      },
      semanticTokens: {
        colors: {
          paper: both("#faf8f2", "#191714"),
          sheet: both("#fffefb", "#211e1a"),
          open: both("#f9f7ee", "#26231d"),
          strip: both("#f2ece2", "#2a2620"),
          ink: both("#26221c", "#ede7db"),
          soft: both("#665f53", "#ada593"),
          rule: both("#d9d1c0", "#403a31"),
          line: both("#8c8371", "#7d7567"),
          good: both("#1f6b4f", "#72c7a2"),
          off: both("#ab2c19", "#f28d79"),
          waits: both("#855c00", "#dcae52"),
          act: both("#26221c", "#ede7db"),
          actText: both("#faf8f2", "#191714"),
          age0: both("#fffefb", "#211e1a"),
          age1: both("#b8891a", "#a98a45"),
          age2: both("#b85f1f", "#cf7433"),
          age3: both("#9f301a", "#b8452f"),
          // The oldest is the strongest on either paper: darkest by day, brightest by night.
          age4: both("#5f150c", "#ff6b57"),
        },
      },
    },
  }),
);
