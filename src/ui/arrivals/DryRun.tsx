"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ArrivalsFacts, FileAgain, ImportReport, InspectedFile } from "@/contracts/arrivals";
import type { FileKind, MappingSpec } from "@/core/formats";

import { TextField } from "../kit/fields";
import { useActing } from "../shell/Notices";
import { post, sendCommand } from "../shell/send";
import { BackFirst, DryRunHeading, KindAndAccount, WhatItSays } from "./DryRunParts";
import { Sample } from "./DryRunReport";
import { MappingForm } from "./MappingForm";
import type { Mend } from "./MendCell";
import { Questions } from "./Questions";
import { accountsFor, guessAccount, keptFor, mappingFor, openQuestions } from "./standingOfFile";
import { UnderstoodLines } from "./UnderstoodLines";
import { useReport } from "./useReport";

type DryRunProps = {
  facts: ArrivalsFacts;
  first: InspectedFile;
  /** The file of before that it is, read again. */
  again: FileAgain | null;
  close: () => void;
};
/** The dry run of a file: what it is, how its columns are read, and what would happen, before anything does. */
export function DryRun(props: DryRunProps): ReactNode {
  const { facts, close } = props;
  const {
    waiting,
    mapping,
    setMapping,
    account,
    setAccount,
    saveAs,
    setSaveAs,
    report,
    problem,
    taking,
    asKind,
    asHead,
    takeIn,
    of,
    questions,
    answer,
    mend,
    backFirst,
    setBackFirst,
  } = useDryRun(props);
  return (
    <Box overflow="auto" flex={1} minHeight="0" paddingBottom="20px">
      <DryRunHeading
        close={close}
        report={questions.length > 0 ? null : report}
        takeIn={takeIn}
        taking={taking}
        waiting={waiting}
      />
      <Box display="grid" gridTemplateColumns="minmax(0, 2fr) minmax(0, 3fr)" gap="32px">
        <Box>
          <KindAndAccount
            account={account}
            asKind={asKind}
            mapping={mapping}
            of={of}
            setAccount={setAccount}
          />
          <MappingForm
            asHead={asHead}
            facts={facts}
            waiting={waiting}
            mapping={mapping}
            change={setMapping}
          />
          {props.again && !props.again.isBack ? (
            <BackFirst backFirst={backFirst} setBackFirst={setBackFirst} />
          ) : null}
          <Box marginTop="10px" maxWidth="260px">
            <TextField
              label="Keep this mapping as"
              value={saveAs}
              onChange={(event) => setSaveAs(event.target.value)}
              placeholder="a name, if it is to be kept"
            />
          </Box>
        </Box>
        <Box>
          {questions.length > 0 ? (
            <Questions questions={questions} answer={answer} />
          ) : (
            <WhatItSays
              facts={facts}
              mapping={mapping}
              problem={problem}
              report={report}
              mend={mend}
            />
          )}
          <UnderstoodLines lines={report?.understood ?? []} />
          <Sample waiting={waiting} />
        </Box>
      </Box>
    </Box>
  );
}

function useDryRun({ facts, first, again, close }: DryRunProps) {
  const router = useRouter();
  const { book } = facts;
  const { say, complain } = useActing();
  const known = keptFor(facts, first);
  const [waiting, setWaiting] = useState(first);
  const [backFirst, setBackFirst] = useState(false);
  const [mapping, setMapping] = useState<MappingSpec>(again?.mapping ?? mappingFor(first, known));
  const [account, setAccount] = useState<string | null>(() =>
    guessAccount(facts, first.kind, known?.name ?? first.name),
  );
  const [saveAs, setSaveAs] = useState(known?.name ?? "");
  const [taking, setTaking] = useState(false);
  const input = {
    sha256: waiting.sha256,
    name: waiting.name,
    size: waiting.size,
    mapping,
    account,
    saveAs: saveAs.trim() || null,
    ...(again ? { again: again.id, backFirst } : {}),
  };
  const { report, problem } = useReport(book, JSON.stringify(input));
  const of = accountsFor(mapping.kind, facts);
  const questions = openQuestions(waiting, { of, account, report });
  const answer = (key: string, said: string): void => {
    if (key === "kind") void asKind(said as FileKind);
    else if (key === "account") setAccount(said);
    else if (key === "head") void asHead(Number(said));
    else setMapping({ ...mapping, answers: { ...mapping.answers, [key]: said } });
  };
  const readAs = async (how: string, body: string): Promise<InspectedFile | null> => {
    const sent = await post<InspectedFile>(`/api/v1/b/${book}/files${how}`, body);
    if (sent.ok) setWaiting(sent.value);
    else complain(sent.message);
    return sent.ok ? sent.value : null;
  };
  const readAgain = (kind: FileKind | "", head = ""): Promise<InspectedFile | null> => {
    const name = encodeURIComponent(waiting.name);
    return readAs(`?kept=${waiting.sha256}&kind=${kind}&head=${head}&name=${name}`, "");
  };
  const asKind = async (kind: FileKind): Promise<void> => {
    const read = await readAgain(kind, mapping.answers?.head);
    if (!read) return;
    setMapping(read.mapping);
    setAccount(guessAccount(facts, kind, waiting.name));
  };
  const asHead = async (line: number): Promise<void> => {
    const isOtherSheet = waiting.kindOpen?.key === "head";
    const read = await readAgain(isOtherSheet ? "" : mapping.kind, String(line));
    if (!read) return;
    if (isOtherSheet) setAccount(guessAccount(facts, read.kind, waiting.name));
    // What was said of the file holds wherever its head stands.
    setMapping({ ...read.mapping, answers: { ...mapping.answers, ...read.mapping.answers } });
  };
  const mend: Mend = async (line, column, cell) => {
    const { sha256, name, headLine } = waiting;
    const place = { line, column, cell, head: headLine ?? undefined };
    const asked = { sha256, name, kind: mapping.kind, ...place };
    await readAs("/mend", JSON.stringify(asked));
  };
  const takeIn = (): void => {
    if (taking || questions.length > 0) return;
    if (report === null || report.new + report.changed === 0) return;
    setTaking(true);
    void sendCommand<ImportReport>(book, "importFile", input).then((sent) => {
      setTaking(false);
      if (!sent.ok) return complain(sent.message);
      say(
        `${sent.value.new} ${sent.value.new === 1 ? "line" : "lines"} of ${waiting.name} taken in${sent.value.refused.length > 0 ? "; the refused ones stay out" : ""}.`,
        "A file that was taken in stays; what was posted of it is undone act by act.",
      );
      close();
      router.refresh();
    });
  };
  useHotkeys("enter", takeIn, [takeIn]);
  useHotkeys("escape", close);
  return {
    waiting,
    mapping,
    setMapping,
    account,
    setAccount,
    saveAs,
    setSaveAs,
    report,
    problem,
    taking,
    asKind,
    asHead,
    takeIn,
    of,
    questions,
    answer,
    mend,
    backFirst,
    setBackFirst,
  };
}
