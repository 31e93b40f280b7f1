import type { ReactNode } from "react";

import { WordsPage } from "@/ui/shell/WordsPage";

import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("words");

/** The glossary as a page. */
export default function Words(): ReactNode {
  return <WordsPage />;
}
