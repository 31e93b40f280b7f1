"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ComponentProps, ReactNode } from "react";

import { formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { choiceOf, SearchChoice } from "../kit/choices";
import { AmountField, LineField, TextField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { Form, Section } from "../kit/layout";
import { COUNTRIES, TIME_ZONES } from "../kit/places";
import { Mailbox } from "./Mailbox";
import { MailServer } from "./MailServer";
import { type FactsForm, type FactsProps, useFacts } from "./useFacts";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri"] as const;
export function Facts(props: FactsProps): ReactNode {
  const { settings, currency } = props;
  const { busy, form, register, isDirty, field, keep } = useFacts(props);
  return (
    <Section>
      <Subheading>The book</Subheading>
      <Form
        display="grid"
        gridTemplateColumns="1fr 1fr"
        gap="12px"
        paddingBottom="12px"
        onSubmit={(event) => void keep(event)}
        noValidate
      >
        <TextField label="Business" {...field("name")} />
        <SearchChoice label="Time zone" options={TIME_ZONES} {...choiceOf(form, "timeZone")} />
        <SearchChoice
          label="Country"
          options={COUNTRIES}
          {...choiceOf(form, "country")}
          help="Days typed in figures are read as they are written there."
        />
        <TextField
          label="Days of grace for discounts"
          inputMode="numeric"
          {...field("discountGraceDays")}
        />
        <AmountField
          label="Small differences up to"
          currency={currency}
          {...field("smallDifferenceLimit")}
          help="Written off with one tick; a larger one needs a second person."
        />
        <RiskField {...field("wrongPerThousand")} />
        <AmountField
          label="Smallest overdue sum asked for"
          currency={currency}
          {...field("smallestSumAskedFor")}
        />
        <TextField
          label="Surcharge on cards, in percent"
          inputMode="decimal"
          {...field("surchargePercent")}
          placeholder="none"
        />
        <AmountField
          label="Fee for a payment that came back"
          currency={currency}
          {...field("returnFee")}
          placeholder="none"
          help="Charged to the customer as an open item of its own."
        />
        <TaxTicks register={register} />
        <TextField
          label="Days between two letters, at least"
          inputMode="numeric"
          {...field("letterInterval")}
        />
        <TextField
          label="No letters once files end more banking days ago than"
          inputMode="numeric"
          {...field("feedDays")}
          help="Who has paid since then is not known."
        />
        <LetterDays form={form} />
        <TextField
          label="Customers reach this server at"
          {...field("linkBase")}
          placeholder="nowhere: letters carry no link"
          help="Then letters carry the link to the account page."
        />
        <TextField
          label="Files come into the folder"
          {...field("watchedFolder")}
          placeholder="none is watched"
          help="On the machine of the server, like /home/mara/from-the-bank. What is proven there is taken in, the rest waits under Arrivals."
        />
        <TextField
          label="Backups kept, one a day"
          inputMode="numeric"
          {...field("backupsKept")}
          help="Each is proven when it is taken. 0: none by itself."
        />
        <TextField label="Letters come from" type="email" {...field("replyTo")} />
        <Box>
          <Act main type="submit" disabled={busy || !isDirty}>
            Keep these
          </Act>
        </Box>
      </Form>
      <MailServer server={settings.mailServer} />
      <Mailbox mailbox={settings.mailbox} />
      {settings.clock ? (
        <p data-tone="soft">
          This book’s clock stands at {formatDay(settings.clock)}: it is for practice.
        </p>
      ) : null}
    </Section>
  );
}

function TaxTicks({ register }: Pick<FactsForm, "register">): ReactNode {
  return (
    <Box>
      <chakra.p data-tone="soft" fontSize="13px" margin="0 0 6px">
        The tax owed is lowered by
      </chakra.p>
      <chakra.label marginRight="16px">
        <Tick {...register("taxOnDiscounts")} /> discounts
      </chakra.label>
      <label>
        <Tick {...register("taxOnBadDebts")} /> bad debts
      </label>
    </Box>
  );
}

function LetterDays({ form }: { form: FactsForm }): ReactNode {
  return (
    <Box>
      <chakra.p data-tone="soft" fontSize="13px" margin="0 0 6px">
        Letters that may go by themselves go on
      </chakra.p>
      {WEEKDAYS.map((name, at) => (
        <chakra.label marginRight="9px" key={name}>
          <Tick value={at + 1} {...form.register("weekdays")} /> {name}
        </chakra.label>
      ))}
      <label data-tone="soft">
        at{" "}
        <LineField width="34px" inputMode="numeric" aria-label="Hour" {...form.register("hour")} />{" "}
        o’clock
      </label>
      {form.formState.errors.hour ? (
        <p data-tone="off">{form.formState.errors.hour.message}</p>
      ) : null}
    </Box>
  );
}

/** How many of a thousand sure ones may be wrong, as estimated. */
function RiskField(props: Omit<ComponentProps<typeof TextField>, "label">): ReactNode {
  return (
    <Box>
      <TextField
        label="Sure ones that may be wrong, of a thousand"
        inputMode="numeric"
        help="By estimate, at most; what is doubted more is looked at."
        {...props}
      />
      <NextLink href="match/replay" prefetch={false}>
        What it would have done in this book
      </NextLink>
    </Box>
  );
}
