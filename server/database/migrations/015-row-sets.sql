-- The rows of tables' editions are kept once, by what they hold: an edition that only looks or is called otherwise copies none.
-- As json, which is kept as it is written, since it is handed on as text.
create table row_sets (
  id text primary key,
  rows json not null
);
insert into row_sets (id, rows)
select distinct on (id) id, rows::json
from (
  select encode(sha256(convert_to((document -> 'rows')::text, 'UTF8')), 'hex') as id, (document -> 'rows')::text as rows
  from table_editions
) held;
alter table table_editions add column rows_id text references row_sets (id);
update table_editions
set rows_id = encode(sha256(convert_to((document -> 'rows')::text, 'UTF8')), 'hex'), document = document - 'rows';
alter table table_editions alter column rows_id set not null;
-- The set that a table's rows are, as long as they have not changed since they were published.
alter table tables add column rows_id text references row_sets (id);
