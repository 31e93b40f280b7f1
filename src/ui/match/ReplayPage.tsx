"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ReplayFacts } from "@/contracts/replay";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { RowButton } from "../kit/buttons";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { DetailTable, Heads } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Props = BookFacts & ReplayFacts & { limit: number };

/** What the engine would have done with the receipts of the last months, beside what people did. */
export function ReplayPage(props: Props): ReactNode {
  const { book, from, to, today, receipts, limits, limit } = props;
  const own = limits.find(({ perThousand }) => perThousand === limit);
  return (
    <>
      <PageHeading>
        <Title>
          {own?.posted ?? 0}{" "}
          <small>
            of {receipts} receipts it would have posted by itself since {formatDay(from, today)},{" "}
            {own?.otherwise ?? 0} otherwise than was done
          </small>
        </Title>
        <HeadingEnd>
          <NextLink href={`/b/${book}/match`} prefetch={false}>
            to Match
          </NextLink>
        </HeadingEnd>
      </PageHeading>
      <Halves ratio="3:2" tabIndex={0} role="group" aria-label="Replay">
        <Section>
          <Subheading>
            By kind{" "}
            <span data-tone="soft">
              each day’s receipts against what was open that morning, up to {formatDay(to, today)}
            </span>
          </Subheading>
          <Kinds {...props} />
          <Subheading>Otherwise than was done</Subheading>
          <Differences {...props} />
        </Section>
        <Section>
          <Subheading>By the limit of risk</Subheading>
          <Limits {...props} />
          <p data-tone="soft">
            How many of a thousand sure ones may be wrong, as estimated. Any other number is set in{" "}
            <NextLink href={`/b/${book}/settings`} prefetch={false}>
              Set-up
            </NextLink>
            .
          </p>
        </Section>
      </Halves>
    </>
  );
}

function Kinds({ kinds }: Props): ReactNode {
  if (kinds.length === 0) return <p>No receipt was placed in these months.</p>;
  return (
    <DetailTable aria-label="By kind">
      <Heads
        of={[
          "What it goes by",
          { number: "Posted" },
          { number: "Otherwise" },
          { number: "To check" },
          { number: "First right" },
        ]}
      />
      <tbody>
        {kinds.map(({ kind, posted, otherwise, proposed, firstRight }) => (
          <tr key={kind}>
            <td>{kind}</td>
            <td data-numeric>{posted}</td>
            <td data-numeric>{otherwise > 0 ? <b data-tone="waits">{otherwise}</b> : 0}</td>
            <td data-numeric>{proposed}</td>
            <td data-numeric>{proposed > 0 ? firstRight : ""}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

/** What each limit would have done here, and the one of the book; another is taken by its button. */
function Limits({ limits, limit }: Props): ReactNode {
  const { act, busy } = useActing();
  const take = (wrongPerThousand: number): void =>
    void act("changeSettings", { wrongPerThousand }, () => ({
      words: `Kept. Of a thousand sure ones ${wrongPerThousand} may be wrong, as estimated.`,
    }));
  return (
    <DetailTable aria-label="By the limit of risk">
      <Heads
        of={["Of a thousand", { number: "Posted" }, { number: "Otherwise" }, { hidden: "Take it" }]}
      />
      <tbody>
        {limits.map(({ perThousand, posted, otherwise }) => (
          <tr key={perThousand}>
            <td>{perThousand === limit ? <b>{perThousand}, as set</b> : perThousand}</td>
            <td data-numeric>{posted}</td>
            <td data-numeric>{otherwise}</td>
            <td data-numeric>
              {perThousand === limit ? null : (
                <RowButton disabled={busy} onClick={() => take(perThousand)}>
                  Take {perThousand}
                </RowButton>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

function Differences({ book, today, differences }: Props): ReactNode {
  if (differences.length === 0) return <p>Nothing: what it would have posted is what was done.</p>;
  return (
    <DetailTable aria-label="Otherwise than was done">
      <thead>
        <tr>
          <th scope="col">Receipt</th>
          <th scope="col">Was given to</th>
          <th scope="col">Would have gone to</th>
        </tr>
      </thead>
      <tbody>
        {differences.map(({ receiptId, paidOn, from, placed, would }) => (
          <tr key={receiptId}>
            <td>
              <NextLink href={`/b/${book}/receipts/${receiptId}`} prefetch={false}>
                {formatDay(paidOn, today)}, {from === "" ? "no name" : from}
              </NextLink>
            </td>
            <td>{placed}</td>
            <td>{would}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
