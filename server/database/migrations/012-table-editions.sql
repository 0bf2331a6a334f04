-- Tables have editions as themes have: live pages follow the newest, or stay at one. What live pages showed so far is the first;
-- where they showed different ones, the one that was published last. What page editions carried stays with them.
create table table_editions (
  table_id text not null references tables (id),
  number integer not null,
  document jsonb not null,
  published_at timestamptz not null default now(),
  primary key (table_id, number)
);
insert into table_editions (table_id, number, document, published_at)
select distinct on (shown.id) shown.id, 1, shown.document, e.published_at
from live_pages l
join page_editions e on e.page_id = l.page_id and e.number = l.number
cross join lateral jsonb_each(e.tables) as shown (id, document)
join tables t on t.id = shown.id
order by shown.id, e.published_at desc, l.page_id;
