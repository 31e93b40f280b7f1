-- An advice is looked for by its day and sum, whatever numbers the payment.
CREATE INDEX remittance_day ON remittance (paid_on, sum);
