"use client";

import { Box } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";

import { emailAddress } from "@/contracts/values";
import type { BookLine } from "@/contracts/start";

import { Act } from "../kit/buttons";
import { fieldsOf } from "../kit/checked";
import { choiceOf, SearchChoice } from "../kit/choices";
import { TextField } from "../kit/fields";
import { Subheading, Title } from "../kit/headings";
import { Form, Halves } from "../kit/layout";
import { StartSheet } from "../kit/sheets";
import { COUNTRIES, CURRENCIES, TIME_ZONES } from "../kit/places";
import { FirstSteps } from "../settings/FirstSteps";
import { post } from "../shell/send";
import { BookList } from "./BookList";
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
  country: z.string().regex(/^[A-Z]{2}$/, "Choose the country."),
  cutOverOn: z.iso.date("The last day before the books start here."),
  replyTo: emailAddress,
});
type Input = z.input<typeof schema>;

const NOT_BEGUN = { business: false, bank: false, processor: false, files: false };

/** The books there are, and how to start one. */
export function NewBook({ books }: { books: readonly BookLine[] }): ReactNode {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const form = useForm<Input>({
    resolver: zodResolver(schema),
    defaultValues: { currency: "USD", timeZone: "America/Chicago", country: "US" },
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
    if (sent.ok) router.push(`/b/${sent.value.book}/start`);
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
          <BookList books={books} />
        </>
      ) : null}
      <Subheading data-strong margin="24px 0 8px">
        {books.length === 0 ? "There is no book yet. Start one." : "Start another book"}
      </Subheading>
      <Halves ratio="4:5" overflow="visible">
        <FirstSteps at="business" done={NOT_BEGUN} book={null} />
        <Form display="grid" gap="12px" onSubmit={(event) => void make(event)} noValidate>
          <TextField label="Business" {...field("name")} />
          <TextField label="Name in the address" {...field("book")} placeholder="kestrel-row" />
          <SearchChoice label="Currency" options={CURRENCIES} {...choiceOf(form, "currency")} />
          <SearchChoice label="Country" options={COUNTRIES} {...choiceOf(form, "country")} />
          <SearchChoice label="Time zone" options={TIME_ZONES} {...choiceOf(form, "timeZone")} />
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
      </Halves>
    </StartSheet>
  );
}
