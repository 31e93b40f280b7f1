"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import { type Ladder, NO_FEE } from "@/core/followup";
import type { Currency } from "@/core/money";

import { Act } from "../kit/buttons";
import { PageHeading, Title } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { Steps } from "./LadderSteps";
import { OverdueTabs } from "./OverdueTabs";

type Props = { currency: Currency; ladders: (Ladder & { customers: number })[] };
/** The ladders: what is said when, counted from the oldest due day. */
export function LaddersPage({ ladders, currency }: Props): ReactNode {
  const [adding, setAdding] = useState(false);
  return (
    <>
      <PageHeading>
        <Title>
          {ladders.length}{" "}
          <small>
            {ladders.length === 1 ? "ladder" : "ladders"}: what is said when, from the oldest due
            day
          </small>
        </Title>
      </PageHeading>
      <OverdueTabs at="ladders" />
      <Box maxWidth="900px">
        {ladders.map((ladder) => (
          <Steps key={ladder.id} ladder={ladder} customers={ladder.customers} currency={currency} />
        ))}
        {adding ? (
          <Steps
            ladder={{
              id: 0,
              name: "",
              standard: false,
              steps: ladders[0]?.steps ?? [],
              fee: NO_FEE,
            }}
            customers={0}
            currency={currency}
            close={() => setAdding(false)}
          />
        ) : (
          <ActRow>
            <Act onClick={() => setAdding(true)}>Another ladder</Act>
          </ActRow>
        )}
        <p data-tone="soft">
          A customer is put on a ladder on its own page. A letter goes by itself only where both the
          step and the customer say so, on a banking day, and never past a wait. The fee of a letter
          is named in it, and charged under Late fees once it went. Between two letters there are at
          least as many days as Set-up says.
        </p>
      </Box>
    </>
  );
}
