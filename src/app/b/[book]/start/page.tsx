import type { ReactNode } from "react";

import { FIRST_STEPS, type FirstStep, nextFirstStep } from "@/contracts/start";
import { firstFiles, firstStepsDone } from "@/server/settings/queries/firstSteps";
import { setUpPage } from "@/server/settings/queries/setUpPage";
import { FirstPath } from "@/ui/settings/FirstPath";

import { factsOf, one, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("start");

/** The first steps of a book, one at a time; the next that is not done, where none is asked for. */
export default async function Start({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const asked = one(await searchParams, "step");
  const done = firstStepsDone(context.db);
  const at = asked in FIRST_STEPS ? (asked as FirstStep) : (nextFirstStep(done) ?? "files");
  return (
    <FirstPath
      {...factsOf(context)}
      {...setUpPage(context)}
      at={at}
      done={done}
      files={firstFiles(context.db)}
    />
  );
}
