-- When something was made is when that was done, not when the transaction began in which it was: what is made together has an order.
alter table themes alter column created_at set default clock_timestamp(), alter column updated_at set default clock_timestamp();
alter table tables alter column created_at set default clock_timestamp(), alter column updated_at set default clock_timestamp();
alter table pages alter column created_at set default clock_timestamp(), alter column updated_at set default clock_timestamp();
alter table theme_editions alter column published_at set default clock_timestamp();
alter table table_editions alter column published_at set default clock_timestamp();
alter table page_editions alter column published_at set default clock_timestamp();
