-- That what is overdue is paid in parts, taken on their days: as its customer agreed to it on its page.
CREATE TABLE pay_plan (
  id INTEGER PRIMARY KEY,
  customer_id INTEGER NOT NULL REFERENCES customer (id),
  method_id INTEGER NOT NULL REFERENCES pay_method (id),
  currency TEXT NOT NULL,
  words TEXT NOT NULL,
  on_day TEXT NOT NULL,
  at TEXT NOT NULL,
  address TEXT NOT NULL,
  agent TEXT NOT NULL,
  -- The promise in parts by which reminders wait, and by which it is seen when one was not kept.
  contact_id INTEGER NOT NULL REFERENCES contact (id)
) STRICT;
CREATE INDEX pay_plan_customer ON pay_plan (customer_id);
CREATE TABLE pay_plan_item (
  plan_id INTEGER NOT NULL REFERENCES pay_plan (id),
  open_item_id INTEGER NOT NULL REFERENCES open_item (id),
  PRIMARY KEY (plan_id, open_item_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX pay_plan_item_item ON pay_plan_item (open_item_id);
CREATE TABLE pay_plan_part (
  id INTEGER PRIMARY KEY,
  plan_id INTEGER NOT NULL REFERENCES pay_plan (id),
  due_on TEXT NOT NULL,
  amount INTEGER NOT NULL CHECK (amount > 0)
) STRICT;
CREATE INDEX pay_plan_part_plan ON pay_plan_part (plan_id);
CREATE TABLE pay_plan_end (
  plan_id INTEGER PRIMARY KEY REFERENCES pay_plan (id),
  on_day TEXT NOT NULL,
  why TEXT NOT NULL
) STRICT;
CREATE TRIGGER pay_plan_kept BEFORE UPDATE OF method_id, currency, words, on_day, at, address, agent, contact_id ON pay_plan
  BEGIN SELECT RAISE(ABORT, 'a plan that was agreed to does not change'); END;
CREATE TRIGGER pay_plan_kept_delete BEFORE DELETE ON pay_plan
  BEGIN SELECT RAISE(ABORT, 'a plan that was agreed to is not deleted'); END;
ALTER TABLE payment ADD COLUMN plan_part_id INTEGER REFERENCES pay_plan_part (id);
CREATE INDEX payment_plan_part ON payment (plan_part_id) WHERE plan_part_id IS NOT NULL;
