import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { FileQuestion } from "@/contracts/arrivals";

import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { DetailTable } from "../kit/tables";

type QuestionsProps = {
  questions: readonly FileQuestion[];
  answer: (key: string, answer: string) => void;
};

/** What the file leaves open: one thing at a time, each answer with what it would make of the file. */
export function Questions({ questions, answer }: QuestionsProps): ReactNode {
  const [first, ...rest] = questions;
  if (!first) return null;
  return (
    <Box role="group" aria-label="What the file leaves open">
      <Subheading data-strong>
        {rest.length === 0 ? "One thing is open" : `${questions.length} things are open`}
      </Subheading>
      <p data-strong>{first.words}</p>
      <DetailTable>
        <tbody>
          {first.choices.map((choice, at) => (
            <tr key={choice.answer}>
              <td data-wrap>{choice.result}</td>
              <td data-numeric>
                <Act main={at === 0} onClick={() => answer(first.key, choice.answer)}>
                  That is it
                </Act>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      {rest.length > 0 ? (
        <>
          <p data-tone="soft">Then:</p>
          <DetailTable>
            <tbody>
              {rest.map(({ key, words }) => (
                <tr key={key}>
                  <td data-wrap data-tone="soft">
                    {words}
                  </td>
                </tr>
              ))}
            </tbody>
          </DetailTable>
        </>
      ) : null}
    </Box>
  );
}
