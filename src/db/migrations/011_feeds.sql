-- How far what was taken in reaches is asked whenever somebody overdue is looked at: from the index alone.
CREATE INDEX processor_item_day ON processor_item (processor_account_id, occurred_on, file_id) WHERE file_id IS NOT NULL;
