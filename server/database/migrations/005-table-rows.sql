-- Tables keep their rows as rows, so that one cell's edit writes one row; the document is the table without them.
-- `place` orders the rows and leaves room between them.
create table table_rows (
  table_id text not null,
  place bigint not null,
  cells jsonb not null,
  primary key (table_id, place)
);
insert into table_rows (table_id, place, cells)
select id, ordinality * 1024, value
from tables cross join lateral jsonb_array_elements(document -> 'rows') with ordinality;
alter table tables add column row_count integer not null default 0;
alter table tables add column column_count integer not null default 0;
update tables
set row_count = jsonb_array_length(document -> 'rows'),
    column_count = jsonb_array_length(document -> 'rows' -> 0);
-- zest-table/3: a kind, a text below the table, row groups, columns, pinning, a decimal mark and a place for the caption.
update tables
set document = jsonb_build_object(
  'kind', 'data', 'captionSide', '', 'captionAlign', '', 'note', '', 'groups', jsonb_build_array(), 'pinned', false, 'decimal', '',
  'columns', coalesce((select jsonb_agg(jsonb_build_object('width', '', 'hidden', false)) from generate_series(1, column_count)), '[]')
) || (document - 'rows') || '{"format": "zest-table/3"}';
update page_editions
set tables = (
  select coalesce(jsonb_object_agg(key, case when value ->> 'format' = 'zest-table/2'
    then jsonb_build_object(
      'kind', 'data', 'captionSide', '', 'captionAlign', '', 'note', '', 'groups', jsonb_build_array(), 'pinned', false, 'decimal', '',
      'columns', (select coalesce(jsonb_agg(jsonb_build_object('width', '', 'hidden', false)), '[]') from jsonb_array_elements(value -> 'rows' -> 0))
    ) || value || '{"format": "zest-table/3"}' else value end), '{}')
  from jsonb_each(tables)
)
where jsonb_typeof(tables) = 'object';
-- What was done to a table, in words, and how each save is taken back: changes to be made one after the other.
create table table_changes (
  table_id text not null references tables (id),
  revision integer not null,
  said jsonb not null,
  back jsonb not null,
  made_at timestamptz not null default now(),
  primary key (table_id, revision)
);
