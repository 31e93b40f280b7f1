"use client";

import { Box } from "@chakra-ui/react";
import { type Dispatch, type ReactNode, type SetStateAction } from "react";

import { type ArrivalsFacts, type ImportReport, type InspectedFile } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type FileKind, FILE_KINDS, type MappingSpec } from "@/core/formats";

import { Act } from "../kit/buttons";
import { Choice } from "../kit/fields";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { WhatHappens } from "./DryRunReport";
import type { Mend } from "./MendCell";

const KINDS = FILE_KINDS.map((kind) => [kind, FILE_KIND_TRAITS[kind].label] as const);

type WhatItSaysProps = {
  facts: ArrivalsFacts;
  mapping: MappingSpec;
  problem: string | null;
  report: ImportReport | null;
  mend: Mend;
};

/** What is wrong with the file, or what taking it in will do. */
export function WhatItSays({ facts, mapping, problem, report, mend }: WhatItSaysProps): ReactNode {
  if (problem)
    return (
      <p data-tone="off" role="alert">
        ✗ {problem}
      </p>
    );
  if (report)
    return (
      <WhatHappens
        report={report}
        facts={facts}
        currency={facts.currency}
        kind={mapping.kind}
        mend={mend}
      />
    );
  return <p data-tone="soft">Reading the file …</p>;
}

type DryRunHeadingProps = {
  close: () => void;
  report: ImportReport | null;
  takeIn: () => void;
  taking: boolean;
  waiting: InspectedFile;
};

export function DryRunHeading({
  close,
  report,
  takeIn,
  taking,
  waiting,
}: DryRunHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        <small>Dry run</small> {waiting.name}{" "}
        <small>
          {waiting.lines} {waiting.lines === 1 ? "line" : "lines"}, nothing is posted yet; what is
          taken in stays
        </small>
      </Title>
      <HeadingEnd>
        <Act hint="Esc" onClick={close}>
          Not now
        </Act>
        <Act
          main
          hint="Enter"
          onClick={takeIn}
          disabled={taking || report === null || report.new + report.changed === 0}
        >
          {takeInLabel(taking, report)}
        </Act>
      </HeadingEnd>
    </PageHeading>
  );
}

type KindAndAccountProps = {
  account: string | null;
  asKind: (kind: FileKind) => Promise<void>;
  mapping: MappingSpec;
  of: (readonly [string, string])[] | null;
  setAccount: Dispatch<SetStateAction<string | null>>;
};

function takeInLabel(taking: boolean, report: ImportReport | null): ReactNode {
  if (taking) return "Taking in …";
  const lines = (report?.new ?? 0) + (report?.changed ?? 0);
  if (report) return `Take in ${lines} ${lines === 1 ? "line" : "lines"}`;
  return "Take in";
}

export function KindAndAccount({
  account,
  asKind,
  mapping,
  of,
  setAccount,
}: KindAndAccountProps): ReactNode {
  return (
    <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
      <Choice
        label="What it is"
        options={KINDS}
        value={mapping.kind}
        onChange={(event) => void asKind(event.target.value as FileKind)}
      />
      {of ? (
        <Choice
          label="Account"
          options={[["", of.length === 0 ? "none yet: add one in Set-up" : "choose …"], ...of]}
          value={account ?? ""}
          onChange={(event) => setAccount(event.target.value || null)}
        />
      ) : (
        <span />
      )}
    </Box>
  );
}

/** A file that was taken in before: its new lines are added, or it is taken in anew as a whole. */
export function BackFirst({
  backFirst,
  setBackFirst,
}: {
  backFirst: boolean;
  setBackFirst: (back: boolean) => void;
}): ReactNode {
  return (
    <Box marginTop="10px">
      <Choice
        label="What it brought before"
        options={[
          ["stays", "stays; what is new of it is added"],
          ["back", "is taken back first, in the same go"],
        ]}
        value={backFirst ? "back" : "stays"}
        onChange={(event) => setBackFirst(event.target.value === "back")}
      />
    </Box>
  );
}
