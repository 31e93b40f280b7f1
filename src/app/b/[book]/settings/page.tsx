import type { ReactNode } from "react";

import { setUpPage } from "@/server/settings/queries/setUpPage";
import { SetUpPage } from "@/ui/settings/SetUpPage";

import { factsOf, pageOf } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("settings");

export default async function SetUp({
  params,
}: {
  params: Promise<{ book: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  return <SetUpPage {...factsOf(context)} {...setUpPage(context)} />;
}
