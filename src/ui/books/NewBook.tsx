"use client";

import { Box, chakra } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import NextLink from "next/link";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { TextField } from "../kit/fields";
import { Subheading, Title } from "../kit/headings";
import { Form } from "../kit/layout";
import { StartSheet } from "../kit/sheets";
import { post } from "../shell/send";
import { DayField, dayFieldOf } from "@/ui/kit/days";

const schema = z.object({
  name: z.string().trim().min(1, "What is the business called?"),
  book: z
    .string()
    .regex(
      /^[a-z0-9](?:[a-z0-9-]{0,60}[a-z0-9])?$/,
      "Small letters, digits and hyphens, as it stands in the address.",
    ),
  currency: z.string().regex(/^[A-Za-z]{3}$/, "Three letters, like USD."),
  timeZone: z.string().min(3, "Like America/Chicago."),
  cutOverOn: z.iso.date("The last day before the books start here."),
  replyTo: z.email("The address that letters come from."),
});
type Input = z.input<typeof schema>;

/** The books there are, and how to start one. */
export function NewBook({ books }: { books: readonly string[] }): ReactNode {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const form = useForm<Input>({
    resolver: zodResolver(schema),
    defaultValues: { currency: "USD", timeZone: "America/Chicago" },
  });
  const {
    handleSubmit,
    formState: { isSubmitting },
  } = form;
  const field = fieldsOf(form);
  const make = handleSubmit(async (input) => {
    const sent = await post<{ book: string }>("/api/v1/books", JSON.stringify(input), {
      "content-type": "application/json",
    });
    if (sent.ok) router.push(`/b/${sent.value.book}/settings`);
    else setProblem(sent.message);
  });
  return (
    <StartSheet>
      <Title lineHeight="normal" fontSize="28px" margin="0 0 4px" fontWeight={600}>
        Dozo
      </Title>
      <p data-tone="soft">Everything is a sum that has to come out.</p>
      {books.length > 0 ? (
        <>
          <Subheading data-strong>Books</Subheading>
          <chakra.ul css={{ "& a": { display: "inline-block", padding: "4px 0" } }}>
            {books.map((book) => (
              <li key={book}>
                <NextLink href={`/b/${book}/match`}>{book}</NextLink>
              </li>
            ))}
          </chakra.ul>
        </>
      ) : null}
      <Subheading data-strong margin="24px 0 8px">
        {books.length === 0 ? "There is no book yet. Start one." : "Start another book"}
      </Subheading>
      <Form display="grid" gap="12px" onSubmit={(event) => void make(event)} noValidate>
        <TextField label="Business" {...field("name")} />
        <TextField label="Name in the address" {...field("book")} placeholder="kestrel-row" />
        <TextField label="Currency" {...field("currency")} />
        <TextField label="Time zone" {...field("timeZone")} />
        <DayField
          label="Cut-over day"
          {...dayFieldOf(form, "cutOverOn")}
          help="Invoices up to this day come over as opening balances, later ones as new."
        />
        <TextField label="Letters come from" type="email" {...field("replyTo")} />
        {problem ? (
          <p data-tone="off" role="alert">
            {problem}
          </p>
        ) : null}
        <Box>
          <Act main type="submit" disabled={isSubmitting}>
            Start the book
          </Act>
        </Box>
      </Form>
    </StartSheet>
  );
}
