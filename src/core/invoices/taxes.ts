/**
 * Why a tax is what it is, by the duty or tax categories of UNCL5305 as EN 16931-1 uses them:
 * standard, zero rated, exempt, reverse charge, not subject to tax.
 */
export const TAX_CATEGORIES = {
  standard: { code: "S", words: "taxed", note: null },
  zero: { code: "Z", words: "zero rated", note: null },
  exempt: { code: "E", words: "exempt", note: "Exempt from tax" },
  reverse: {
    code: "AE",
    words: "reverse charge",
    note: "Reverse charge: the tax is owed by the customer",
  },
  none: { code: "O", words: "not subject to tax", note: "Not subject to tax" },
} as const satisfies Record<string, TaxCategoryTraits>;

type TaxCategoryTraits = {
  /** The code in UNCL5305. */
  readonly code: string;
  readonly words: string;
  /** What the paper says of it, unless the tax code has words of its own. */
  readonly note: string | null;
};
export type TaxCategory = keyof typeof TAX_CATEGORIES;

/** A tax code of a book. `percent` is exact decimal text; nothing but `standard` has one above 0. */
export type TaxCode = {
  readonly code: string;
  readonly percent: string;
  readonly category: TaxCategory;
  readonly note: string | null;
};

/** The code of lines that have none. */
export const UNTAXED: TaxCode = { code: "", percent: "0", category: "none", note: null };

/** How a book works out tax. */
export type TaxRules = {
  /** Whether what is typed contains the tax. */
  readonly included: boolean;
  /** Rounded once for each tax code, or line by line. */
  readonly rounded: "by_code" | "by_line";
};
